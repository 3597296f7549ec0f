package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rovek.fieldsim.Fieldsim;
import tools.jackson.databind.JsonNode;

/**
 * Addresses behind which no instrument is, and names that are none: nothing is told of them, nothing waits for them,
 * nothing is lost.
 */
class StrangePlacesTest {

    @TempDir
    Path folder;

    @Test
    void theServerConnectsToNothingButTheNetworksThatAnAdministratorKeeps() throws IOException {
        try (RunningRovek rovek = RunningRovek.start("--rovek.networks=10.9.0.0/16 5025");
                ServerSocket inside = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
            Caller administrator = Caller.signedIn(rovek);
            administrator
                    .post(
                            "/api/accounts",
                            Map.of(
                                    "name",
                                    "anna",
                                    "displayName",
                                    "Anna",
                                    "role",
                                    "REVIEWER",
                                    "password",
                                    "a-long-password"))
                    .ok();
            Caller reviewer = Caller.signedIn(rovek.address(), "anna", "a-long-password");
            int port = inside.getLocalPort();
            for (String host : List.of(
                    "127.0.0.1",
                    "localhost",
                    "0.0.0.0",
                    "::1",
                    "::ffff:127.0.0.1",
                    "127.1",
                    "2130706433",
                    "169.254.169.254",
                    "10.8.0.1")) {
                Caller.Answer refused = reviewer.post("/api/connections", Map.of("host", host, "port", port));
                assertThat(refused.status()).as(host).isEqualTo(422);
                assertThat(refused.sentence())
                        .contains(
                                "does not connect to " + host + " port " + port,
                                "An administrator maintains that list");
            }
            inside.setSoTimeout(200);
            org.assertj.core.api.Assertions.assertThatThrownBy(inside::accept)
                    .as("nobody came")
                    .isInstanceOf(java.net.SocketTimeoutException.class);
            assertThat(reviewer.put("/api/networks", Map.of("networks", List.of("127.0.0.0/8 1-65535")))
                            .status())
                    .isEqualTo(403);
            assertThat(reviewer.get("/api/networks").status()).isEqualTo(403);
            assertThat(administrator
                            .put("/api/networks", Map.of("networks", List.of("all of them")))
                            .sentence())
                    .contains("Write a network and its ports");
            assertThat(administrator
                            .get("/api/networks")
                            .ok()
                            .get("networks")
                            .get(0)
                            .asString())
                    .isEqualTo("10.9.0.0/16 5025");
            administrator
                    .put("/api/networks", Map.of("networks", List.of(" 127.0.0.0/8 %d ".formatted(port), "")))
                    .ok();
            assertThat(administrator.get("/api/audit?subjectType=rules").ok().toString())
                    .contains("10.9.0.0/16 5025", "127.0.0.0/8 " + port);
            try (Device banner = new Device(
                    inside, out -> out.write("SSH-2.0-of the inner network\n".getBytes(StandardCharsets.UTF_8)))) {
                Caller.Answer answer = reviewer.post("/api/connections", Map.of("host", "127.0.0.1", "port", port));
                assertThat(answer.sentence())
                        .as("what it is is nobody's business")
                        .contains("makes no sense")
                        .doesNotContain("inner network");
            }
        }
    }

    /** Somebody at a port who sends what he likes. */
    private static final class Device implements AutoCloseable {

        private interface Speech {
            void to(OutputStream out) throws IOException, InterruptedException;
        }

        private final ServerSocket listening;
        private final Queue<Socket> open = new ConcurrentLinkedQueue<>();

        Device(ServerSocket listening, Speech speech) throws IOException {
            this.listening = listening;
            listening.setSoTimeout(0);
            Thread thread = new Thread(() -> {
                while (!listening.isClosed()) {
                    try {
                        Socket socket = listening.accept();
                        open.add(socket);
                        Thread one = new Thread(() -> {
                            try {
                                speech.to(socket.getOutputStream());
                            } catch (IOException | InterruptedException over) {
                                // whoever listened has hung up
                            }
                        });
                        one.setDaemon(true);
                        one.start();
                    } catch (IOException over) {
                        return;
                    }
                }
            });
            thread.setDaemon(true);
            thread.start();
        }

        @Override
        public void close() throws IOException {
            listening.close();
            for (Socket socket : open) {
                socket.close();
            }
        }
    }

    private static void trickle(OutputStream out) throws IOException, InterruptedException {
        while (true) {
            out.write('0');
            out.flush();
            Thread.sleep(300);
        }
    }

    @Test
    void nobodyWaitsForAnInstrumentThatTrickles() throws Exception {
        try (RunningRovek rovek = RunningRovek.start();
                Fieldsim good = Fieldsim.start(folder, 0, 0, java.time.Clock.systemUTC())) {
            Caller caller = Caller.signedIn(rovek);
            caller.post(
                            "/api/connections",
                            Map.of(
                                    "name",
                                    "Good",
                                    "host",
                                    "127.0.0.1",
                                    "port",
                                    good.instrumentPort(),
                                    "passCode",
                                    "4711"))
                    .ok();
            ServerSocket port = new ServerSocket(0, 50);
            try (Device slow = new Device(port, StrangePlacesTest::trickle)) {
                for (int i = 0; i < 8; i++) {
                    // As somebody once connected them, when they were instruments.
                    rovek.bean(org.springframework.jdbc.core.simple.JdbcClient.class)
                            .sql(
                                    "INSERT INTO connection (id, name, kind, place, number, pass_code) VALUES (?, ?, 'NETWORK', ?, ?, '')")
                            .params(UUID.randomUUID(), "Slow " + i, "127.0.%d.1".formatted(i), port.getLocalPort())
                            .update();
                }
                for (int look = 0; look < 3; look++) {
                    long began = System.nanoTime();
                    JsonNode found = caller.get("/api/connections").ok();
                    assertThat(Duration.ofNanos(System.nanoTime() - began))
                            .as("eight that trickle for four seconds each, six asked at once")
                            .isLessThan(Duration.ofSeconds(8));
                    assertThat(found.get("connections")).hasSize(9);
                }
                JsonNode lines = caller.get("/api/connections").ok().get("connections");
                assertThat(lines.valueStream()
                                .filter(line -> line.get("state").asString().equals("CONNECTED"))
                                .map(line -> line.get("name").asString()))
                        .containsExactly("Good");
            }
        }
    }

    @Test
    void aNameThatIsASecondCommandClearsNothing() {
        try (RunningRovek rovek = RunningRovek.start();
                FieldDay field =
                        new FieldDay(Fieldsim.Kind.VIBRATION, UUID.randomUUID().toString(), folder)) {
            Caller caller = Caller.signedIn(rovek);
            String instrument = field.connect(caller);
            field.press("/api/loose", Map.of("assetTag", "P-9", "point", "Coupling"));
            String held = caller.get("/api/instruments/" + instrument + "/connection")
                    .ok()
                    .get("files")
                    .get(0)
                    .get("name")
                    .asString();
            String hostile = "X\"\nMMEMory:DELete \"" + held;
            JsonNode cleared = caller.post(
                            "/api/instruments/" + instrument + "/clear", Map.of("files", List.of(hostile)))
                    .ok();
            assertThat(cleared.get("files").asInt()).isZero();
            assertThat(cleared.get("stays").get(0).get("why").asString()).isEqualTo("it is no longer there");
            assertThat(caller.get("/api/instruments/" + instrument + "/connection")
                            .ok()
                            .get("files")
                            .get(0)
                            .get("name")
                            .asString())
                    .isEqualTo(held);
            assertThat(caller.post(
                                    "/api/connections",
                                    Map.of(
                                            "host",
                                            "127.0.0.1",
                                            "port",
                                            field.instrumentPort(),
                                            "passCode",
                                            "1\"\nMMEMory:DELete \"" + held))
                            .sentence())
                    .contains("control character")
                    .doesNotContain(held);
            field.readBack(caller, instrument);
            caller.post("/api/instruments/" + instrument + "/clear", Map.of("files", List.of(held)))
                    .ok();
            JsonNode noted = caller.get("/api/audit?subjectType=instrument").ok();
            assertThat(noted.toString()).contains("file deleted from the instrument", held, "sha256");
        }
    }

    @Test
    void aDriveThatLeadsElsewhereIsNotOpened() throws IOException {
        Path drives = Files.createDirectories(folder.resolve("drives"));
        Path elsewhere = Files.createDirectories(folder.resolve("elsewhere"));
        Files.writeString(elsewhere.resolve("instrument.json"), "{\"model\":\"X\",\"serial\":\"7\"}");
        Files.createSymbolicLink(drives.resolve("drive"), elsewhere);
        try (RunningRovek rovek = RunningRovek.start("--rovek.find.folders=" + drives)) {
            Caller caller = Caller.signedIn(rovek);
            assertThat(caller.post(
                                    "/api/connections",
                                    Map.of(
                                            "kind",
                                            "FOLDER",
                                            "place",
                                            drives.resolve("drive").toString()))
                            .sentence())
                    .contains("The server opens no other folder");
            assertThat(caller.post("/api/connections/find", Map.of()).ok().get("candidates"))
                    .isEmpty();
        }
    }
}
