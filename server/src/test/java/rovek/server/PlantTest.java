package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(OneRovek.class)
class PlantTest {

    private final Caller caller;
    private final SmallPlant plant;

    PlantTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    private List<String> childNames(String parent) {
        return StreamSupport.stream(caller.get("/api/plant").ok().spliterator(), false)
                .filter(node -> parent.equals(node.path("parentId").asString("")))
                .map(node -> node.get("name").asString())
                .toList();
    }

    private boolean exists(String id) {
        return caller.get("/api/plant").text().contains("\"id\":\"" + id + "\"");
    }

    private void undo(JsonNode changed) {
        caller.post("/api/plant/changes/" + changed.get("changeId").asString() + "/undo", Map.of())
                .ok();
    }

    private void redo(JsonNode changed) {
        caller.post("/api/plant/changes/" + changed.get("changeId").asString() + "/redo", Map.of())
                .ok();
    }

    private Caller.Answer place(String how, String id, String parent, String after) {
        Map<String, Object> place = new HashMap<>();
        place.put("ids", List.of(id));
        place.put("parentId", parent);
        place.put("afterId", after);
        return caller.post("/api/plant/" + how, place);
    }

    @Test
    void rowsStandWhereTheyWereTypedAndMoveAndComeBack() {
        String client = plant.id(null, "CLIENT", "", "Order");
        String first = plant.id(client, "SITE", "", "First");
        plant.id(client, "SITE", "", "Third");
        String second = SmallPlant.idOf(
                caller.post("/api/plant/nodes", Map.of("parentId", client, "name", "Second", "afterId", first))
                        .ok());
        assertThat(childNames(client)).containsExactly("First", "Second", "Third");
        JsonNode moved = place("move", second, client, null).ok();
        assertThat(childNames(client)).containsExactly("Second", "First", "Third");
        undo(moved);
        assertThat(childNames(client)).containsExactly("First", "Second", "Third");
        redo(moved);
        assertThat(childNames(client)).containsExactly("Second", "First", "Third");
    }

    @Test
    void theSameCheckDoesNotStandTwiceAtOnePoint() {
        String client = plant.id(null, "CLIENT", "", "Twice");
        String asset =
                plant.id(plant.id(plant.id(client, "SITE", "", "Works"), "AREA", "", "Hall"), "ASSET", "P-5", "Pump");
        String point = plant.id(asset, "POINT", "", "Drive end");
        plant.check(point, "vibration", "Velocity 10–1000 Hz");
        plant.check(point, "vibration", "Acceleration 1–10 kHz");
        Caller.Answer twice = caller.post(
                "/api/plant/nodes",
                Map.of("parentId", point, "level", "CHECK", "technique", "vibration", "preset", "Velocity 10–1000 Hz"));
        assertThat(twice.status()).isEqualTo(422);
        assertThat(twice.sentence()).isEqualTo("This point already has such a check: Velocity 10–1000 Hz.");
        plant.check(plant.id(asset, "POINT", "", "Coupling"), "vibration", "Velocity 10–1000 Hz");
        plant.check(point, "question", "Yes or no");
        assertThat(plant.check(point, "question", "Yes or no"))
                .as("a question that is still to be typed")
                .isNotBlank();
    }

    @Test
    void removingTakesAllBelowAndUndoBringsAllBack() {
        List<String> checks = plant.pump("P-901");
        String client = StreamSupport.stream(caller.get("/api/plant").ok().spliterator(), false)
                .filter(node -> node.get("name").asString().equals("Client of P-901"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        JsonNode removed = plant.remove(client).ok();
        assertThat(exists(checks.get(0))).isFalse();
        undo(removed);
        undo(removed);
        assertThat(exists(checks.get(0))).isTrue();
        assertThat(caller.get("/api/plant/changes").text()).contains("Client of P-901 removed, with 9 below");
    }

    @Test
    void whatStoodInSomethingRemovedLaterSaysSo() {
        String client = plant.id(null, "CLIENT", "", "Nested removal");
        String site = plant.id(client, "SITE", "", "Inner");
        JsonNode inner = plant.remove(site).ok();
        plant.remove(client).ok();
        Caller.Answer refused =
                caller.post("/api/plant/changes/" + inner.get("changeId").asString() + "/undo", Map.of());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.sentence()).contains("Restore that first");
    }

    @Test
    void theLaterOfTwoSeesBothAndNothingIsOverwritten() {
        String id = plant.id(null, "CLIENT", "", "Stale");
        JsonNode renamed = plant.alter(id, "name", "Stale", "Fresh").ok();
        Caller.Answer late = plant.alter(id, "name", "Stale", "Mine");
        assertThat(late.status()).isEqualTo(409);
        JsonNode clash = late.body().get("clashes").get(0);
        assertThat(clash.get("theirs").asString()).isEqualTo("Fresh");
        assertThat(clash.get("yours").asString()).isEqualTo("Mine");
        assertThat(clash.get("by").asString()).isEqualTo(RunningRovek.ADMINISTRATOR);
        plant.alter(id, "nameplate.note", "", "another thing of the same row").ok();
        plant.alter(id, "name", "Fresh", "Mine after all").ok();
        Caller.Answer back =
                caller.post("/api/plant/changes/" + renamed.get("changeId").asString() + "/undo", Map.of());
        assertThat(back.sentence()).contains("its name is now \"Mine after all\"");
    }

    @Test
    void aCopiedMachineIsCountedOnWithItsChecksSettingsAndLimits() {
        List<String> checks = plant.pump("P-940");
        caller.limit(checks.get(0), "vibration", "velocity.rms", 2.8, 4.5).ok();
        String asset = rowTagged("P-940").get("id").asString();
        String area = rowTagged("P-940").get("parentId").asString();
        JsonNode copied = place("copy", asset, area, asset).ok();
        String copy = copied.get("added").get(0).asString();
        assertThat(rowTagged("P-941").get("id").asString()).isEqualTo(copy);
        JsonNode lines = caller.get("/api/nodes/" + copy + "/sheet").ok().get("checks");
        assertThat(lines).hasSize(4);
        JsonNode limited = caller.get(
                        "/api/nodes/" + lines.get(0).get("checkId").asString() + "/limits")
                .ok()
                .get(0);
        assertThat(limited.get("limit").get("rules").get(0).get("fail").asDouble())
                .isEqualTo(4.5);
        assertThat(lines.get(1).get("check").asString()).isEqualTo("Acceleration 1–10 kHz");
        undo(copied);
        assertThat(exists(copy)).isFalse();
    }

    private JsonNode rowTagged(String tag) {
        return StreamSupport.stream(caller.get("/api/plant").ok().spliterator(), false)
                .filter(node -> node.get("tag").asString().equals(tag))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void theHistoryOfAnAreaBringsARemovedMachineBack() {
        plant.pump("P-950");
        JsonNode asset = rowTagged("P-950");
        plant.remove(asset.get("id").asString()).ok();
        JsonNode history = caller.get(
                        "/api/plant/changes?node=" + asset.get("parentId").asString())
                .ok();
        assertThat(history.get(0).get("sentence").asString()).isEqualTo("P-950 Well pump removed, with 6 below");
        caller.post("/api/plant/changes/" + history.get(0).get("id").asString() + "/undo", Map.of())
                .ok();
        assertThat(rowTagged("P-950").get("id")).isEqualTo(asset.get("id"));
    }

    @Test
    void aSettingSaysWhatItWouldChangeBeforeItIsSet() {
        List<String> checks = plant.pump("P-960");
        String asset = rowTagged("P-960").get("id").asString();
        caller.put("/api/plant/nodes/" + checks.get(0) + "/settings", Map.of("lines", "800"))
                .ok();
        JsonNode effect = caller.post("/api/plant/nodes/" + asset + "/settings/effect", Map.of("lines", "1600"))
                .ok();
        assertThat(effect.get("checks").asInt()).isEqualTo(3);
        assertThat(effect.get("kept").asInt()).as("the one that says so itself").isEqualTo(1);
        assertThat(setting(checks.get(1), "lines").get("value").asString())
                .as("nothing was done yet")
                .isEqualTo("6400");
    }

    @Test
    void aRequestThatIsRepeatedDoesNothingMore() {
        String client = plant.id(null, "CLIENT", "", "Repeated");
        Map<String, Object> wanted = Map.of(
                "changeId",
                UUID.randomUUID().toString(),
                "ids",
                List.of(plant.id(client, "SITE", "", "Copied once")),
                "parentId",
                client);
        caller.post("/api/plant/copy", wanted).ok();
        caller.post("/api/plant/copy", wanted).ok();
        assertThat(childNames(client)).hasSize(2);
    }

    @Test
    void whatNobodyTypesIsRefusedWithASentence() {
        String id = plant.id(null, "CLIENT", "", "Typed");
        for (String facet :
                List.of("parent", "place", "level", "stamp", "colour", "setting.lines", "limit.", "nameplate.")) {
            Caller.Answer refused = plant.alter(id, facet, "", "1");
            assertThat(refused.status()).as(facet).isEqualTo(422);
            assertThat(refused.sentence()).contains("cannot be typed");
        }
        assertThat(plant.alter(id, "setting.unheard.lines", "", "1").sentence())
                .contains("Rovek does not know the technique");
        assertThat(plant.alter(id, "limit.vibration.velocity.rms", "", "2.8").sentence())
                .contains("is not a limit");
        assertThat(plant.alter(id, "limit.vibration.warble", "", "-/5 mm/s").sentence())
                .contains("Vibration has no result \"warble\".");
        Caller.Answer many = caller.post(
                "/api/bulk", Map.of("ids", List.of(id), "facets", Map.of("limit.vibration.warble", "-/5 mm/s")));
        assertThat(many.status()).isEqualTo(422);
        assertThat(many.sentence()).contains("Vibration has no result \"warble\".");
    }

    @Test
    void aDoubleClickAddsOneRow() {
        String id = UUID.randomUUID().toString();
        Map<String, Object> node = Map.of("id", id, "level", "CLIENT", "name", "Clicked twice");
        caller.post("/api/plant/nodes", node).ok();
        caller.post("/api/plant/nodes", node).ok();
        assertThat(caller.get("/api/plant").text().split("\"name\":\"Clicked twice\"", -1))
                .hasSize(2);
    }

    @Test
    void nothingGoesWhereItDoesNotBelong() {
        String client = plant.id(null, "CLIENT", "", "Levels");
        String site = plant.id(client, "SITE", "", "Site");
        String area = plant.id(site, "AREA", "", "Area");
        assertThat(caller.post("/api/plant/nodes", Map.of("parentId", area, "level", "CHECK"))
                        .sentence())
                .isEqualTo("A check does not belong in this area.");
        String asset = plant.id(area, "ASSET", "P-1", "Pump");
        String inner = plant.id(asset, "ASSET", "M-1", "Motor");
        Caller.Answer circle = place("move", asset, inner, null);
        assertThat(circle.sentence()).contains("cannot be moved into itself");
    }

    @Test
    void settingsComeDownWithTheirOriginAndNeverMakeACheckImpossible() {
        String check = plant.pump("P-902").get(1);
        String asset = StreamSupport.stream(caller.get("/api/plant").ok().spliterator(), false)
                .filter(node -> node.get("tag").asString().equals("P-902"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        caller.put("/api/plant/nodes/" + asset + "/settings", Map.of("sensitivityMvPerG", "50"))
                .ok();
        JsonNode line = setting(check, "sensitivityMvPerG");
        assertThat(line.get("value").asString()).isEqualTo("50");
        assertThat(line.get("own").asBoolean()).isFalse();
        assertThat(line.get("originName").asString()).isEqualTo("P-902 Well pump");
        Caller.Answer tooSlow = caller.put("/api/plant/nodes/" + asset + "/settings", Map.of("rateHz", "5120"));
        assertThat(tooSlow.status()).isEqualTo(422);
        assertThat(tooSlow.sentence()).contains("measures up to 2000 Hz; the band ends at 10000 Hz");
        assertThat(setting(check, "rateHz").get("value").asString()).isEqualTo("25600");
        Map<String, String> inherit = new HashMap<>();
        inherit.put("sensitivityMvPerG", null);
        caller.put("/api/plant/nodes/" + asset + "/settings", inherit).ok();
        assertThat(setting(check, "sensitivityMvPerG").get("value").asString()).isEqualTo("100");
    }

    private JsonNode setting(String node, String key) {
        return StreamSupport.stream(
                        caller.get("/api/plant/nodes/" + node + "/settings")
                                .ok()
                                .spliterator(),
                        false)
                .filter(line -> line.get("key").asString().equals(key))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void limitsAreCheckedBeforeTheyAreKept() {
        String check = plant.pump("P-903").get(0);
        Caller.Answer crossed = caller.limit(check, "vibration", "velocity.rms", 5.0, 3.0);
        assertThat(crossed.sentence()).contains("must be reached before the fail boundary");
        assertThat(caller.limit(check, "vibration", "acceleration.rms", 5.0, null)
                        .sentence())
                .contains("does not yield");
        caller.limit(check, "vibration", "velocity.rms", 2.8, 4.5).ok();
        assertThat(caller.get("/api/nodes/" + check + "/limits")
                        .ok()
                        .get(0)
                        .get("limit")
                        .get("rules")
                        .get(0)
                        .get("fail")
                        .asDouble())
                .isEqualTo(4.5);
    }

    @Test
    void whoMovesWhatSomebodyElseMovedFirstSeesBothAndChooses() {
        String client = plant.id(null, "CLIENT", "", "Moved by two");
        String site = plant.id(client, "SITE", "", "Works");
        String here = plant.id(site, "AREA", "", "Here");
        String there = plant.id(site, "AREA", "", "There");
        String elsewhere = plant.id(site, "AREA", "", "Elsewhere");
        String pump = plant.id(here, "ASSET", "P-1", "Pump");
        List<Map<String, Object>> seen = List.of(Map.of("id", pump, "parentId", here));
        caller.post("/api/plant/move", Map.of("ids", List.of(pump), "parentId", there, "seen", seen))
                .ok();
        Caller.Answer late =
                caller.post("/api/plant/move", Map.of("ids", List.of(pump), "parentId", elsewhere, "seen", seen));
        assertThat(late.status()).isEqualTo(409);
        JsonNode clash = late.body().get("clashes").get(0);
        assertThat(clash.get("theirsSaid").asString()).isEqualTo("There");
        assertThat(clash.get("yoursSaid").asString()).isEqualTo("Elsewhere");
        assertThat(plant.row(pump).get("node").get("parentId").asString()).isEqualTo(there);
        Caller.Answer reorder =
                caller.post("/api/plant/move", Map.of("ids", List.of(pump), "parentId", here, "seen", seen));
        assertThat(reorder.sentence()).contains("P-1").contains("was moved elsewhere meanwhile");
        caller.post(
                        "/api/plant/move",
                        Map.of(
                                "ids",
                                List.of(pump),
                                "parentId",
                                elsewhere,
                                "seen",
                                List.of(Map.of("id", pump, "parentId", there))))
                .ok();
        assertThat(plant.row(pump).get("node").get("parentId").asString()).isEqualTo(elsewhere);
    }
}
