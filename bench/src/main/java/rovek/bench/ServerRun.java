package rovek.bench;

import java.io.IOException;
import java.net.ServerSocket;
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
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/** A server process over a database of its own, filled straight into the tables before it is measured. */
final class ServerRun {

    static final String PASSWORD = "four-rivers-of-gravel-1";

    private final String server = System.getenv("ROVEK_TEST_DB");
    private final String password = System.getenv("ROVEK_TEST_DB_PASSWORD");

    /** Fills the tables. */
    @FunctionalInterface
    interface Filling {
        void into(Connection database) throws SQLException;
    }

    /** @return what was measured, a line each */
    List<String> measure(Filling filling, Measurement measurement) throws Exception {
        String database = "b_" + UUID.randomUUID().toString().replace("-", "");
        execute("postgres", "CREATE DATABASE " + database);
        try {
            start(database, running -> List.of());
            try (Connection connection = connection(database)) {
                filling.into(connection);
            }
            return start(database, measurement);
        } finally {
            execute("postgres", "DROP DATABASE " + database + " WITH (FORCE)");
        }
    }

    private Connection connection(String database) throws SQLException {
        return DriverManager.getConnection("jdbc:postgresql://" + server + "/" + database, "rovek", password);
    }

    /** The server while it is measured. */
    record Running(Process process, String address, Connector database, String name, Optional<Running> second) {

        Running with(Running other) {
            return new Running(process, address, database, name, Optional.of(other));
        }

        /** Where one of many people asks: every other one at the second server, where there is one. */
        String addressOf(int one) {
            return one % 2 == 0 ? address : second.map(Running::address).orElse(address);
        }
    }

    /** Opens the server's database beside it. */
    @FunctionalInterface
    interface Connector {
        Connection open() throws SQLException;
    }

    /** Measures a running server. */
    @FunctionalInterface
    interface Measurement {
        List<String> of(Running running) throws Exception;
    }

    /** Like {@link #measure}, with a second server on the same database, which {@link Running#second} leads to. */
    List<String> measureTwo(Filling filling, Measurement measurement) throws Exception {
        return measure(filling, first -> start(first.name(), second -> measurement.of(first.with(second))));
    }

    private List<String> start(String database, Measurement measurement) throws Exception {
        int port = freePort();
        Process process = new ProcessBuilder(
                        System.getProperty("java.home") + "/bin/java",
                        "-Xmx768m",
                        "-XX:+ExitOnOutOfMemoryError",
                        "-cp",
                        System.getProperty("java.class.path"),
                        "rovek.server.RovekApplication",
                        "--server.port=" + port,
                        "--spring.main.banner-mode=off",
                        "--spring.datasource.url=jdbc:postgresql://" + server + "/" + database,
                        "--spring.datasource.username=rovek",
                        "--spring.datasource.password=" + password,
                        "--rovek.first-administrator.name=bench",
                        "--rovek.first-administrator.password=" + PASSWORD)
                .redirectErrorStream(true)
                .redirectOutput(Files.createTempFile("rovek-bench", ".log").toFile())
                .start();
        try {
            String address = "http://127.0.0.1:" + port;
            awaitAnswer(process, address);
            return measurement.of(
                    new Running(process, address, () -> connection(database), database, Optional.empty()));
        } finally {
            process.destroy();
            process.waitFor();
        }
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private static void awaitAnswer(Process process, String address) throws InterruptedException {
        HttpClient http = HttpClient.newHttpClient();
        for (int i = 0; i < 600; i++) {
            if (!process.isAlive()) {
                throw new IllegalStateException("The server stopped.");
            }
            try {
                http.send(
                        HttpRequest.newBuilder(URI.create(address + "/")).build(),
                        HttpResponse.BodyHandlers.discarding());
                return;
            } catch (IOException notYet) {
                Thread.sleep(200);
            }
        }
        throw new IllegalStateException("The server does not answer.");
    }

    static long peakMegabytes(Process process) throws IOException {
        return Files.readAllLines(Path.of("/proc/" + process.pid() + "/status")).stream()
                .filter(line -> line.startsWith("VmHWM:"))
                .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")) / 1024)
                .findFirst()
                .orElseThrow();
    }

    private void execute(String database, String sql) throws SQLException {
        try (Connection connection = connection(database);
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }
}
