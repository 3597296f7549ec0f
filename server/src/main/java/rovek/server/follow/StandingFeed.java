package rovek.server.follow;

import java.util.HashSet;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Tells which nodes and which checks' readings changed since an earlier look. */
@Repository
class StandingFeed {

    private final JdbcClient db;

    StandingFeed(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param horizon what to ask from next time
     * @param nodes rows of the plant that came, went or changed
     * @param measured checks with other readings than before
     */
    record News(String horizon, Set<UUID> nodes, Set<UUID> measured) {}

    News since(String horizon) {
        Set<UUID> nodes = new HashSet<>();
        Set<UUID> measured = new HashSet<>();
        String[] next = {horizon};
        db.sql("""
                SELECT pg_snapshot_xmin(pg_current_snapshot())::text, f.id, f.is_node
                FROM (SELECT 1) one LEFT JOIN (
                    SELECT id, true AS is_node, changed_by FROM node
                    UNION ALL SELECT check_id, false, changed_by FROM measured_check) f ON f.changed_by >= CAST(? AS xid8)""")
                .param(horizon)
                .query(row -> {
                    next[0] = row.getString(1);
                    UUID id = row.getObject(2, UUID.class);
                    if (id != null) {
                        (row.getBoolean(3) ? nodes : measured).add(id);
                    }
                });
        return new News(next[0], nodes, measured);
    }
}
