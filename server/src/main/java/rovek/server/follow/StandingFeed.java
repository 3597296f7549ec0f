package rovek.server.follow;

import java.util.HashSet;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Tells which checks' readings changed since an earlier look. */
@Repository
class StandingFeed {

    private final JdbcClient db;

    StandingFeed(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param horizon what to ask from next time
     * @param measured checks with other readings than before
     */
    record News(String horizon, Set<UUID> measured) {}

    News since(String horizon) {
        Set<UUID> measured = new HashSet<>();
        String[] next = {horizon};
        db.sql("""
                SELECT pg_snapshot_xmin(pg_current_snapshot())::text, f.check_id
                FROM (SELECT 1) one LEFT JOIN measured_check f ON f.changed_by >= CAST(? AS xid8)""")
                .param(horizon)
                .query(row -> {
                    next[0] = row.getString(1);
                    UUID id = row.getObject(2, UUID.class);
                    if (id != null) {
                        measured.add(id);
                    }
                });
        return new News(next[0], measured);
    }
}
