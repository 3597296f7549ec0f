package rovek.server.judging.reading;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.function.BiConsumer;
import javax.sql.DataSource;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyIn;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Puts many rows into a table by COPY, in the transaction that is under way. */
@Component
class BulkCopy {

    private static final int CHUNK_BYTES = 1 << 18;

    private final JdbcTemplate jdbc;

    BulkCopy(DataSource dataSource) {
        this.jdbc = new JdbcTemplate(dataSource);
    }

    /**
     * @param table with its columns, {@code result (reading_id, value)}
     * @param columns how many these are
     * @param write writes one item as one row, or several
     */
    <T> void into(String table, int columns, Iterable<T> items, BiConsumer<BinaryRows, T> write) {
        jdbc.execute((ConnectionCallback<Long>) connection -> copied(connection, table, columns, items, write));
    }

    private static <T> long copied(
            Connection connection, String table, int columns, Iterable<T> items, BiConsumer<BinaryRows, T> write)
            throws SQLException {
        CopyIn copy = connection
                .unwrap(PGConnection.class)
                .getCopyAPI()
                .copyIn("COPY " + table + " FROM STDIN (FORMAT binary)");
        try {
            BinaryRows rows = new BinaryRows(columns);
            for (T item : items) {
                write.accept(rows, item);
                if (rows.size() > CHUNK_BYTES) {
                    byte[] chunk = rows.drain();
                    copy.writeToCopy(chunk, 0, chunk.length);
                }
            }
            byte[] last = rows.end();
            copy.writeToCopy(last, 0, last.length);
            return copy.endCopy();
        } finally {
            if (copy.isActive()) {
                copy.cancelCopy();
            }
        }
    }
}
