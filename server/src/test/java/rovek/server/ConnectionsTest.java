package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rovek.fieldsim.Fieldsim;
import rovek.fieldsim.StandIn;
import tools.jackson.databind.JsonNode;

/** Instruments by network, serial line and folder: named, tried, found, lost and found again. */
class ConnectionsTest {

    /** For machines of any speed: how soon on one that is idle, the constants of presence say. */
    private static final Duration SOON = Duration.ofSeconds(20);

    @TempDir
    Path folder;

    private static Fieldsim start(
            Fieldsim.Kind kind, Path memory, int port, Optional<Path> line, Optional<Path> drive) {
        return Fieldsim.start(new StandIn(kind, "", memory, port, 0, line, drive), Clock.systemUTC());
    }

    private static JsonNode connection(JsonNode found, String name) {
        return found.get("connections")
                .valueStream()
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static void awaitState(Caller caller, String name, String state) {
        long until = System.nanoTime() + SOON.toNanos();
        String now = "";
        while (!now.equals(state)) {
            assertThat(System.nanoTime())
                    .as("%s is %s soon, not %s", name, state, now)
                    .isLessThan(until);
            now = connection(caller.get("/api/connections").ok(), name)
                    .get("state")
                    .asString();
        }
    }

    @Test
    void everyWayInLeadsToReadingBack() throws Exception {
        Path drives = Files.createDirectories(folder.resolve("drives"));
        Path line = folder.resolve("line");
        try (Fieldsim cells =
                        start(Fieldsim.Kind.CELLS, folder.resolve("cells"), 0, Optional.of(line), Optional.empty());
                Fieldsim leak = start(
                        Fieldsim.Kind.LEAK,
                        folder.resolve("leak"),
                        0,
                        Optional.empty(),
                        Optional.of(drives.resolve("leak-detector")));
                RunningRovek rovek =
                        RunningRovek.start("--rovek.find.lines=" + line, "--rovek.find.folders=" + drives)) {
            Caller caller = Caller.signedIn(rovek);
            JsonNode candidates =
                    caller.post("/api/connections/find", Map.of()).ok().get("candidates");
            assertThat(candidates
                            .valueStream()
                            .map(one -> one.get("who").asString()
                                    + one.get("asksForPassCode").asBoolean()))
                    .contains("AL-1 no. 80146false", "true");
            Caller.Answer wrongCode = caller.post("/api/connections", line(line, "1"));
            assertThat(wrongCode.sentence()).contains("pass code");
            String tester = caller.post("/api/connections", line(line, "4711"))
                    .ok()
                    .get("id")
                    .asString();
            String detector = caller.post(
                            "/api/connections",
                            Map.of(
                                    "name",
                                    "Leak drive",
                                    "kind",
                                    "FOLDER",
                                    "place",
                                    drives.resolve("leak-detector").toString()))
                    .ok()
                    .get("id")
                    .asString();
            press(cells, "/api/loose", Map.of("technique", "battery", "assetTag", "BAT-1", "unnamed", true));
            press(leak, "/api/loose", Map.of("technique", "leak", "assetTag", "main", "unnamed", true));
            for (String instrument : new String[] {tester, detector}) {
                assertThat(readBack(caller, instrument, 1).get("sentence").asString())
                        .startsWith("1 new reading");
            }
            JsonNode look =
                    caller.get("/api/instruments/" + detector + "/connection").ok();
            assertThat(look.get("clockAheadSeconds").isNull())
                    .as("a drive has no clock")
                    .isTrue();
            assertThat(caller.post("/api/instruments/" + detector + "/clock", Map.of())
                            .sentence())
                    .contains("is connected as a drive");
            assertThat(caller.post(
                                    "/api/instruments/" + detector + "/clear",
                                    Map.of(
                                            "files",
                                            java.util.List.of(look.get("files")
                                                    .get(0)
                                                    .get("name")
                                                    .asString())))
                            .ok()
                            .get("files")
                            .asInt())
                    .isEqualTo(1);
            assertThat(caller.post("/api/connections", Map.of("kind", "FOLDER", "place", "/etc"))
                            .sentence())
                    .contains("The server opens no other folder");
            assertThat(caller.post("/api/connections", Map.of("kind", "LINE", "place", "/dev/null", "baud", 9600))
                            .sentence())
                    .contains("has no serial line");
        }
    }

    /** A drive shows a new file a moment after it was measured. */
    private static JsonNode readBack(Caller caller, String instrument, int files) {
        long until = System.nanoTime() + SOON.toNanos();
        while (caller.get("/api/instruments/" + instrument + "/connection")
                        .ok()
                        .get("files")
                        .size()
                < files) {
            assertThat(System.nanoTime()).isLessThan(until);
        }
        return caller.awaitJob(caller.post(
                        "/api/instruments/" + instrument + "/read-back",
                        Map.of("files", java.util.List.of(), "correctClock", true))
                .ok());
    }

    private static Map<String, Object> line(Path device, String passCode) {
        return Map.of(
                "name",
                "Cell tester",
                "kind",
                "LINE",
                "place",
                device.toString(),
                "baud",
                115_200,
                "passCode",
                passCode);
    }

    private static void press(Fieldsim fieldsim, String path, Map<String, ?> body) {
        new FieldDay(fieldsim).press(path, body);
    }

    @Test
    void lostAndFoundAgainAreSeenAtTheNextLooks() {
        Path memory = folder.resolve("vibration");
        int port;
        try (RunningRovek rovek = RunningRovek.start()) {
            Caller caller = Caller.signedIn(rovek);
            Map<String, Object> draft = new HashMap<>();
            try (Fieldsim fieldsim = start(Fieldsim.Kind.VIBRATION, memory, 0, Optional.empty(), Optional.empty())) {
                port = fieldsim.instrumentPort();
                draft.putAll(Map.of("name", "Handheld", "host", "127.0.0.1", "port", port, "passCode", "4711"));
                caller.post("/api/connections", draft).ok();
                awaitState(caller, "Handheld", "CONNECTED");
            }
            awaitState(caller, "Handheld", "SILENT");
            assertThat(connection(caller.get("/api/connections").ok(), "Handheld")
                            .get("sentence")
                            .asString())
                    .contains("Is it switched on");
            try (Fieldsim again = start(Fieldsim.Kind.VIBRATION, memory, port, Optional.empty(), Optional.empty())) {
                awaitState(caller, "Handheld", "CONNECTED");
                JsonNode line = connection(caller.get("/api/connections").ok(), "Handheld");
                String path = "/api/connections/" + line.get("id").asString();
                assertThat(caller.post(path + "/try", Map.of())
                                .ok()
                                .get("model")
                                .asString())
                        .isEqualTo("VH-2");
                assertThat(caller.patch(path, Map.of("name", " ")).status()).isEqualTo(422);
                caller.patch(path, Map.of("name", "Anna's handheld")).ok();
                assertThat(caller.get("/api/audit?subjectType=connection").ok().toString())
                        .doesNotContain("4711");
                caller.delete(path).ok();
                assertThat(caller.get("/api/connections")
                                .ok()
                                .get("connections")
                                .size())
                        .isLessThanOrEqualTo(1);
                assertThat(caller.get("/api/instruments/"
                                        + line.get("instrumentId").asString() + "/connection")
                                .sentence())
                        .contains("Connect it once");
            }
        }
    }

    @Test
    void passCodesAreSealedInTheDatabase() {
        try (RunningRovek rovek = RunningRovek.start();
                FieldDay field =
                        new FieldDay(Fieldsim.Kind.VIBRATION, UUID.randomUUID().toString(), folder)) {
            Caller caller = Caller.signedIn(rovek);
            field.connect(caller);
            var db = rovek.bean(org.springframework.jdbc.core.simple.JdbcClient.class);
            String sealed = db.sql("SELECT pass_code FROM connection")
                    .query(String.class)
                    .single();
            assertThat(sealed).startsWith("aes1:").doesNotContain("4711");
            db.sql("UPDATE connection SET pass_code = '4711'").update();
            try (var another = rovek.startAnother()) {
                assertThat(db.sql("SELECT pass_code FROM connection")
                                .query(String.class)
                                .single())
                        .as("a plain one is sealed at the next start")
                        .startsWith("aes1:");
            }
            db.sql("UPDATE connection SET pass_code = 'aes1:' || encode(decode(repeat('00', 12), "
                            + "'hex'), 'base64') || ':' || encode(decode(repeat('00', 20), 'hex'), 'base64')")
                    .update();
            assertThat(caller.post("/api/connections/find", Map.of())
                            .ok()
                            .get("connections")
                            .get(0)
                            .get("sentence")
                            .asString())
                    .as("sealed with another key")
                    .contains("pass code");
        }
    }
}
