package rovek.server.intake.live;

import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/**
 * Which server asks a source, and what it shows to the others. A server holds a view for as long as it renews it; that
 * of one that died runs out by itself. Times are the database's, so that the servers' clocks do not matter.
 */
@Repository
class SharedViews {

    private static final Duration LASTS = Duration.ofSeconds(10);
    private static final Duration FOLLOWED = Duration.ofSeconds(3);

    private final JdbcClient db;
    private final JsonMapper json;

    SharedViews(JdbcClient db, JsonMapper json) {
        this.db = db;
        this.json = json;
    }

    /** A view that another server holds. */
    record Followed(UUID holder, Optional<SharedView> shown) {}

    /** Whether it is the holder's now: nobody else holds it, or nobody renewed it. */
    boolean take(LiveTarget target, UUID holder) {
        return db.sql("""
                INSERT INTO live_view AS v (kind, target_id, holder, until)
                    VALUES (:kind, :id, :holder, now() + :lasts * interval '1 second')
                ON CONFLICT (kind, target_id) DO UPDATE SET holder = :holder, until = excluded.until, shown = '' WHERE v.until < now()""")
                        .param("kind", target.kind().name())
                        .param("id", target.id())
                        .param("holder", holder)
                        .param("lasts", LASTS.toSeconds())
                        .update()
                == 1;
    }

    /** Whether some other server follows it; empty where it is not the holder's any more. */
    Optional<Boolean> renew(LiveTarget target, UUID holder) {
        return db.sql("""
                UPDATE live_view SET until = now() + :lasts * interval '1 second'
                WHERE kind = :kind AND target_id = :id AND holder = :holder RETURNING followed_until > now()""")
                .param("kind", target.kind().name())
                .param("id", target.id())
                .param("holder", holder)
                .param("lasts", LASTS.toSeconds())
                .query(Boolean.class)
                .optional();
    }

    void show(LiveTarget target, UUID holder, SharedView view) {
        show(target, holder, json.writeValueAsString(view));
    }

    private void show(LiveTarget target, UUID holder, String shown) {
        db.sql("UPDATE live_view SET shown = ? WHERE kind = ? AND target_id = ? AND holder = ?")
                .params(shown, target.kind().name(), target.id(), holder)
                .update();
    }

    /** Nothing is shown until somebody follows again. */
    void hide(LiveTarget target, UUID holder) {
        show(target, holder, "");
    }

    /** What its holder shows, who hears by it that somebody follows; empty where nobody holds it. */
    Optional<Followed> follow(LiveTarget target) {
        return db.sql("""
                UPDATE live_view SET followed_until = now() + :followed * interval '1 second'
                WHERE kind = :kind AND target_id = :id AND until >= now() RETURNING holder, shown""")
                .param("kind", target.kind().name())
                .param("id", target.id())
                .param("followed", FOLLOWED.toSeconds())
                .query((row, n) -> new Followed(row.getObject(1, UUID.class), view(row.getString(2))))
                .optional();
    }

    private Optional<SharedView> view(String shown) {
        return shown.isEmpty() ? Optional.empty() : Optional.of(json.readValue(shown, SharedView.class));
    }

    /** Leaves it to whoever wants it next. */
    void release(LiveTarget target, UUID holder) {
        db.sql("DELETE FROM live_view WHERE kind = ? AND target_id = ? AND holder = ?")
                .params(target.kind().name(), target.id(), holder)
                .update();
    }
}
