package rovek.server;

import java.util.ArrayList;
import java.util.List;
import org.springframework.context.ConfigurableApplicationContext;

/** The real application on a port of its own, with an empty database and one administrator. */
public final class RunningRovek implements AutoCloseable {

    public static final String ADMINISTRATOR = "administrator";
    private static final String SECRET_KEY = java.util.Base64.getEncoder().encodeToString(new byte[32]);
    public static final String PASSWORD = "a-long-test-password";

    private final TestDatabase database;
    private Caller administrator;
    private final ConfigurableApplicationContext context;

    private RunningRovek(TestDatabase database, ConfigurableApplicationContext context) {
        this.database = database;
        this.context = context;
    }

    synchronized Caller administrator() {
        if (administrator == null || administrator.get("/api/session").status() != 200) {
            administrator = Caller.signedIn(address(), ADMINISTRATOR, PASSWORD);
        }
        return administrator;
    }

    public static RunningRovek start(String... properties) {
        TestDatabase database = TestDatabase.create();
        try {
            return new RunningRovek(database, run(database, properties));
        } catch (RuntimeException e) {
            database.close();
            throw e;
        }
    }

    /** With every statement told to somebody. */
    static RunningRovek start(CountedStatements statements) {
        TestDatabase database = TestDatabase.create();
        return new RunningRovek(
                database, QuickRovek.run(statements, arguments(database).toArray(String[]::new)));
    }

    /** On a database of the caller's, which stays when the server is closed. */
    public static RunningRovek startOn(TestDatabase database, String... properties) {
        return new RunningRovek(database.kept(), run(database, properties));
    }

    /** A second server on the same database. */
    public ConfigurableApplicationContext startAnother() {
        return run(database);
    }

    private static ConfigurableApplicationContext run(TestDatabase database, String... properties) {
        List<String> arguments = arguments(database);
        for (String property : properties) {
            String key = property.substring(0, property.indexOf('=') + 1);
            arguments.removeIf(usual -> usual.startsWith(key));
            arguments.add(property);
        }
        return QuickRovek.run(arguments.toArray(String[]::new));
    }

    /** What a server is started with. */
    static List<String> arguments(TestDatabase database) {
        return new ArrayList<>(List.of(
                "--server.port=0",
                "--spring.datasource.url=" + database.url(),
                "--spring.datasource.username=" + database.user(),
                "--spring.datasource.password=" + database.password(),
                // Several servers stand beside each other in one run, on one database server.
                "--spring.datasource.hikari.minimum-idle=1",
                "--rovek.secret-key=" + SECRET_KEY,
                "--rovek.claims.patience=PT3S",
                "--rovek.networks=127.0.0.0/8 1-65535;::1 1-65535",
                "--rovek.first-administrator.name=" + ADMINISTRATOR,
                "--rovek.first-administrator.password=" + PASSWORD,
                "--spring.main.banner-mode=off"));
    }

    public String address() {
        return addressOf(context);
    }

    public static String addressOf(ConfigurableApplicationContext context) {
        return "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    public <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    public TestDatabase database() {
        return database;
    }

    @Override
    public void close() {
        context.close();
        database.close();
    }
}
