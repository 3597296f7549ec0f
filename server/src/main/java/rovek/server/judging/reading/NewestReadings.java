package rovek.server.judging.reading;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * The newest readings of many checks. In SQL: one look into the index for each check, whatever the length of its
 * history, begins at a list of checks that is in no table.
 */
@Repository
class NewestReadings {

    private final JdbcClient db;

    NewestReadings(JdbcClient db) {
        this.db = db;
    }

    /** Up to so many for each check, of those that count; in no order. */
    List<UUID> of(Collection<UUID> checks, int most) {
        return db.sql("""
                SELECT x.id FROM unnest(ARRAY[:checks]::uuid[]) AS c(id) CROSS JOIN LATERAL
                    (SELECT id FROM reading n WHERE check_id = c.id AND NOT n.replaced AND n.discarded_because IS NULL
                        AND n.taken_at <= n.stored_at + interval '1 day'
                    ORDER BY taken_at DESC, stored_at DESC, length(own_id) DESC, own_id DESC, id DESC LIMIT :most) x""")
                .param("checks", checks)
                .param("most", most)
                .query(UUID.class)
                .list();
    }
}
