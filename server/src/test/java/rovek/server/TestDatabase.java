package rovek.server;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Locale;
import java.util.UUID;

/**
 * A fresh database in the private test cluster that {@code ./rovek test} starts.
 *
 * @param url for JDBC
 */
public record TestDatabase(String url, String user, String password, String name) implements AutoCloseable {

    private static final String USER = "rovek";

    public static TestDatabase create() {
        String name = "t_" + UUID.randomUUID().toString().replace("-", "").toLowerCase(Locale.ROOT);
        execute("CREATE DATABASE " + name);
        return new TestDatabase("jdbc:postgresql://" + server() + "/" + name, USER, secret(), name);
    }

    private static String server() {
        return required("ROVEK_TEST_DB");
    }

    private static String secret() {
        return required("ROVEK_TEST_DB_PASSWORD");
    }

    private static String required(String variable) {
        String value = System.getenv(variable);
        if (value == null) {
            throw new IllegalStateException(variable + " is not set: run the tests by ./rovek test, which starts a private PostgreSQL.");
        }
        return value;
    }

    private static void execute(String sql) {
        try (Connection connection = DriverManager.getConnection("jdbc:postgresql://" + server() + "/postgres", USER, secret());
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException("The private PostgreSQL does not do as asked: " + sql, e);
        }
    }

    public Connection connect() throws SQLException {
        return DriverManager.getConnection(url, user, password);
    }

    @Override
    public void close() {
        execute("DROP DATABASE IF EXISTS " + name + " WITH (FORCE)");
    }
}
