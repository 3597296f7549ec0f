package rovek.bench;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;

/** A plant of 50,000 nodes with 100,000 checks, each with one reading, written straight into the tables. */
final class BigPlant {

    static final int SITES = 10;
    static final int AREAS = 200;
    static final int ASSETS = 10_000;
    static final int POINTS = 39_789;
    static final int CHECKS = 100_000;

    private BigPlant() {}

    /** Nodes above the checks, the client included. */
    static int nodes() {
        return 1 + SITES + AREAS + ASSETS + POINTS;
    }

    static void plant(Connection database) throws SQLException {
        try (Statement statement = database.createStatement()) {
            level(statement, 1, 1, 0, "CLIENT", "''", "'Marrowdale Works'", "''");
            level(statement, 2, SITES, 1, "SITE", "''", "'Works ' || n", "''");
            level(statement, 3, AREAS, SITES, "AREA", "''", "'Hall ' || n", "''");
            level(statement, 4, ASSETS, AREAS, "ASSET", "'P-' || (10000 + n)", "'Pump ' || n", "''");
            level(
                    statement,
                    5,
                    POINTS,
                    ASSETS,
                    "POINT",
                    "''",
                    "(ARRAY['Drive end','Non-drive end','Motor drive end','Motor non-drive end'])[1 + n % 4]",
                    "''");
            level(statement, 6, CHECKS, POINTS, "CHECK", "''", "''", "'vibration'");
            statement.execute("""
                    UPDATE node SET settings = '{"vibration":{"measure":"acceleration","bandLowHz":"1000","bandHighHz":"10000"}}'
                    WHERE level = 'CHECK' AND place % 2 = 0""");
            statement.execute("""
                    UPDATE node SET limits = '{"vibration":{"velocity.rms":"2.8/4.5 mm/s","acceleration.rms":"4.0/8.0 m/s²"}}'
                    WHERE level = 'CLIENT'""");
            readings(statement);
            statement.execute("ANALYZE");
        }
    }

    /** Rows of one level, spread over those of the level above. */
    private static void level(
            Statement statement,
            int depth,
            int count,
            int above,
            String level,
            String tag,
            String name,
            String technique)
            throws SQLException {
        String parent = above == 0 ? "NULL" : id(String.valueOf(depth - 1), "(n %% %d) + 1".formatted(above));
        String insert = """
                INSERT INTO node (id, parent_id, level, tag, name, technique, place)
                SELECT %s, %s, '%s', %s, %s, %s, n FROM generate_series(1, %d) n""";
        statement.execute(insert.formatted(id(String.valueOf(depth), "n"), parent, level, tag, name, technique, count));
    }

    /** The id of the n-th row of a level, counted from 1; spread over all ids, as random ones are. */
    static String id(int depth, int n) {
        try {
            byte[] digest =
                    MessageDigest.getInstance("MD5").digest((depth + "-" + n).getBytes(StandardCharsets.US_ASCII));
            ByteBuffer bits = ByteBuffer.wrap(digest);
            return new UUID(bits.getLong(), bits.getLong()).toString();
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has MD5.", e);
        }
    }

    /** The id of the n-th row of a level, in SQL. */
    private static String id(String depth, String n) {
        return "md5('%s-' || (%s)::text)::uuid".formatted(depth, n);
    }

    private static void readings(Statement statement) throws SQLException {
        statement.execute("""
                INSERT INTO instrument (id, maker, model, serial, firmware, options, last_seen_at, version)
                VALUES ('00000000-0000-4000-8000-000000000001', 'm', 'VH-2', 'bench', '1', '', now(), 0)""");
        statement.execute("""
                INSERT INTO original (id, instrument_id, file_name, sha256, size, read_back_at, read_back_by)
                VALUES ('00000000-0000-4000-8000-000000000002', '00000000-0000-4000-8000-000000000001', 'f', 's', 1, now(), 'bench')""");
        statement.execute("""
                INSERT INTO visit VALUES ('00000000-0000-4000-8000-000000000003', NULL, NULL, 'Bench', now(),
                    '00000000-0000-4000-8000-000000000001', 'bench', 0, NULL, NULL)""");
        statement.execute("""
                INSERT INTO reading (id, check_id, visit_id, original_id, instrument_id, own_id, capture_sha256, technique, taken_at,
                    instrument_time,
                    label, note, settings, obstacle, replaced, discarded_because, filled, stored_at, version)
                SELECT %s, id, '00000000-0000-4000-8000-000000000003', '00000000-0000-4000-8000-000000000002',
                    '00000000-0000-4000-8000-000000000001', id::text, '', 'vibration', now(), now(), '', '', '{}', '', false, NULL,
                        '{}', now(), 0
                FROM node WHERE level = 'CHECK'""".formatted("overlay(id::text placing '9' from 1 for 1)::uuid"));
        statement.execute("""
                INSERT INTO result (reading_id, result_id, taken_at, check_id, place, value, unit)
                    SELECT r.id, x.result, r.taken_at, r.check_id, x.place, (abs(hashtext(r.id::text)) %% 500) / 100.0, x.unit
                FROM reading r JOIN node n ON n.id = r.check_id CROSS JOIN LATERAL (VALUES
                    (CASE WHEN n.settings = '{}' THEN 'velocity.rms' ELSE 'acceleration.rms' END, 0,
                     CASE WHEN n.settings = '{}' THEN 'mm/s' ELSE 'm/s²' END)) AS x(result, place, unit)""".replace("%%", "%"));
    }
}
