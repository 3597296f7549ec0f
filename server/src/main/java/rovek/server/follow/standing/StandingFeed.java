package rovek.server.follow.standing;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
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
     * What was told at one look. While another transaction is open, the same is told again at the next.
     *
     * @param horizon what to ask from next time
     * @param measured checks with other readings than before, and the transaction that changed them last
     */
    record News(long horizon, Map<UUID, Long> measured) {

        static final News NONE = new News(0, Map.of());

        /** The checks of which an earlier look did not tell this very change. */
        Set<UUID> unlike(News earlier) {
            Set<UUID> others = new HashSet<>();
            measured.forEach((check, changedBy) -> {
                if (!changedBy.equals(earlier.measured.get(check))) {
                    others.add(check);
                }
            });
            return others;
        }

        /** As much of it as will be told again. */
        News toldAgain() {
            Map<UUID, Long> again = new HashMap<>(measured);
            again.values().removeIf(changedBy -> changedBy < horizon);
            return new News(horizon, again);
        }
    }

    News since(long horizon) {
        Map<UUID, Long> measured = new HashMap<>();
        long[] next = {horizon};
        JdbcClient.StatementSpec changes = db.sql("""
                SELECT pg_snapshot_xmin(pg_current_snapshot())::text, f.check_id, f.changed_by::text
                FROM (SELECT 1) one LEFT JOIN measured_check f ON f.changed_by >= CAST(? AS xid8)""");
        changes.param(Long.toString(horizon)).query(row -> {
            next[0] = row.getLong(1);
            UUID id = row.getObject(2, UUID.class);
            if (id != null) {
                measured.put(id, row.getLong(3));
            }
        });
        return new News(next[0], measured);
    }
}
