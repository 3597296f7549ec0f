package rovek.server;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.Locale;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.configuration.FluentConfiguration;

/**
 * A fresh database in the private test cluster that {@code ./rovek test} starts.
 *
 * @param url for JDBC
 * @param isKept whether closing leaves it there, for somebody else to drop
 */
public record TestDatabase(String url, String user, String password, String name, boolean isKept)
        implements AutoCloseable {

    private static final String USER = "rovek";

    /** Migrated already: a copy of one that was. */
    public static TestDatabase create() {
        String name = "t_" + UUID.randomUUID().toString().replace("-", "").toLowerCase(Locale.ROOT);
        execute("CREATE DATABASE " + name + " TEMPLATE " + MigratedTemplate.name());
        return new TestDatabase(urlOf(name), USER, secret(), name, false);
    }

    /** With nothing in it. */
    static TestDatabase createEmpty() {
        String name = "t_" + UUID.randomUUID().toString().replace("-", "").toLowerCase(Locale.ROOT);
        execute("CREATE DATABASE " + name);
        return new TestDatabase(urlOf(name), USER, secret(), name, false);
    }

    /** As an older version left it, without anything in it. */
    static TestDatabase createAt(String version) {
        String name = "t_" + UUID.randomUUID().toString().replace("-", "").toLowerCase(Locale.ROOT);
        execute("CREATE DATABASE " + name);
        TestDatabase database = new TestDatabase(urlOf(name), USER, secret(), name, false);
        flyway(database).target(version).load().migrate();
        return database;
    }

    void migrateToTheNewest() {
        flyway(this).load().migrate();
    }

    private static FluentConfiguration flyway(TestDatabase database) {
        return Flyway.configure()
                .locations("classpath:db/migration")
                .dataSource(database.url, database.user, database.password);
    }

    private static String urlOf(String name) {
        return "jdbc:postgresql://" + server() + "/" + name;
    }

    /** Made once for a set of migrations, by whichever of the test runs beside each other comes first. */
    private static final class MigratedTemplate {

        private static final String NAME = make();

        static String name() {
            return NAME;
        }

        private static String make() {
            FluentConfiguration flyway = Flyway.configure().locations("classpath:db/migration");
            String name = "migrated_"
                    + Integer.toHexString(Arrays.stream(flyway.dataSource(urlOf("postgres"), USER, secret())
                                    .load()
                                    .info()
                                    .all())
                            .map(one -> one.getVersion() + ":" + one.getChecksum())
                            .toList()
                            .hashCode());
            try (Connection connection = DriverManager.getConnection(urlOf("postgres"), USER, secret());
                    Statement statement = connection.createStatement()) {
                statement.execute("SELECT pg_advisory_lock(20816)");
                try (var found = statement.executeQuery(
                        "SELECT 1 FROM pg_database WHERE datistemplate AND datname = '" + name + "'")) {
                    if (found.next()) {
                        return name;
                    }
                }
                statement.execute("DROP DATABASE IF EXISTS " + name);
                statement.execute("CREATE DATABASE " + name);
                flyway.dataSource(urlOf(name), USER, secret()).load().migrate();
                statement.execute("ALTER DATABASE " + name + " IS_TEMPLATE true");
                return name;
            } catch (SQLException e) {
                throw new IllegalStateException("No migrated database could be made.", e);
            }
        }
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
            throw new IllegalStateException(
                    variable + " is not set: run the tests by ./rovek test, which starts a private PostgreSQL.");
        }
        return value;
    }

    private static void execute(String sql) {
        try (Connection connection =
                        DriverManager.getConnection("jdbc:postgresql://" + server() + "/postgres", USER, secret());
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException("The private PostgreSQL does not do as asked: " + sql, e);
        }
    }

    /** The same one, not dropped by whoever closes this. */
    TestDatabase kept() {
        return new TestDatabase(url, user, password, name, true);
    }

    int port() {
        String server = server();
        return Integer.parseInt(server.substring(server.lastIndexOf(':') + 1));
    }

    /** Its address by another port, as a wire in between has it. */
    String urlAt(int port) {
        return "jdbc:postgresql://127.0.0.1:%d/%s".formatted(port, name);
    }

    public Connection connect() throws SQLException {
        return DriverManager.getConnection(url, user, password);
    }

    @Override
    public void close() {
        if (isKept) {
            return;
        }
        execute("DROP DATABASE IF EXISTS " + name + " WITH (FORCE)");
    }
}
