package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(OneRovek.class)
class RoutesTest {

    private final Caller caller;
    private final SmallPlant plant;

    RoutesTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    private Caller.Answer put(String id, String name, List<String> checks, int version) {
        return caller.put("/api/routes/" + id, Map.of("name", name, "checkIds", checks, "version", version));
    }

    private static List<String> order(JsonNode route) {
        return route.get("stops").valueStream().map(stop -> stop.get("checkId").asString()).toList();
    }

    @Test
    void stopsKeepTheOrderTheyWereGivenAndNoneIsThereTwice() {
        List<String> checks = plant.pump("P-1");
        String id = UUID.randomUUID().toString();
        List<String> backwards = List.of(checks.get(3), checks.get(1), checks.get(3), checks.get(0));
        JsonNode route = put(id, "Backwards", backwards, 0).ok();
        assertThat(order(route)).containsExactly(checks.get(3), checks.get(1), checks.get(0));
        JsonNode again = put(id, "Forwards", checks, route.get("version").asInt()).ok();
        assertThat(order(caller.get("/api/routes/" + id).ok())).isEqualTo(checks);
        assertThat(again.get("version").asInt()).isGreaterThan(route.get("version").asInt());
    }

    @Test
    void itSaysWhatOneWalkNeeds() {
        JsonNode route = put(UUID.randomUUID().toString(), "Needs", plant.pump("P-2"), 0).ok();
        assertThat(route.get("memoryBytes").asLong()).as("four waveforms of 16,384 floats and what goes with them").isBetween(4 * 65_536L, 4 * 65_536L + 20_000);
        assertThat(route.get("minutes").asDouble()).as("four times 45 s and 0.64 s").isBetween(3.0, 3.1);
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
        assertThat(put(UUID.randomUUID().toString(), " ", plant.pump("P-5"), 0).sentence()).contains("A route has a name");
        Caller.Answer gone = put(UUID.randomUUID().toString(), "Ghost", List.of(UUID.randomUUID().toString()), 0);
        assertThat(gone.status()).isEqualTo(404);
    }

    @Test
    void aRouteHasAnotherRevisionWhenItsStopsChangeAndOnlyThen() {
        List<String> checks = plant.pump("P-6");
        String id = UUID.randomUUID().toString();
        JsonNode route = put(id, "Revisions", checks, 0).ok();
        assertThat(route.get("revision").asInt()).isEqualTo(1);
        JsonNode renamed = put(id, "Renamed", checks, route.get("version").asInt()).ok();
        assertThat(renamed.get("revision").asInt()).isEqualTo(1);
        Map<String, Object> draft = new HashMap<>(Map.of("name", "Renamed", "checkIds", checks, "version", renamed.get("version").asInt()));
        draft.put("instructions", Map.of(checks.get(0), "Mind the belt guard"));
        JsonNode explained = caller.put("/api/routes/" + id, draft).ok();
        assertThat(explained.get("revision").asInt()).isEqualTo(2);
        assertThat(explained.get("stops").get(0).get("instruction").asString()).isEqualTo("Mind the belt guard");
        JsonNode shorter = put(id, "Renamed", checks.subList(0, 2), explained.get("version").asInt()).ok();
        assertThat(shorter.get("stops").get(0).get("instruction").asString()).as("kept where nothing is said of it").isEqualTo("Mind the belt guard");
    }

    @Test
    void aRouteIsDueFromItsFirstDayOnAndStandsInTheCalendar() {
        String id = UUID.randomUUID().toString();
        String yesterday = LocalDate.now(ZoneOffset.UTC).minusDays(1).toString();
        caller.put("/api/routes/" + id, Map.of(
                "name", "Weekly walk", "checkIds", plant.pump("P-7"), "everyDays", 7, "firstDue", yesterday,
                "assignedTo", RunningRovek.ADMINISTRATOR, "version", 0)).ok();
        JsonNode scheduled = caller.get("/api/schedule").ok().get("routes").valueStream()
                .filter(route -> route.get("routeId").asString().equals(id)).findFirst().orElseThrow();
        assertThat(scheduled.get("daysLate").asInt()).isEqualTo(1);
        assertThat(scheduled.get("isMine").asBoolean()).isTrue();
        assertThat(scheduled.get("isMeasured").asBoolean()).as("never walked: usual times").isFalse();
        assertThat(scheduled.get("dates")).as("overdue it falls on today, then every week").hasSize(6);
        JsonNode today = caller.get("/api/today").ok().get("items");
        assertThat(today.valueStream().anyMatch(item -> item.get("kind").asString().equals("ROUTE_OVERDUE") && item.get("subjectId").asString().equals(id))).isTrue();
        assertThat(caller.put("/api/routes/" + UUID.randomUUID(), Map.of("name", "Never", "checkIds", List.of(), "everyDays", 0, "version", 0)).sentence())
                .contains("every 1 to 3660 days");
    }

    @Test
    void aRouteIsSplitOnceHoweverOftenItIsAskedAndNothingIsLost() {
        List<String> checks = plant.pump("P-8");
        String id = plant.route(checks);
        JsonNode route = caller.get("/api/routes/" + id).ok();
        Map<String, Object> split = Map.of(
                "firstChecks", checks.subList(0, 3), "newId", UUID.randomUUID().toString(), "version", route.get("version").asInt());
        JsonNode halves = caller.post("/api/routes/" + id + "/split", split).ok();
        assertThat(order(halves.get("first"))).isEqualTo(checks.subList(0, 3));
        assertThat(order(halves.get("second"))).isEqualTo(checks.subList(3, 4));
        JsonNode again = caller.post("/api/routes/" + id + "/split", split).ok();
        assertThat(order(again.get("second"))).isEqualTo(checks.subList(3, 4));
        assertThat(caller.post("/api/routes/" + id + "/split", Map.of("firstChecks", checks, "newId", UUID.randomUUID().toString(), "version", 1)).sentence())
                .isEqualTo("Both halves of a route need a stop.");
    }
}
