package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import rovek.fieldsim.Fieldsim;
import tools.jackson.databind.JsonNode;

/**
 * Whatever happens to the wire, the instrument or a file on it: no reading is lost, none is there twice, and a sentence
 * says what to do.
 */
@ExtendWith(SharedRovek.class)
class LinkFaultsTest {

    private static final int CUTS = 20;
    private static final long SEED = 20_260_923;

    @TempDir
    Path memory;

    private final RunningRovek rovek;
    private final Caller caller;
    private final JdbcClient db;
    private final String serial = UUID.randomUUID().toString();
    private FieldDay field;
    private Relay wire;
    private String instrument;
    private List<String> checks;
    private String route;

    LinkFaultsTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.db = rovek.bean(JdbcClient.class);
    }

    @BeforeEach
    void switchOn() {
        field = new FieldDay(Fieldsim.Kind.VIBRATION, serial, memory);
        wire = new Relay(field.instrumentPort());
        instrument = caller.post(
                        "/api/connections", Map.of("host", "127.0.0.1", "port", wire.port(), "passCode", "4711"))
                .ok()
                .get("id")
                .asString();
        SmallPlant plant = new SmallPlant(caller);
        checks = plant.pump("P-" + serial.substring(0, 6));
        route = plant.route(checks);
    }

    @AfterEach
    void switchOff() {
        wire.close();
        field.close();
    }

    private long stored() {
        return db.sql("SELECT count(*) FROM reading WHERE instrument_id = (SELECT id FROM instrument WHERE serial = ?)")
                .param(serial)
                .query(Long.class)
                .single();
    }

    private long storedWithResults() {
        return db.sql("""
                SELECT count(*) FROM reading r WHERE instrument_id = (SELECT id FROM instrument WHERE serial = ?)
                    AND EXISTS (SELECT 1 FROM result v WHERE v.reading_id = r.id)
                AND EXISTS (SELECT 1 FROM capture c WHERE c.reading_id = r.id)""").param(serial).query(Long.class).single();
    }

    private Map<String, ByteBuffer> onTheInstrument() throws IOException {
        Map<String, ByteBuffer> files = new java.util.TreeMap<>();
        try (var all = Files.walk(memory)) {
            for (Path file : all.filter(Files::isRegularFile)
                    .filter(one -> !one.toString().contains("state"))
                    .toList()) {
                files.put(memory.relativize(file).toString(), ByteBuffer.wrap(Files.readAllBytes(file)));
            }
        }
        return files;
    }

    private static void assertSays(JsonNode job) {
        assertThat(job.get("state").asString()).as(job.toString()).isEqualTo("FAILED");
        assertThat(job.get("sentence").asString())
                .as("a sentence that says what to do")
                .doesNotContain("Something went wrong")
                .containsPattern("(?i)try again|is it switched on|goes on from there");
    }

    @Test
    void aLoadThatIsCutAnywhereLeavesTheOldRouteOrTheNewOneWhole() {
        wire.neverCut();
        assertThat(field.load(caller, instrument, route).get("state").asString())
                .isEqualTo("DONE");
        long all = wire.passed();
        Random random = new Random(SEED);
        Set<String> ends = new HashSet<>();
        for (int i = 0; i < CUTS; i++) {
            String name = "Walk " + i;
            JsonNode now = caller.get("/api/routes")
                    .ok()
                    .valueStream()
                    .filter(one -> one.get("id").asString().equals(route))
                    .findFirst()
                    .orElseThrow();
            caller.put(
                            "/api/routes/" + route,
                            Map.of(
                                    "name",
                                    name,
                                    "checkIds",
                                    checks,
                                    "version",
                                    now.get("version").asInt()))
                    .ok();
            String before = panelRoute();
            wire.cutAfter(1 + random.nextLong(all - 1));
            JsonNode job = field.load(caller, instrument, route);
            wire.neverCut();
            String after = panelRoute();
            assertThat(after).isIn(before, name);
            if (!job.get("state").asString().equals("DONE")) {
                assertSays(job);
            }
            ends.add(job.get("state").asString() + (after.equals(name) ? " new" : " old"));
        }
        assertThat(ends).as("cuts before and after the route arrived").contains("FAILED old");
        assertThat(field.load(caller, instrument, route).get("state").asString())
                .isEqualTo("DONE");
        assertThat(panelRoute()).isEqualTo("Walk " + (CUTS - 1));
    }

    private String panelRoute() {
        return field.press("/api/battery", Map.of("percent", 80)).get("route").asString();
    }

    @Test
    void aReadBackThatIsCutAnywhereLosesNothingAndDoublesNothing() throws IOException {
        Random random = new Random(SEED + 1);
        long expected = 0;
        for (int i = 0; i < CUTS; i++) {
            field.press("/api/loose", Map.of("assetTag", "P-9", "point", "Coupling"));
            Map<String, ByteBuffer> held = onTheInstrument();
            wire.cutAfter(200 + random.nextLong(68_000L));
            JsonNode cut = field.readBack(caller, instrument);
            wire.neverCut();
            assertThat(onTheInstrument())
                    .as("the instrument's memory is as it was")
                    .isEqualTo(held);
            assertThat(stored()).as("all of a file or nothing of it").isIn(expected, expected + 1);
            if (!cut.get("state").asString().equals("DONE")) {
                assertSays(cut);
            }
            JsonNode again = field.readBack(caller, instrument);
            assertThat(again.get("state").asString()).as(again.toString()).isEqualTo("DONE");
            expected++;
            assertThat(stored()).isEqualTo(expected);
            assertThat(storedWithResults()).isEqualTo(expected);
            String loose = "RESULTS/LOOSE.zip";
            caller.post("/api/instruments/" + instrument + "/clear", Map.of("files", List.of(loose)))
                    .ok();
        }
    }

    @Test
    void anInstrumentSwitchedOffAndOnGoesOnWhereItStopped() {
        field.load(caller, instrument, route);
        field.press("/api/walk-all", Map.of());
        field.faults(Map.of("slowMillis", 60));
        JsonNode job = caller.post(
                        "/api/instruments/" + instrument + "/read-back",
                        Map.of("files", List.of(), "correctClock", true))
                .ok();
        await(() -> db.sql(
                                "SELECT count(*) FROM original_piece JOIN transfer ON transfer.id = original_id WHERE instrument_id = ?")
                        .param(UUID.fromString(instrument))
                        .query(Long.class)
                        .single()
                > 0);
        field.close();
        assertSays(caller.awaitJob(job));
        assertThat(stored()).isZero();
        assertSays(field.readBack(caller, instrument));
        wire.close();
        field = new FieldDay(Fieldsim.Kind.VIBRATION, serial, memory);
        wire = new Relay(field.instrumentPort());
        caller.post("/api/connections", Map.of("host", "127.0.0.1", "port", wire.port(), "passCode", "4711"))
                .ok();
        assertThat(field.readBack(caller, instrument).get("sentence").asString())
                .startsWith("4 new readings.");
        assertThat(stored()).isEqualTo(4);
    }

    private static void await(Callable<Boolean> happened) {
        long until = System.nanoTime() + 20_000_000_000L;
        try {
            while (!happened.call()) {
                assertThat(System.nanoTime()).isLessThan(until);
            }
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void twoBrowsersAtTheSameInstrumentTakeItsReadingsOnce() throws Exception {
        field.load(caller, instrument, route);
        field.press("/api/walk-all", Map.of());
        List<String> ends = new java.util.ArrayList<>();
        for (JsonNode job : Crowd.together(2, browser -> () -> field.readBack(Caller.signedIn(rovek), instrument))) {
            ends.add(job.get("state").asString());
            if (!job.get("state").asString().equals("DONE")) {
                assertThat(job.get("sentence").asString())
                        .contains("is in use: reading back for")
                        .contains("Wait until that has ended");
            }
        }
        assertThat(ends).contains("DONE");
        assertThat(stored()).isEqualTo(4);
    }

    private void layOnTheInstrument(String name, byte[] bytes) throws IOException {
        Files.createDirectories(memory.resolve("RESULTS"));
        Files.write(memory.resolve("RESULTS").resolve(name), bytes);
    }

    private static byte[] zip(int entries, String name, int size) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < entries; i++) {
                zip.putNextEntry(new ZipEntry(entries == 1 ? name : name + i));
                zip.write(new byte[size]);
            }
        }
        return out.toByteArray();
    }

    @Test
    void aHostileFileKeepsNobodyFromTheOthers() throws IOException {
        Map<String, byte[]> hostile = Map.of(
                "far more than its size", zip(1, "bomb", 256 << 20),
                "points outside", zip(1, "../../etc/passwd", 10),
                "more than", zip(100_000, "e", 0),
                "newer than this Rovek knows", future(),
                "is not a ZIP file", "not a zip at all".getBytes(StandardCharsets.UTF_8));
        field.load(caller, instrument, route);
        field.press("/api/walk-all", Map.of());
        int number = 7000;
        for (byte[] bytes : hostile.values()) {
            layOnTheInstrument("W%d.zip".formatted(number++), bytes);
        }
        Map<String, ByteBuffer> held = onTheInstrument();
        JsonNode job = field.readBack(caller, instrument);
        assertThat(job.get("state").asString()).isEqualTo("FAILED");
        assertThat(job.get("sentence").asString())
                .startsWith("4 new readings")
                .contains(hostile.keySet())
                .contains("stored as an original but not imported");
        assertThat(stored()).isEqualTo(4);
        assertThat(onTheInstrument()).isEqualTo(held);
        for (byte[] bytes : hostile.values()) {
            Caller.Answer refused = caller.sendFile("/api/originals", "hostile.zip", bytes);
            assertThat(refused.status()).isEqualTo(422);
            assertThat(hostile.keySet())
                    .anySatisfy(sentence -> assertThat(refused.sentence()).contains(sentence));
        }
        assertThat(caller.post(
                                "/api/instruments/" + instrument + "/clear",
                                Map.of("files", List.of("RESULTS/W7000.zip")))
                        .ok()
                        .get("stays")
                        .get(0)
                        .get("why")
                        .asString())
                .as("kept but not taken: left on the instrument")
                .contains("its readings could not be read");
    }

    private static byte[] future() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("manifest.json"));
            zip.write("{\"format\":\"rovek-field-package\",\"version\":\"7.0\"}".getBytes(StandardCharsets.UTF_8));
        }
        return out.toByteArray();
    }
}
