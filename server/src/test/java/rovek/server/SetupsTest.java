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

@ExtendWith(SharedRovek.class)
class SetupsTest {

    private static final Map<String, String> LEVEL = Map.of("name", "Tank level", "unit", "m", "low", "0", "high", "6");

    private final Caller caller;

    SetupsTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
    }

    private static Map<String, Object> draft(
            String name, Map<String, String> values, List<Map<String, String>> rows, int version) {
        return new HashMap<>(
                Map.of("name", name, "form", "logger", "values", values, "rows", rows, "version", version));
    }

    private Caller.Answer put(String id, Map<String, Object> draft) {
        return caller.put("/api/setups/" + id, draft);
    }

    @Test
    void aSetUpHasAnotherRevisionWhenItSaysSomethingElseAndKeepsTheEarlierOnes() {
        String id = UUID.randomUUID().toString();
        JsonNode first = put(id, draft("Over night", Map.of("intervalSeconds", "30"), List.of(LEVEL), 0))
                .ok();
        assertThat(first.get("revision").asInt()).isEqualTo(1);
        JsonNode renamed = put(
                        id,
                        draft(
                                "Over the weekend",
                                Map.of("intervalSeconds", "30"),
                                List.of(LEVEL),
                                first.get("version").asInt()))
                .ok();
        assertThat(renamed.get("revision").asInt()).isEqualTo(1);
        JsonNode slower = put(
                        id,
                        draft(
                                "Over the weekend",
                                Map.of("intervalSeconds", "300"),
                                List.of(LEVEL),
                                renamed.get("version").asInt()))
                .ok();
        assertThat(slower.get("revision").asInt()).isEqualTo(2);
        assertThat(slower.get("says").asString()).startsWith("1 channel every 300 s");
        JsonNode revisions = caller.get("/api/setups/" + id + "/revisions").ok();
        assertThat(revisions).hasSize(2);
        assertThat(revisions.get(1).get("values").get("intervalSeconds").asString())
                .isEqualTo("30");
        assertThat(put(
                                id,
                                draft(
                                        "Late",
                                        Map.of(),
                                        List.of(LEVEL),
                                        first.get("version").asInt()))
                        .status())
                .isEqualTo(409);
        caller.delete("/api/setups/" + id);
        assertThat(caller.get("/api/setups").text()).doesNotContain(id);
        caller.post("/api/setups/" + id + "/bring-back", null);
        assertThat(caller.get("/api/setups").text()).contains(id);
    }

    @Test
    void everythingWrongIsToldAtOnceByItsField() {
        Caller.Answer answer = put(
                UUID.randomUUID().toString(),
                draft(
                        " ",
                        Map.of("intervalSeconds", "-1", "start", "at a time"),
                        List.of(LEVEL, Map.of("name", "B", "low", "x")),
                        0));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.body()
                        .get("faults")
                        .valueStream()
                        .map(fault -> fault.get("field").asString())
                        .toList())
                .containsExactly("name", "intervalSeconds", "startAt", "rows.1.low");
    }

    @Test
    void aLoggerTakesItAndSaysWhatItHoldsAndAnotherInstrumentDoesNot(@TempDir Path memory) {
        String id = UUID.randomUUID().toString();
        Map<String, String> aDay = Map.of("intervalSeconds", "60", "stop", "after a time", "stopAfterMinutes", "1440");
        put(id, draft("Reservoir", aDay, List.of(LEVEL, Map.of("name", "Water", "input", "Pt100")), 0))
                .ok();
        try (FieldDay logger = new FieldDay(Fieldsim.Kind.LOGGER, "51777", memory.resolve("1"));
                FieldDay handheld = new FieldDay(Fieldsim.Kind.VIBRATION, "30777", memory.resolve("2"))) {
            String instrument = logger.connect(caller);
            assertThat(caller.get("/api/instruments/" + instrument + "/setup-fit?setupId=" + id)
                            .ok()
                            .get("obstacles"))
                    .isEmpty();
            JsonNode job =
                    caller.awaitJob(caller.post("/api/instruments/" + instrument + "/load-setup", Map.of("setupId", id))
                            .ok());
            assertThat(job.get("state").asString()).as(job.toString()).isEqualTo("DONE");
            JsonNode panel = logger.press("/api/battery", Map.of("percent", 66)).get("setup");
            assertThat(panel.get("name").asString()).isEqualTo("Reservoir (1)");
            assertThat(panel.get("says").asString()).isEqualTo("60, at once, after a time, 1440");
            JsonNode file = caller.get("/api/instruments/" + instrument + "/connection")
                    .ok()
                    .get("files")
                    .get(0);
            assertThat(file.get("kind").asString()).isEqualTo("SETUP");
            assertThat(file.get("what").asString()).isEqualTo("Reservoir, revision 1");
            assertThat(caller.get("/api/setups/" + id)
                            .ok()
                            .get("loaded")
                            .get(0)
                            .get("revision")
                            .asInt())
                    .isEqualTo(1);

            JsonNode nothing = logger.readBack(caller, instrument);
            assertThat(nothing.get("sentence").asString())
                    .as("a set-up is no reading")
                    .isEqualTo("The instrument holds no readings.");

            String other = handheld.connect(caller);
            JsonNode refused =
                    caller.awaitJob(caller.post("/api/instruments/" + other + "/load-setup", Map.of("setupId", id))
                            .ok());
            assertThat(refused.get("state").asString()).isEqualTo("FAILED");
            assertThat(refused.get("sentence").asString())
                    .isEqualTo("The set-up was not loaded. It cannot be set up this way: Data logger.");
        }
    }

    @Test
    void aRunThatDoesNotFitTheMemoryIsRefusedBeforeAnythingIsWritten(@TempDir Path memory) {
        String id = UUID.randomUUID().toString();
        put(
                        id,
                        draft(
                                "Too long",
                                Map.of(
                                        "intervalSeconds",
                                        "0.1",
                                        "stop",
                                        "after a number of samples",
                                        "stopAfterSamples",
                                        "9000000"),
                                List.of(LEVEL),
                                0))
                .ok();
        try (FieldDay logger = new FieldDay(Fieldsim.Kind.LOGGER, "51778", memory)) {
            String instrument = logger.connect(caller);
            assertThat(caller.get("/api/instruments/" + instrument + "/setup-fit?setupId=" + id)
                            .ok()
                            .get("obstacles")
                            .get(0)
                            .asString())
                    .contains("108.0 MB")
                    .contains("record less");
            logger.press("/api/faults", Map.of("memoryFull", true));
            JsonNode job =
                    caller.awaitJob(caller.post("/api/instruments/" + instrument + "/load-setup", Map.of("setupId", id))
                            .ok());
            assertThat(job.get("state").asString()).isEqualTo("FAILED");
        }
    }
}
