package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import rovek.fieldsim.Fieldsim;
import tools.jackson.databind.JsonNode;

/**
 * Captures of every technique are read back, kept, looked at and placed; a number is judged, the rest is never green.
 */
@ExtendWith(OneRovek.class)
class CapturesTest {

    @TempDir
    Path memory;

    private final Caller caller;
    private final SmallPlant plant;

    CapturesTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    /** Measures everything an instrument of a kind can, reads it back and returns the tray by technique. */
    private Map<String, JsonNode> measuredWith(Fieldsim.Kind kind, List<String> techniques) {
        String instrument;
        try (FieldDay field = new FieldDay(kind, UUID.randomUUID().toString(), memory.resolve(kind.name()))) {
            instrument = field.connect(caller);
            techniques.forEach(technique -> field.press(
                    "/api/loose",
                    Map.of("technique", technique, "assetTag", "X-1", "point", "somewhere", "unnamed", true)));
            JsonNode done = field.readBack(caller, instrument);
            assertThat(done.get("sentence").asString()).startsWith("%d new reading".formatted(techniques.size()));
            List<JsonNode> files = caller.get("/api/instruments/" + instrument + "/connection")
                    .ok()
                    .get("files")
                    .valueStream()
                    .toList();
            assertThat(files)
                    .hasSize(techniques.size())
                    .allSatisfy(file -> assertThat(file.get("state").asString()).isEqualTo("STORED"));
            assertThat(field.readBack(caller, instrument).get("sentence").asString())
                    .startsWith("0 new readings");
        }
        Map<String, JsonNode> tray = new HashMap<>();
        visitWith(instrument)
                .get("tray")
                .forEach(reading -> tray.put(reading.get("technique").asString(), reading));
        assertThat(tray.keySet()).containsExactlyInAnyOrderElementsOf(techniques);
        return tray;
    }

    /** Others visit at the same time: the newest visit need not be this one. */
    private JsonNode visitWith(String instrument) {
        return caller.get("/api/visits")
                .ok()
                .valueStream()
                .map(line ->
                        caller.get("/api/visits/" + line.get("id").asString()).ok())
                .filter(sheet -> sheet.get("instrument").get("id").asString().equals(instrument))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode capture(JsonNode reading) {
        return caller.get("/api/readings/" + reading.get("id").asString() + "/capture")
                .ok();
    }

    @Test
    void whatALoggerKeepsIsSeenAsItWasTaken() {
        Map<String, JsonNode> tray = measuredWith(Fieldsim.Kind.LOGGER, List.of("run", "screen", "codes"));
        JsonNode run = capture(tray.get("run"));
        assertThat(run.get("kind").asString()).isEqualTo("table");
        assertThat(run.get("isRun").asBoolean()).isTrue();
        assertThat(run.get("headings").get(0).asString()).isEqualTo("time, s");
        assertThat(run.get("markers").get(0).asString()).contains("pump changed over");
        JsonNode drawn = caller.get("/api/readings/" + tray.get("run").get("id").asString() + "/run")
                .ok();
        assertThat(drawn.get("channels")).hasSize(2);
        assertThat(drawn.get("seconds").size()).isEqualTo(run.get("allRows").asInt());
        assertThat(capture(tray.get("codes")).get("rows").get(0).get(0).asString())
                .startsWith("controller");
        Caller.Answer picture =
                caller.get("/api/readings/" + tray.get("screen").get("id").asString() + "/picture");
        assertThat(picture.status()).isEqualTo(200);
        assertThat(picture.bytes()).startsWith(0x89, 'P', 'N', 'G');
        assertThat(caller.get("/api/readings/" + tray.get("codes").get("id").asString() + "/picture")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void aLeakBringsItsPhotoAlong() {
        JsonNode leak = measuredWith(Fieldsim.Kind.LEAK, List.of("leak")).get("leak");
        assertThat(capture(leak).get("photos").asInt()).isEqualTo(1);
        Caller.Answer photo = caller.get("/api/readings/" + leak.get("id").asString() + "/photos/1");
        assertThat(photo.bytes()).startsWith(0xFF, 0xD8, 0xFF);
        assertThat(caller.get("/api/readings/" + leak.get("id").asString() + "/photos/2")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void cellsAndLoopsComeWithEveryRow() {
        assertThat(capture(measuredWith(Fieldsim.Kind.CELLS, List.of("battery")).get("battery"))
                        .get("rows"))
                .hasSize(48);
        Map<String, JsonNode> loop = measuredWith(Fieldsim.Kind.LOOP, List.of("loop", "sheet"));
        assertThat(capture(loop.get("loop")).get("headings").get(2).asString()).isEqualTo("as found, mA");
        assertThat(capture(loop.get("sheet")).get("rows").get(0).get(1).asString())
                .isEqualTo("X-1");
    }

    @Test
    void aReadingGoesToACheckOfItsTechniqueAndOnlyANumberIsJudged() {
        Map<String, JsonNode> tray = measuredWith(Fieldsim.Kind.LOOP, List.of("loop", "gauge"));
        String client = plant.id(null, "CLIENT", "", "Client of captures");
        String asset = plant.id(client, "ASSET", "PT-" + UUID.randomUUID(), "Transmitter");
        String point = plant.id(asset, "POINT", "", "Outlet");
        String loopCheck = plant.check(point, "loop", "Loop calibration");
        String gaugeCheck = plant.check(point, "gauge", "Pressure");
        String loop = tray.get("loop").get("id").asString();
        String gauge = tray.get("gauge").get("id").asString();
        assertThat(caller.post("/api/readings/" + loop + "/place", Map.of("checkId", gaugeCheck))
                        .status())
                .isEqualTo(409);
        caller.post("/api/readings/" + loop + "/place", Map.of("checkId", loopCheck))
                .ok();
        caller.post("/api/readings/" + gauge + "/place", Map.of("checkId", gaugeCheck))
                .ok();
        caller.limit(gaugeCheck, "gauge", "pressure", null, 1.0).ok();
        JsonNode sheet = caller.get("/api/visits/"
                        + caller.get("/api/visits").ok().get(0).get("id").asString())
                .ok();
        Map<String, JsonNode> rows = new HashMap<>();
        sheet.get("rows").forEach(row -> rows.put(row.get("checkId").asString(), row));
        assertThat(rows.get(loopCheck).get("verdict").asString()).isEqualTo("NOT_JUDGED");
        assertThat(rows.get(loopCheck).get("reason").asString()).isEqualTo("kept as taken, not judged");
        assertThat(rows.get(loopCheck).get("value").isNull()).isTrue();
        assertThat(rows.get(gaugeCheck).get("verdict").asString()).isEqualTo("FAIL");
        assertThat(rows.get(gaugeCheck).get("unit").asString()).isEqualTo("bar");
        JsonNode lines = caller.get("/api/nodes/" + asset + "/sheet").ok().get("checks");
        assertThat(lines).hasSize(2);
        assertThat(caller.get("/api/checks/" + loopCheck + "/trend").status())
                .as("nothing to follow is said, not a fault")
                .isEqualTo(422);
        assertThat(caller.get("/api/today").status()).isEqualTo(200);
    }
}
