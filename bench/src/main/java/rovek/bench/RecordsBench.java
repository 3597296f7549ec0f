package rovek.bench;

import java.io.StringReader;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.postgresql.PGConnection;

/**
 * What SQL by hand is worth where the server has it: each place beside what Hibernate would do at best, which is the
 * same statements without its own work on top.
 */
final class RecordsBench {

    private static final int RESULTS = 100_000;
    private static final int ROWS_A_BATCH = 1_000;
    private static final int LOOKS = 5;
    private static final int NEWEST = 20;

    private static final String LATERAL = """
            SELECT count(x.id) FROM (SELECT check_id AS id FROM reading WHERE check_id IS NOT NULL GROUP BY 1 LIMIT 400) c
            CROSS JOIN LATERAL (SELECT id FROM reading n WHERE check_id = c.id AND NOT n.replaced
                AND n.discarded_because IS NULL ORDER BY taken_at DESC LIMIT %d) x""".formatted(NEWEST);

    private static final String WINDOW = """
            SELECT count(*) FROM (SELECT row_number() OVER (PARTITION BY check_id ORDER BY taken_at DESC) AS place
                FROM reading n WHERE check_id IN (SELECT check_id FROM reading WHERE check_id IS NOT NULL GROUP BY 1
                LIMIT 400) AND NOT n.replaced AND n.discarded_because IS NULL) x WHERE place <= %d""".formatted(NEWEST);

    private static final String STRETCHES = """
            SELECT min(taken_at), max(taken_at), min(value), max(value), count(*) FROM result
            WHERE check_id = '%s' AND result_id = 'velocity.rms' AND counts
            GROUP BY date_bin(interval '63000 seconds', taken_at, '2024-12-01') ORDER BY 1""".formatted(TrendBench.CHECK);

    private static final String EVERY_VALUE = """
            SELECT taken_at, value FROM result WHERE check_id = '%s' AND result_id = 'velocity.rms' AND counts
            ORDER BY taken_at""".formatted(TrendBench.CHECK);

    private static final String NEWS =
            "SELECT id FROM node WHERE changed_by >= (pg_snapshot_xmin(pg_current_snapshot())::text)::xid8";

    private static final String WHOLE_PLANT =
            "SELECT id, tag, name, attributes::text, settings::text, limits::text FROM node";

    List<String> run() throws Exception {
        return new ServerRun().measure(TrendBench::fill, running -> {
            try (Connection database = running.database().open()) {
                return List.of(
                        "What SQL by hand is worth, beside the statements that Hibernate would send",
                        ratio(
                                "100,000 results by COPY, beside batched INSERT",
                                least(() -> copied(database)),
                                least(() -> inserted(database))),
                        ratio(
                                "the newest %d readings of 400 checks by LATERAL, beside a window over all"
                                        .formatted(NEWEST),
                                least(() -> asked(database, LATERAL)),
                                least(() -> asked(database, WINDOW))),
                        ratio(
                                "a million values thinned in the database, beside fetching them",
                                least(() -> asked(database, STRETCHES)),
                                least(() -> asked(database, EVERY_VALUE))),
                        ratio(
                                "what changed in the plant by transaction, beside reading the plant",
                                least(() -> asked(database, NEWS)),
                                least(() -> asked(database, WHOLE_PLANT))));
            }
        });
    }

    private static String ratio(String what, double byHand, double otherwise) {
        return String.format(
                Locale.ROOT, "  %s: %.1f ms and %.1f ms, %.1f times", what, byHand, otherwise, otherwise / byHand);
    }

    private interface Measured {
        void once() throws Exception;
    }

    /** @return in milliseconds, the quickest of several */
    private static double least(Measured work) throws Exception {
        double least = Double.MAX_VALUE;
        for (int i = 0; i < LOOKS; i++) {
            long begun = System.nanoTime();
            work.once();
            least = Math.min(least, (System.nanoTime() - begun) / 1e6);
        }
        return least;
    }

    private static void asked(Connection database, String sql) throws SQLException {
        try (Statement statement = database.createStatement();
                ResultSet rows = statement.executeQuery(sql)) {
            int columns = rows.getMetaData().getColumnCount();
            while (rows.next()) {
                for (int column = 1; column <= columns; column++) {
                    rows.getObject(column);
                }
            }
        }
    }

    private static void emptied(Connection database) throws SQLException {
        try (Statement statement = database.createStatement()) {
            statement.execute("DROP TABLE IF EXISTS bench_result");
            statement.execute("CREATE TABLE bench_result (LIKE result INCLUDING ALL)");
        }
    }

    private static void copied(Connection database) throws Exception {
        emptied(database);
        StringBuilder rows = new StringBuilder();
        for (int i = 0; i < RESULTS; i++) {
            rows.append(UUID.randomUUID())
                    .append("\tvelocity.rms\t")
                    .append(Instant.ofEpochSecond(1_760_000_000L + i))
                    .append('\t')
                    .append(TrendBench.CHECK)
                    .append("\t0\t1.5\tmm/s\tt\n");
        }
        database.unwrap(PGConnection.class)
                .getCopyAPI()
                .copyIn(
                        "COPY bench_result (reading_id, result_id, taken_at, check_id, place, value, unit, counts) FROM STDIN",
                        new StringReader(rows.toString()));
    }

    private static void inserted(Connection database) throws Exception {
        emptied(database);
        database.setAutoCommit(false);
        try (PreparedStatement insert = database.prepareStatement(
                "INSERT INTO bench_result (reading_id, result_id, taken_at, check_id, place, value, unit, counts) "
                        + "VALUES (?, 'velocity.rms', ?, ?, 0, ?, 'mm/s', true)")) {
            for (int i = 0; i < RESULTS; i++) {
                insert.setObject(1, UUID.randomUUID());
                insert.setTimestamp(2, Timestamp.from(Instant.ofEpochSecond(1_760_000_000L + i)));
                insert.setObject(3, UUID.fromString(TrendBench.CHECK));
                insert.setDouble(4, 1.5);
                insert.addBatch();
                if (i % ROWS_A_BATCH == ROWS_A_BATCH - 1) {
                    insert.executeBatch();
                }
            }
        }
        database.commit();
        database.setAutoCommit(true);
    }
}
