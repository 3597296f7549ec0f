package rovek.bench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyManager;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import rovek.core.plant.Level;
import rovek.fieldsim.Fieldsim;
import rovek.server.RovekApplication;
import rovek.server.instrument.Connections;
import rovek.server.job.JobProgress;
import rovek.server.job.JobView;
import rovek.server.job.Jobs;
import rovek.server.plant.PlantEditor;
import rovek.server.plant.PlantEditor.NewNode;
import rovek.server.plant.PlantSettings;
import rovek.server.route.RouteDraft;
import rovek.server.route.Routes;
import rovek.server.transfer.Loading;
import rovek.server.transfer.ReadBack;
import rovek.server.transfer.Transfers;

/**
 * Reading a package of 1,000 readings back over the link, digests, analysis, audit and all, beside a plain COPY of the very
 * rows that came of it into empty tables with the same indexes.
 */
final class ReadBackBench {

    private static final int READINGS = 1_000;
    private static final int POINTS_AN_ASSET = 20;
    private static final List<String> TABLES = List.of("original", "reading", "capture", "result");

    private final String server = System.getenv("ROVEK_TEST_DB");
    private final String password = System.getenv("ROVEK_TEST_DB_PASSWORD");

    /** Both times, in seconds. */
    record Outcome(double readBackSeconds, double copySeconds) {}

    Outcome run() throws Exception {
        String database = "b_" + UUID.randomUUID().toString().replace("-", "");
        execute("postgres", "CREATE DATABASE " + database);
        Path memory = Files.createTempDirectory("rovek-bench");
        try (Fieldsim fieldsim = Fieldsim.start(memory, 0, 0, Clock.systemUTC());
                ConfigurableApplicationContext context = start(database)) {
            double readBack = readBack(context, fieldsim);
            return new Outcome(readBack, copy(database));
        } finally {
            execute("postgres", "DROP DATABASE " + database + " WITH (FORCE)");
        }
    }

    private ConfigurableApplicationContext start(String database) {
        return SpringApplication.run(
                RovekApplication.class, "--server.port=0", "--spring.main.banner-mode=off", "--logging.level.rovek=warn",
                "--spring.datasource.url=jdbc:postgresql://" + server + "/" + database,
                "--spring.datasource.username=rovek", "--spring.datasource.password=" + password);
    }

    private double readBack(ConfigurableApplicationContext context, Fieldsim fieldsim) throws Exception {
        UUID route = UUID.randomUUID();
        context.getBean(Routes.class).put(route, new RouteDraft("Long walk", plan(context), 0));
        UUID instrument = context.getBean(Connections.class)
                .connect(Connections.ConnectionDraft.network("Handheld", "127.0.0.1", fieldsim.instrumentPort(), "4711")).id();
        await(context, context.getBean(Loading.class).loadRoute(instrument, route));
        walk(fieldsim);
        // Looking once packs the walk on the stand-in, which is its work and not the read-back's.
        context.getBean(Transfers.class).look(instrument);
        long begun = System.nanoTime();
        context.getBean(ReadBack.class).run(instrument, List.of(), false, new Silent());
        return (System.nanoTime() - begun) / 1e9;
    }

    private static List<UUID> plan(ConfigurableApplicationContext context) {
        PlantEditor plant = context.getBean(PlantEditor.class);
        UUID client = add(plant, null, Level.CLIENT, "Bench", null);
        context.getBean(PlantSettings.class).set(client, "vibration", Map.of("lines", "1600", "rateHz", "5120"));
        UUID area = add(plant, add(plant, client, Level.SITE, "Works", null), Level.AREA, "Hall", null);
        List<UUID> checks = new ArrayList<>();
        while (checks.size() < READINGS) {
            UUID asset = add(plant, area, Level.ASSET, "Machine " + checks.size(), null);
            for (int point = 0; point < POINTS_AN_ASSET; point++) {
                checks.add(add(plant, add(plant, asset, Level.POINT, "Point " + point, null), Level.CHECK, "", "Velocity 10–1000 Hz"));
            }
        }
        return checks;
    }

    private static UUID add(PlantEditor plant, UUID parent, Level level, String name, String preset) {
        return plant.add(new NewNode(null, parent, level, "", name, null, null, preset)).node().id();
    }

    private static void await(ConfigurableApplicationContext context, JobView job) throws InterruptedException {
        Jobs jobs = context.getBean(Jobs.class);
        JobView now = job;
        while (now.state() == JobView.State.RUNNING) {
            Thread.sleep(50);
            now = jobs.get(job.id());
        }
        if (now.state() != JobView.State.DONE) {
            throw new IllegalStateException(now.sentence());
        }
    }

    private static void walk(Fieldsim fieldsim) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + fieldsim.panelPort() + "/api/walk-all"))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString("{}"))
                .build();
        HttpResponse<String> answer = HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(answer.body());
        }
    }

    private double copy(String database) throws SQLException, IOException {
        try (Connection connection = connect(database); Statement statement = connection.createStatement()) {
            CopyManager copies = connection.unwrap(PGConnection.class).getCopyAPI();
            Map<String, byte[]> rows = new LinkedHashMap<>();
            for (String table : TABLES) {
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                copies.copyOut("COPY (SELECT * FROM " + table + ") TO STDOUT (FORMAT binary)", out);
                rows.put(table, out.toByteArray());
                statement.execute("CREATE TABLE copy_" + table + " (LIKE " + table + " INCLUDING INDEXES)");
            }
            long begun = System.nanoTime();
            connection.setAutoCommit(false);
            for (Map.Entry<String, byte[]> entry : rows.entrySet()) {
                copies.copyIn("COPY copy_" + entry.getKey() + " FROM STDIN (FORMAT binary)", new java.io.ByteArrayInputStream(entry.getValue()));
            }
            connection.commit();
            return (System.nanoTime() - begun) / 1e9;
        }
    }

    private Connection connect(String database) throws SQLException {
        return DriverManager.getConnection("jdbc:postgresql://" + server + "/" + database, "rovek", password);
    }

    private void execute(String database, String sql) throws SQLException {
        try (Connection connection = connect(database); Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    private static final class Silent implements JobProgress {
        @Override
        public void report(long done, long total, String sentence) {
            // only the time matters here
        }

        @Override
        public boolean isStopRequested() {
            return false;
        }
    }
}
