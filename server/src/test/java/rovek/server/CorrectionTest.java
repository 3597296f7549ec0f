package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/**
 * What was filed wrongly is corrected: place, time, visit, columns; each act whole, in the audit trail, and undone
 * whole.
 */
@ExtendWith(OneRovek.class)
class CorrectionTest extends CorrectedPlant {

    CorrectionTest(RunningRovek rovek) {
        super(rovek);
    }

    @Test
    void aVisitListsItsCorrectionsAndEachIsUndoneWhole() {
        String visit = walked();
        JsonNode before = sheet(visit);
        caller.post("/api/discards", Map.of("readingIds", readings(before).subList(0, 2), "reason", "sensor fell off"))
                .ok();
        caller.post("/api/visits/" + visit + "/move", move(clientOf(there.get(0)), List.of()))
                .ok();
        JsonNode corrections =
                caller.get("/api/visits/" + visit + "/corrections").ok();
        assertThat(corrections).hasSize(2);
        assertThat(corrections.get(0).get("sentence").asString()).startsWith("moved to Client of");
        assertThat(corrections.get(1).get("readings").asInt()).isEqualTo(2);
        assertThat(corrections.get(1).get("by").asString()).isEqualTo("administrator");
        assertThat(undo(corrections.get(1)).sentence())
                .as("what the later one changed too")
                .startsWith("What this changed was changed again since");
        undo(corrections.get(0)).ok();
        undo(corrections.get(1)).ok();
        assertThat(sheet(visit)).isEqualTo(before);
        JsonNode after = caller.get("/api/visits/" + visit + "/corrections").ok();
        assertThat(after).hasSize(4);
        assertThat(after.get(2).get("isUndone").asBoolean()).isTrue();
        assertThat(caller.get("/api/visits/" + UUID.randomUUID() + "/corrections")
                        .ok())
                .isEmpty();
    }

    @Test
    void aWholeVisitGoesToTheOtherClientAndBack() {
        String visit = walked();
        JsonNode before = sheet(visit);
        String other = clientOf(there.get(0));
        JsonNode plan = caller.post("/api/visits/" + visit + "/move-preview", move(other, List.of()))
                .ok();
        assertThat(plan.get("lines"))
                .hasSize(4)
                .allSatisfy(line -> assertThat(line.get("to").asString()).startsWith(tag));
        assertThat(sheet(visit)).as("a preview changes nothing").isEqualTo(before);
        JsonNode corrected = caller.post("/api/visits/" + visit + "/move", move(other, List.of()))
                .ok();
        assertThat(corrected.get("readings").asInt()).isEqualTo(4);
        assertThat(checks(sheet(visit))).as("the walk and its readings").isEqualTo(there);
        assertThat(caller.get("/api/checks/" + here.get(0) + "/trend").ok().get("points"))
                .isEmpty();
        assertThat(caller.get("/api/checks/" + there.get(0) + "/trend").ok().get("points"))
                .hasSize(1);
        JsonNode undone = undo(corrected).ok();
        assertThat(undone.get("sentence").asString()).startsWith("undone: moved to Client of");
        assertThat(sheet(visit)).isEqualTo(before);
        JsonNode again = undo(undone).ok();
        assertThat(again.get("sentence").asString()).startsWith("done again: moved to Client of");
        assertThat(checks(sheet(visit))).isEqualTo(there);
        assertThat(undo(again).ok().get("sentence").asString())
                .as("to and fro makes no longer names")
                .startsWith("undone: moved to Client of");
        assertThat(sheet(visit)).isEqualTo(before);
        assertThat(undo(corrected).sentence()).isEqualTo("This was undone already.");
    }

    @Test
    void whatHasNoCounterpartWaitsInTheTray() {
        String visit = walked();
        String bare = plant.id(plant.id(null, "CLIENT", "", "Client without pumps"), "SITE", "", "Yard");
        JsonNode plan = caller.post("/api/visits/" + visit + "/move-preview", move(bare, List.of()))
                .ok();
        assertThat(plan.get("loose").asInt()).isEqualTo(4);
        caller.post("/api/visits/" + visit + "/move", move(bare, List.of())).ok();
        assertThat(sheet(visit).get("tray")).hasSize(4);
        assertThat(sheet(visit).get("rows")).isEmpty();
        assertThat(caller.post("/api/visits/" + visit + "/move", move(here.get(0), List.of()))
                        .status())
                .as("a check is no target")
                .isEqualTo(422);
    }

    @Test
    void readingsArePartedIntoAVisitOfTheirOwnAndJoinedAgain() {
        String visit = walked();
        List<String> two = readings(sheet(visit)).subList(0, 2);
        Map<String, Object> apart = new HashMap<>(Map.of("readingIds", two));
        apart.put("visitId", null);
        caller.post("/api/visits/" + visit + "/move-readings", apart).ok();
        String parted = caller.get("/api/visits")
                .ok()
                .valueStream()
                .map(line -> line.get("id").asString())
                .filter(id -> !id.equals(visit))
                .findFirst()
                .orElseThrow();
        assertThat(readings(sheet(parted))).containsExactlyInAnyOrderElementsOf(two);
        assertThat(caller.post("/api/visits/" + visit + "/move-readings", Map.of("readingIds", two, "visitId", parted))
                        .status())
                .as("no longer of this visit")
                .isEqualTo(409);
        caller.post("/api/visits/" + parted + "/move-readings", Map.of("readingIds", two, "visitId", visit))
                .ok();
        assertThat(readings(sheet(visit))).containsAll(two);
    }

    @Test
    void oneKnownTimeMovesTheWholeVisitAndCanBeTakenBack() {
        Instant birth = Instant.parse("2000-01-01T06:00:00Z");
        field.press(
                "/api/clock-error",
                Map.of("seconds", Duration.between(Instant.now(), birth).toSeconds()));
        field.loadOnThatDay(caller, instrument, plant.route(here));
        field.press("/api/walk-all", Map.of());
        JsonNode done = caller.awaitJob(caller.post(
                        "/api/instruments/" + instrument + "/read-back",
                        Map.of("files", List.of(), "correctClock", false))
                .ok());
        assertThat(done.get("state").asString()).isEqualTo("DONE");
        String visit = caller.get("/api/visits")
                .ok()
                .valueStream()
                .filter(line -> line.get("beganAt").asString().startsWith("2000-01-01"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        JsonNode before = sheet(visit);
        assertThat(before.get("clockDoubt").asString()).contains("before the instrument was last calibrated");
        Instant truly = Instant.now().minus(1, ChronoUnit.HOURS).truncatedTo(ChronoUnit.SECONDS);
        JsonNode corrected = caller.post(
                        "/api/visits/" + visit + "/times",
                        Map.of(
                                "readingId",
                                before.get("newest").get("readingId").asString(),
                                "takenAt",
                                truly.toString()))
                .ok();
        JsonNode after = sheet(visit);
        assertThat(Instant.parse(after.get("newest").get("takenAt").asString())).isEqualTo(truly);
        assertThat(after.get("clockDoubt").asString()).isEmpty();
        assertThat(Duration.between(
                        Instant.parse(before.get("beganAt").asString()),
                        Instant.parse(before.get("newest").get("takenAt").asString())))
                .as("the others follow")
                .isEqualTo(Duration.between(Instant.parse(after.get("beganAt").asString()), truly));
        assertThat(caller.get("/api/checks/" + here.get(0) + "/trend")
                        .ok()
                        .get("points")
                        .get(0)
                        .get("at")
                        .asString())
                .startsWith(truly.toString().substring(0, 10));
        assertThat(undo(corrected).status()).isEqualTo(200);
        assertThat(sheet(visit)).isEqualTo(before);
        caller.post(
                        "/api/visits/" + visit + "/times",
                        Map.of(
                                "readingId",
                                before.get("newest").get("readingId").asString(),
                                "takenAt",
                                truly.toString()))
                .ok();
        caller.post("/api/visits/" + visit + "/times", Map.of()).ok();
        assertThat(sheet(visit).get("beganAt"))
                .as("as the instrument wrote them")
                .isEqualTo(before.get("beganAt"));
        assertThat(field.readBack(caller, instrument).get("sentence").asString())
                .as("corrected readings are known again")
                .startsWith("0 new readings");
    }

    @Test
    void aColumnIsFilledForManyAtOnce() {
        String visit = walked();
        List<String> all = readings(sheet(visit));
        assertThat(caller.post("/api/fillings", Map.of("readingIds", all, "column", "PRESSURE", "value", "six bar"))
                        .sentence())
                .contains("Pressure: enter a number");
        JsonNode corrected = caller.post(
                        "/api/fillings", Map.of("readingIds", all, "column", "PRESSURE", "value", " 6.2 "))
                .ok();
        assertThat(sheet(visit).get("rows"))
                .allSatisfy(row ->
                        assertThat(row.get("filled").get("PRESSURE").asString()).isEqualTo("6.2"));
        caller.post("/api/fillings", Map.of("readingIds", all.subList(0, 1), "column", "PRESSURE", "value", ""))
                .ok();
        assertThat(sheet(visit).get("rows").get(0).get("filled").has("PRESSURE"))
                .isFalse();
        assertThat(undo(corrected).sentence()).as("changed since").contains("changed again since");
        assertThat(sheet(visit).get("rows").get(1).get("filled").get("PRESSURE").asString())
                .isEqualTo("6.2");
    }

    @Test
    void accidentalReadingsArePointedOutDiscardedTogetherAndRestored() {
        field.press("/api/loose", Map.of("assetTag", "", "point", ""));
        field.press("/api/loose", Map.of("assetTag", tag, "point", "Drive end"));
        field.readBack(caller, instrument);
        String visit = caller.get("/api/visits").ok().get(0).get("id").asString();
        List<String> nothing = new ArrayList<>();
        sheet(visit).get("tray").forEach(reading -> {
            if (reading.get("isAccidental").asBoolean()) {
                nothing.add(reading.get("id").asString());
            }
        });
        assertThat(nothing).hasSize(1);
        JsonNode corrected = caller.post(
                        "/api/discards", Map.of("readingIds", nothing, "reason", "nothing was measured"))
                .ok();
        String trail = caller.get("/api/audit?subjectType=reading&subjectId=" + nothing.get(0))
                .ok()
                .toString();
        assertThat(trail).contains("nothing was measured");
        assertThat(undo(corrected).status()).isEqualTo(200);
        assertThat(sheet(visit).get("tray"))
                .noneSatisfy(reading ->
                        assertThat(reading.get("discardedBecause").isNull()).isFalse());
        assertThat(caller.post("/api/corrections/" + UUID.randomUUID() + "/undo", Collections.emptyMap())
                        .status())
                .isEqualTo(404);
    }

    @Test
    void aCheckIsMadeOnTheSpotFromAReading() {
        field.press(
                "/api/loose",
                Map.of(
                        "assetTag",
                        tag,
                        "point",
                        "Coupling",
                        "settings",
                        Map.of("lines", "1600", "measure", "velocity")));
        field.readBack(caller, instrument);
        String visit = caller.get("/api/visits").ok().get(0).get("id").asString();
        String reading = sheet(visit).get("tray").get(0).get("id").asString();
        String asset = caller.get("/api/outline/find?text=" + tag)
                .ok()
                .get(0)
                .get("id")
                .asString();
        String path = "/api/readings/" + reading + "/new-check";
        assertThat(caller.post(path, Map.of("nodeId", asset)).sentence()).isEqualTo("Enter the name of the point.");
        assertThat(caller.post(path, Map.of("nodeId", clientOf(here.get(0)), "point", "Coupling"))
                        .sentence())
                .startsWith("A check belongs to a point");
        JsonNode corrected =
                caller.post(path, Map.of("nodeId", asset, "point", "Coupling")).ok();
        JsonNode row = sheet(visit).get("rows").get(0);
        assertThat(row.get("point").asString()).isEqualTo("Coupling");
        assertThat(row.get("readingId").asString()).isEqualTo(reading);
        JsonNode settings = caller.get("/api/plant/nodes/" + row.get("checkId").asString() + "/settings")
                .ok();
        assertThat(settings.valueStream()
                        .filter(line -> line.get("key").asString().equals("lines"))
                        .findFirst()
                        .orElseThrow()
                        .get("value")
                        .asString())
                .isEqualTo("1600");
        undo(corrected);
        assertThat(sheet(visit).get("tray")).hasSize(1);
    }
}
