package rovek.server.plant.event;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Tells which checks stand otherwise than at an earlier look: their readings changed, which the database notes by
 * itself, or something happened to what they stand in. In SQL: what is new is told by the transaction that wrote it,
 * which Hibernate does not know.
 */
@Service
public class ChangedChecks {

    private final JdbcClient db;

    ChangedChecks(JdbcClient db) {
        this.db = db;
    }

    /**
     * What was told at one look. While another transaction is open, the same is told again at the next.
     *
     * @param horizon what to ask from next time
     * @param changed checks, and the transaction that changed them last
     */
    public record News(long horizon, Map<UUID, Long> changed) {

        public static final News NONE = new News(0, Map.of());

        /** The checks of which an earlier look did not tell this very change. */
        public Set<UUID> unlike(News earlier) {
            Set<UUID> others = new HashSet<>();
            changed.forEach((check, changedBy) -> {
                if (!changedBy.equals(earlier.changed.get(check))) {
                    others.add(check);
                }
            });
            return others;
        }

        /** As much of it as will be told again. */
        public News toldAgain() {
            Map<UUID, Long> again = new HashMap<>(changed);
            again.values().removeIf(changedBy -> changedBy < horizon);
            return new News(horizon, again);
        }
    }

    public News since(long horizon) {
        Map<UUID, Long> changed = new HashMap<>();
        long[] next = {horizon};
        JdbcClient.StatementSpec changes = db.sql("""
                SELECT pg_snapshot_xmin(pg_current_snapshot())::text, f.check_id, f.changed_by::text
                FROM (SELECT 1) one LEFT JOIN measured_check f ON f.changed_by >= CAST(? AS xid8)""");
        changes.param(Long.toString(horizon)).query(row -> {
            next[0] = row.getLong(1);
            UUID id = row.getObject(2, UUID.class);
            if (id != null) {
                changed.put(id, row.getLong(3));
            }
        });
        return new News(next[0], changed);
    }

    /** Notes it of checks that were ever measured: others stand nowhere. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void note(Collection<UUID> checks) {
        db.sql("UPDATE measured_check SET changed_by = pg_current_xact_id() WHERE check_id = ANY(?)")
                .param(checks.toArray(UUID[]::new))
                .update();
    }
}
