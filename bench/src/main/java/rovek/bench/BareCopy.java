package rovek.bench;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyManager;

/**
 * The rows of readings, copied once more: into tables of the same columns and nothing else, and into their own tables,
 * emptied.
 */
record BareCopy(ServerRun.Connector database) {

    private static final List<String> TABLES = List.of("reading", "capture", "result");

    /** What stands in the tables, in the form that COPY takes. */
    Map<String, byte[]> rows() throws SQLException, IOException {
        try (Connection connection = database.open()) {
            Map<String, byte[]> rows = new LinkedHashMap<>();
            for (String table : TABLES) {
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                copies(connection).copyOut("COPY (SELECT * FROM " + table + ") TO STDOUT (FORMAT binary)", out);
                rows.put(table, out.toByteArray());
            }
            return rows;
        }
    }

    private static CopyManager copies(Connection connection) throws SQLException {
        return connection.unwrap(PGConnection.class).getCopyAPI();
    }

    /** @return seconds */
    double intoBareTables(Map<String, byte[]> rows) throws SQLException, IOException {
        try (Connection connection = database.open();
                Statement statement = connection.createStatement()) {
            for (String table : rows.keySet()) {
                statement.execute("CREATE TABLE bare_" + table + " AS SELECT * FROM " + table + " LIMIT 0");
            }
            return copied(connection, statement, rows, "bare_");
        }
    }

    /** With their keys, references, triggers and partitions. @return seconds */
    double intoTheSameTables(Map<String, byte[]> rows) throws SQLException, IOException {
        try (Connection connection = database.open();
                Statement statement = connection.createStatement()) {
            statement.execute("TRUNCATE reading, capture, result, reading_photo, correction_state, correction CASCADE");
            return copied(connection, statement, rows, "");
        }
    }

    private static double copied(Connection connection, Statement statement, Map<String, byte[]> rows, String prefix)
            throws SQLException, IOException {
        statement.execute("CHECKPOINT");
        long begun = System.nanoTime();
        connection.setAutoCommit(false);
        for (Map.Entry<String, byte[]> entry : rows.entrySet()) {
            copies(connection)
                    .copyIn(
                            "COPY " + prefix + entry.getKey() + " FROM STDIN (FORMAT binary)",
                            new ByteArrayInputStream(entry.getValue()));
        }
        connection.commit();
        return (System.nanoTime() - begun) / 1e9;
    }
}
