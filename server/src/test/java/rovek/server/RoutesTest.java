package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import rovek.fieldsim.Fieldsim;
import tools.jackson.databind.JsonNode;

@ExtendWith(OneRovek.class)
class RoutesTest {

    private final RunningRovek rovek;
    private final Caller caller;
    private final SmallPlant plant;

    RoutesTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    private Caller.Answer put(String id, String name, List<String> checks, int version) {
        return caller.put("/api/routes/" + id, Map.of("name", name, "checkIds", checks, "version", version));
    }

    private static List<String> order(JsonNode route) {
        return route.get("stops")
                .valueStream()
                .map(stop -> stop.get("checkId").asString())
                .toList();
    }

    @Test
    void stopsKeepTheOrderTheyWereGivenAndNoneIsThereTwice() {
        List<String> checks = plant.pump("P-1");
        String id = UUID.randomUUID().toString();
        List<String> backwards = List.of(checks.get(3), checks.get(1), checks.get(3), checks.get(0));
        JsonNode route = put(id, "Backwards", backwards, 0).ok();
        assertThat(order(route)).containsExactly(checks.get(3), checks.get(1), checks.get(0));
        JsonNode again =
                put(id, "Forwards", checks, route.get("version").asInt()).ok();
        assertThat(order(caller.get("/api/routes/" + id).ok())).isEqualTo(checks);
        assertThat(again.get("version").asInt())
                .isGreaterThan(route.get("version").asInt());
    }

    @Test
    void itSaysWhatOneWalkNeeds() {
        JsonNode route =
                put(UUID.randomUUID().toString(), "Needs", plant.pump("P-2"), 0).ok();
        assertThat(route.get("memoryBytes").asLong())
                .as("four waveforms of 16,384 floats and what goes with them")
                .isBetween(4 * 65_536L, 4 * 65_536L + 20_000);
        assertThat(route.get("minutes").asDouble())
                .as("four times 45 s and 0.64 s")
                .isBetween(3.0, 3.1);
    }

    @Test
    void twoPeopleAtOneRouteDoNotOverwriteEachOther() {
        List<String> checks = plant.pump("P-3");
        String id = UUID.randomUUID().toString();
        int version = put(id, "Shared", checks, 0).ok().get("version").asInt();
        put(id, "Mine", checks.subList(0, 2), version).ok();
        Caller.Answer late = put(id, "Yours", checks, version);
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.sentence()).contains("Nothing was overwritten");
        assertThat(caller.get("/api/routes/" + id).ok().get("name").asString()).isEqualTo("Mine");
    }

    @Test
    void checksRemovedFromThePlantAreCountedAndNotLoaded() {
        List<String> checks = plant.pump("P-4");
        String id = plant.route(checks);
        plant.remove(checks.get(0)).ok();
        JsonNode route = caller.get("/api/routes/" + id).ok();
        assertThat(route.get("gone").asInt()).isEqualTo(1);
        assertThat(order(route)).isEqualTo(checks.subList(1, 4));
    }

    @Test
    void aRouteNeedsANameAndChecksThatAreThere() {
        assertThat(put(UUID.randomUUID().toString(), " ", plant.pump("P-5"), 0).sentence())
                .contains("A route has a name");
        Caller.Answer gone = put(
                UUID.randomUUID().toString(), "Ghost", List.of(UUID.randomUUID().toString()), 0);
        assertThat(gone.status()).isEqualTo(404);
    }

    @Test
    void aRouteHasAnotherRevisionWhenItsStopsChangeAndOnlyThen() {
        List<String> checks = plant.pump("P-6");
        String id = UUID.randomUUID().toString();
        JsonNode route = put(id, "Revisions", checks, 0).ok();
        assertThat(route.get("revision").asInt()).isEqualTo(1);
        JsonNode renamed =
                put(id, "Renamed", checks, route.get("version").asInt()).ok();
        assertThat(renamed.get("revision").asInt()).isEqualTo(1);
        Map<String, Object> draft = new HashMap<>(Map.of(
                "name",
                "Renamed",
                "checkIds",
                checks,
                "version",
                renamed.get("version").asInt()));
        draft.put("instructions", Map.of(checks.get(0), "Mind the belt guard"));
        JsonNode explained = caller.put("/api/routes/" + id, draft).ok();
        assertThat(explained.get("revision").asInt()).isEqualTo(2);
        assertThat(explained.get("stops").get(0).get("instruction").asString()).isEqualTo("Mind the belt guard");
        JsonNode shorter = put(
                        id,
                        "Renamed",
                        checks.subList(0, 2),
                        explained.get("version").asInt())
                .ok();
        assertThat(shorter.get("stops").get(0).get("instruction").asString())
                .as("kept where nothing is said of it")
                .isEqualTo("Mind the belt guard");
    }

    @Test
    void aRouteIsDueFromItsFirstDayOnAndStandsInTheCalendar() {
        String id = UUID.randomUUID().toString();
        String yesterday = LocalDate.now(ZoneOffset.UTC).minusDays(1).toString();
        caller.put(
                        "/api/routes/" + id,
                        Map.of(
                                "name",
                                "Weekly walk",
                                "checkIds",
                                plant.pump("P-7"),
                                "everyDays",
                                7,
                                "firstDue",
                                yesterday,
                                "assignedTo",
                                RunningRovek.ADMINISTRATOR,
                                "version",
                                0))
                .ok();
        JsonNode scheduled = caller.get("/api/schedule")
                .ok()
                .get("routes")
                .valueStream()
                .filter(route -> route.get("routeId").asString().equals(id))
                .findFirst()
                .orElseThrow();
        assertThat(scheduled.get("daysLate").asInt()).isEqualTo(1);
        assertThat(scheduled.get("isMine").asBoolean()).isTrue();
        assertThat(scheduled.get("isMeasured").asBoolean())
                .as("never walked: usual times")
                .isFalse();
        assertThat(scheduled.get("dates"))
                .as("overdue it falls on today, then every week")
                .hasSize(6);
        JsonNode today = caller.get("/api/today").ok().get("items");
        assertThat(today.valueStream()
                        .anyMatch(item -> item.get("kind").asString().equals("ROUTE_OVERDUE")
                                && item.get("subjectId").asString().equals(id)))
                .isTrue();
        assertThat(caller.put(
                                "/api/routes/" + UUID.randomUUID(),
                                Map.of("name", "Never", "checkIds", List.of(), "everyDays", 0, "version", 0))
                        .sentence())
                .contains("1 to 3,660 days");
    }

    /** The time of a stop is the median of what lies between two readings; half an hour or more is a break. */
    @Test
    void aBreakOfHalfAnHourIsNoPartOfAWalksTime(@TempDir Path memory) {
        List<String> checks = plant.pump("P-29");
        String id = plant.route(checks);
        try (FieldDay day = new FieldDay(memory)) {
            String instrument = day.connect(caller);
            day.load(caller, instrument, id);
            day.press("/api/walk-all", Map.of());
            day.readBack(caller, instrument);
        }
        JdbcClient db = rovek.bean(JdbcClient.class);
        // 60 s, then 1,800 s, then 1,799 s: without the break the median is that of 60 and 1,799.
        int[] at = {0, 60, 1_860, 3_659};
        for (int i = 0; i < 4; i++) {
            db.sql("UPDATE reading SET taken_at = date_trunc('hour', now()) - interval '5 hours' + ? * "
                            + "interval '1 second' WHERE check_id = ?::uuid")
                    .params(at[i], checks.get(i))
                    .update();
        }
        JsonNode scheduled = caller.get("/api/schedule")
                .ok()
                .get("routes")
                .valueStream()
                .filter(route -> route.get("routeId").asString().equals(id))
                .findFirst()
                .orElseThrow();
        assertThat(scheduled.get("minutes").asDouble()).isEqualTo((60 + 1_799) / 2.0 * 4 / 60);
    }

    @Test
    void theShortestWalkComesToEachAssetOnceAndKeepsTheOrderOfTheAreas() {
        List<String> north = plant.pump("P-91");
        List<String> south = plant.pump("P-92");
        List<String> mixed = List.of(north.get(2), south.get(0), north.get(0), south.get(3));
        JsonNode walk = caller.post("/api/routes/shortest-walk", Map.of("checkIds", mixed, "areas", List.of()))
                .ok();
        assertThat(walk.get("checkIds").valueStream().map(JsonNode::asString).toList())
                .containsExactly(north.get(0), north.get(2), south.get(0), south.get(3));
        assertThat(walk.get("assetVisitsBefore").asInt()).isEqualTo(4);
        assertThat(walk.get("assetVisits").asInt()).isEqualTo(2);
        List<String> areas = walk.get("areas")
                .valueStream()
                .map(area -> area.get("id").asString())
                .toList();
        JsonNode turned = caller.post(
                        "/api/routes/shortest-walk",
                        Map.of("checkIds", mixed, "areas", List.of(areas.get(1), areas.get(0))))
                .ok();
        assertThat(turned.get("checkIds").valueStream().map(JsonNode::asString).toList())
                .containsExactly(south.get(0), south.get(3), north.get(0), north.get(2));
    }

    @Test
    void aRouteThatIsTakenOffTheListComesBack() {
        String id = plant.route(plant.pump("P-93"));
        assertThat(caller.delete("/api/routes/" + id).status()).isEqualTo(204);
        assertThat(caller.get("/api/routes").text()).doesNotContain(id);
        assertThat(caller.get("/api/schedule").text()).doesNotContain(id);
        assertThat(put(id, "Again", List.of(), 0).status())
                .as("nobody changes what is off the list")
                .isEqualTo(409);
        assertThat(caller.get("/api/routes/removed")
                        .ok()
                        .valueStream()
                        .map(route -> route.get("id").asString())
                        .toList())
                .contains(id);
        caller.post("/api/routes/" + id + "/bring-back", null);
        assertThat(caller.get("/api/routes").text()).contains(id);
    }

    @Test
    void skipReasonsGoAlongWithARouteAndAreChosenOnTheInstrument(@TempDir Path memory) {
        List<String> before = reasons(caller.get("/api/routes/skip-reasons").ok());
        List<String> wanted = List.of("Guard locked", " Guard locked ", "", "Too hot");
        assertThat(reasons(caller.put("/api/routes/skip-reasons", Map.of("reasons", wanted))
                        .ok()))
                .containsExactly("Guard locked", "Too hot");
        try (FieldDay day = new FieldDay(memory)) {
            List<String> checks = plant.pump("P-94");
            String instrument = day.connect(caller);
            day.load(caller, instrument, plant.route(checks));
            JsonNode state = day.press("/api/stops/" + checks.get(0) + "/skip", Map.of("note", "Too hot"));
            assertThat(state.get("skipReasons")
                            .valueStream()
                            .map(JsonNode::asString)
                            .toList())
                    .containsExactly("Guard locked", "Too hot");
            day.readBack(caller, instrument);
            String visit = caller.get("/api/visits").ok().get(0).get("id").asString();
            assertThat(caller.get("/api/visits/" + visit).ok().toString()).contains("Too hot");
        } finally {
            caller.put("/api/routes/skip-reasons", Map.of("reasons", before)).ok();
        }
        assertThat(caller.put("/api/routes/skip-reasons", Map.of("reasons", List.of("x".repeat(101))))
                        .status())
                .isEqualTo(422);
    }

    private static List<String> reasons(JsonNode answer) {
        return answer.get("reasons").valueStream().map(JsonNode::asString).toList();
    }

    @Test
    void twoInstrumentsShareARouteAndBothAreAsked(@TempDir Path memory) {
        try (FieldDay one = new FieldDay(Fieldsim.Kind.VIBRATION, "30501", memory.resolve("1"));
                FieldDay other = new FieldDay(Fieldsim.Kind.VIBRATION, "30502", memory.resolve("2"));
                FieldDay logger = new FieldDay(Fieldsim.Kind.LOGGER, "51999", memory.resolve("3"))) {
            List<String> checks = new ArrayList<>(plant.pump("P-95"));
            checks.addAll(plant.pump("P-96"));
            String route = plant.route(checks);
            String first = one.connect(caller);
            String share = "/api/instruments/" + first + "/share?routeId=" + route + "&with=";
            JsonNode halves = caller.get(share + other.connect(caller)).ok();
            assertThat(halves.get("firstChecks")
                            .valueStream()
                            .map(JsonNode::asString)
                            .toList())
                    .isEqualTo(checks.subList(0, 4));
            assertThat(halves.get("secondChecks")
                            .valueStream()
                            .map(JsonNode::asString)
                            .toList())
                    .isEqualTo(checks.subList(4, 8));
            JsonNode alone = caller.get(share + logger.connect(caller)).ok();
            assertThat(alone.get("secondChecks"))
                    .as("a logger measures no vibration")
                    .isEmpty();
            assertThat(caller.get(share + first).sentence()).contains("Choose another instrument");
        }
    }

    @Test
    void aRouteIsSplitOnceHoweverOftenItIsAskedAndNothingIsLost() {
        List<String> checks = plant.pump("P-8");
        String id = plant.route(checks);
        JsonNode route = caller.get("/api/routes/" + id).ok();
        Map<String, Object> split = Map.of(
                "firstChecks",
                checks.subList(0, 3),
                "newId",
                UUID.randomUUID().toString(),
                "version",
                route.get("version").asInt());
        JsonNode halves = caller.post("/api/routes/" + id + "/split", split).ok();
        assertThat(order(halves.get("first"))).isEqualTo(checks.subList(0, 3));
        assertThat(order(halves.get("second"))).isEqualTo(checks.subList(3, 4));
        JsonNode again = caller.post("/api/routes/" + id + "/split", split).ok();
        assertThat(order(again.get("second"))).isEqualTo(checks.subList(3, 4));
        assertThat(caller.post(
                                "/api/routes/" + id + "/split",
                                Map.of(
                                        "firstChecks",
                                        checks,
                                        "newId",
                                        UUID.randomUUID().toString(),
                                        "version",
                                        1))
                        .sentence())
                .isEqualTo("Both halves of a route need a stop.");
    }
}
