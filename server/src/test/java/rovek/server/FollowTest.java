package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** How things stand and how they went, after three walks of one pump whose bearing wears. */
@ExtendWith(OneRovek.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class FollowTest {

    /** The stand-in's machines wear from a year before it is first switched on. */
    private static final List<String> DAYS = Stream.of(300, 150, 10)
            .map(days -> Instant.now()
                    .truncatedTo(ChronoUnit.DAYS)
                    .minus(Duration.ofDays(days))
                    .toString())
            .toList();

    private final Caller caller;
    private final List<String> checks;

    FollowTest(RunningRovek rovek, @TempDir Path memory) {
        this.caller = Caller.signedIn(rovek);
        SmallPlant plant = new SmallPlant(caller);
        this.checks = plant.pump("P-102");
        limit(1, "acceleration.rms", 3, 6);
        limit(2, "velocity.rms", 2.8, 4.5);
        try (FieldDay field = new FieldDay(memory)) {
            String instrument = field.connect(caller);
            String route = plant.route(checks);
            for (String day : DAYS) {
                field.press("/api/time", Map.of("at", day));
                field.loadOnThatDay(caller, instrument, route);
                field.press("/api/walk-all", Map.of());
                caller.awaitJob(caller.post(
                                "/api/instruments/" + instrument + "/read-back",
                                Map.of("files", List.of(), "correctClock", false))
                        .ok());
            }
        }
    }

    private void limit(int check, String result, double watch, double fail) {
        caller.limit(checks.get(check), "vibration", result, watch, fail).ok();
    }

    private JsonNode node(String tag) {
        JsonNode found = null;
        for (JsonNode node : caller.get("/api/plant").ok()) {
            found = node.get("tag").asString().equals(tag) ? node : found;
        }
        return found;
    }

    private JsonNode standing(String nodeId) {
        return new SmallPlant(caller).standing(nodeId);
    }

    private JsonNode line(int check) {
        String asset = node("P-102").get("id").asString();
        return StreamSupport.stream(
                        caller.get("/api/nodes/" + asset + "/sheet")
                                .ok()
                                .get("checks")
                                .spliterator(),
                        false)
                .filter(candidate -> candidate.get("checkId").asString().equals(checks.get(check)))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode trend(int check, String result) {
        return caller.get("/api/checks/" + checks.get(check) + "/trend?result=" + result)
                .ok();
    }

    @Test
    void theWorstVerdictGoesUpThePlantAndWhatWasNotJudgedStandsBesideIt() {
        JsonNode asset = node("P-102");
        JsonNode own = standing(asset.get("id").asString());
        assertThat(own.get("worst").asString()).isEqualTo("FAIL");
        assertThat(own.get("fail").asInt()).isEqualTo(1);
        assertThat(own.get("pass").asInt()).isEqualTo(1);
        assertThat(own.get("notJudged").asInt()).isEqualTo(2);
        assertThat(own.get("readAt").asString()).startsWith(DAYS.get(2).substring(0, 10));
        JsonNode above = standing(asset.get("parentId").asString());
        assertThat(above.get("worst").asString()).isEqualTo("FAIL");
        assertThat(above.get("sparkFail").asDouble())
                .as("the spark is that of the worst check")
                .isEqualTo(6);
        assertThat(above.get("spark")).hasSize(3);
    }

    @Test
    void aTrendRunsFromTheOldestWithTheVerdictsOfTodaysLimits() {
        JsonNode points = trend(1, "acceleration.rms").get("points");
        assertThat(points).hasSize(3);
        assertThat(points.get(0).get("at").asString())
                .isLessThan(points.get(1).get("at").asString());
        assertThat(points.get(0).get("verdict").asString()).isEqualTo("PASS");
        assertThat(points.get(2).get("verdict").asString()).isEqualTo("FAIL");
        limit(1, "acceleration.rms", 0.5, 1);
        assertThat(trend(1, "acceleration.rms")
                        .get("points")
                        .get(0)
                        .get("verdict")
                        .asString())
                .isEqualTo("FAIL");
        limit(1, "acceleration.rms", 3, 6);
        JsonNode peak = trend(1, "acceleration.peak");
        assertThat(peak.get("points").get(2).get("value").asDouble())
                .isGreaterThan(points.get(2).get("value").asDouble());
        assertThat(peak.get("points").get(2).get("reason").asString()).isEqualTo("no limit is set");
    }

    @Test
    void theSheetComparesWithLastTime() {
        JsonNode points = trend(1, "acceleration.rms").get("points");
        JsonNode line = line(1);
        double change = points.get(2).get("value").asDouble()
                - points.get(1).get("value").asDouble();
        assertThat(line.get("change").asDouble()).isCloseTo(change, within(1e-12));
        JsonNode results = caller.get("/api/readings/" + line.get("readingId").asString() + "/results")
                .ok();
        assertThat(results.get(1).get("name").asString())
                .as("beside the one that leads")
                .isEqualTo("acceleration peak");
        JsonNode visit = caller.get("/api/visits/"
                        + caller.get("/api/visits").ok().get(0).get("id").asString())
                .ok();
        assertThat(visit.get("rows").get(1).get("change").asDouble()).isCloseTo(change, within(1e-12));
    }

    @Test
    void aDiscardedReadingCountsNoMoreUntilItIsTakenBack() {
        String newest = line(1).get("readingId").asString();
        caller.post("/api/readings/" + newest + "/discard", Map.of("reason", "sensor fell off"))
                .ok();
        assertThat(trend(1, "acceleration.rms").get("points")).hasSize(2);
        assertThat(line(1).get("readAt").asString()).startsWith(DAYS.get(1).substring(0, 10));
        JsonNode visit = caller.get("/api/visits/"
                        + caller.get("/api/visits").ok().get(0).get("id").asString())
                .ok();
        assertThat(visit.get("rows").get(1).get("reason").asString()).isEqualTo("discarded: sensor fell off");
        caller.post("/api/readings/" + newest + "/restore", Map.of()).ok();
        assertThat(trend(1, "acceleration.rms").get("points")).hasSize(3);
    }

    @Test
    void aReadingTakenOffItsCheckLiesInTheTray() {
        String newest = line(3).get("readingId").asString();
        caller.post("/api/readings/" + newest + "/place", java.util.Collections.singletonMap("checkId", null))
                .ok();
        assertThat(trend(3, "acceleration.rms").get("points")).hasSize(2);
        String visit = caller.get("/api/visits").ok().get(0).get("id").asString();
        assertThat(caller.get("/api/visits/" + visit).ok().get("tray")).hasSize(1);
        caller.post("/api/readings/" + newest + "/place", Map.of("checkId", checks.get(3)))
                .ok();
        assertThat(trend(3, "acceleration.rms").get("points")).hasSize(3);
    }

    @Test
    void todayNamesTheFailAndWhatIsNotJudged() {
        JsonNode items = caller.get("/api/today").ok().get("items");
        List<String> kinds = StreamSupport.stream(items.spliterator(), false)
                .filter(item -> item.get("tag").asString().equals("P-102"))
                .map(item -> item.get("kind").asString())
                .distinct()
                .toList();
        assertThat(kinds).containsExactly("FAIL", "WITHOUT_LIMIT");
    }

    @Test
    void whatIsNotThereIsSaidNotToBeThere() {
        assertThat(caller.get("/api/nodes/00000000-0000-0000-0000-000000000000/sheet")
                        .status())
                .isEqualTo(404);
        assertThat(caller.get("/api/nodes/not-an-id/sheet").sentence()).contains("could not be understood");
    }

    @Test
    void spectraOfAllVisitsStandOneBehindTheOther() {
        JsonNode waterfall = caller.get("/api/checks/" + checks.get(1) + "/waterfall?curve=envelope")
                .ok();
        assertThat(waterfall.get("rows")).hasSize(DAYS.size());
        assertThat(waterfall.get("unit").asString()).isEqualTo("m/s²");
        JsonNode oldest = waterfall.get("rows").get(0).get("values");
        JsonNode newest = waterfall.get("rows").get(DAYS.size() - 1).get("values");
        assertThat(largest(newest)).as("the bearing wears").isGreaterThan(2 * largest(oldest));
        assertThat(caller.get("/api/checks/" + checks.get(1) + "/waterfall?curve=Nothing")
                        .status())
                .isEqualTo(404);
    }

    private static double largest(JsonNode values) {
        return values.valueStream().mapToDouble(JsonNode::asDouble).max().orElseThrow();
    }
}
