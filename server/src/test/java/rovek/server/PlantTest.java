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
        caller.post("/api/plant/changes/" + changed.get("changeId").asString() + "/undo", Map.of()).ok();
    }

    private JsonNode move(String id, String parent, String after) {
        Map<String, Object> place = new HashMap<>();
        place.put("parentId", parent);
        place.put("afterId", after);
        return caller.post("/api/plant/nodes/" + id + "/move", place).ok();
    }

    @Test
    void rowsStandWhereTheyWereTypedAndMoveAndComeBack() {
        String client = plant.id(null, "CLIENT", "", "Order");
        String first = plant.id(client, "SITE", "", "First");
        plant.id(client, "SITE", "", "Third");
        String second = SmallPlant.idOf(caller.post("/api/plant/nodes", Map.of("parentId", client, "name", "Second", "afterId", first)).ok());
        assertThat(childNames(client)).containsExactly("First", "Second", "Third");
        JsonNode moved = move(second, client, null);
        assertThat(childNames(client)).containsExactly("Second", "First", "Third");
        undo(moved);
        assertThat(childNames(client)).containsExactly("First", "Second", "Third");
    }

    @Test
    void removingTakesAllBeneathAndUndoBringsAllBack() {
        List<String> checks = plant.pump("P-901");
        String client = StreamSupport.stream(caller.get("/api/plant").ok().spliterator(), false)
                .filter(node -> node.get("name").asString().equals("Client of P-901"))
                .findFirst().orElseThrow().get("id").asString();
        JsonNode removed = caller.delete("/api/plant/nodes/" + client).ok();
        assertThat(exists(checks.get(0))).isFalse();
        undo(removed);
        undo(removed);
        assertThat(exists(checks.get(0))).isTrue();
        assertThat(caller.get("/api/plant/changes").text()).contains("Removed Client of P-901 and 9 beneath it");
    }

    @Test
    void whatStoodInSomethingRemovedLaterSaysSo() {
        String client = plant.id(null, "CLIENT", "", "Nested removal");
        String site = plant.id(client, "SITE", "", "Inner");
        JsonNode inner = caller.delete("/api/plant/nodes/" + site).ok();
        caller.delete("/api/plant/nodes/" + client).ok();
        Caller.Answer refused = caller.post("/api/plant/changes/" + inner.get("changeId").asString() + "/undo", Map.of());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.sentence()).contains("Undo that first");
    }

    @Test
    void aStalePageOverwritesNothing() {
        JsonNode client = plant.add(null, "CLIENT", "", "Stale");
        String path = "/api/plant/nodes/" + SmallPlant.idOf(client);
        JsonNode renamed = caller.patch(path, Map.of("name", "Fresh", "version", 0)).ok();
        Caller.Answer stale = caller.patch(path, Map.of("name", "Overwritten", "version", 0));
        assertThat(stale.status()).isEqualTo(409);
        assertThat(stale.sentence()).contains("was changed by someone else");
        undo(renamed);
        assertThat(caller.get("/api/plant").text()).contains("\"Stale\"").doesNotContain("Overwritten");
    }

    @Test
    void aDoubleClickAddsOneRow() {
        String id = UUID.randomUUID().toString();
        Map<String, Object> node = Map.of("id", id, "level", "CLIENT", "name", "Clicked twice");
        caller.post("/api/plant/nodes", node).ok();
        caller.post("/api/plant/nodes", node).ok();
        assertThat(caller.get("/api/plant").text().split("Clicked twice", -1)).hasSize(2);
    }

    @Test
    void nothingGoesWhereItDoesNotBelong() {
        String client = plant.id(null, "CLIENT", "", "Levels");
        String site = plant.id(client, "SITE", "", "Site");
        String area = plant.id(site, "AREA", "", "Area");
        assertThat(caller.post("/api/plant/nodes", Map.of("parentId", area, "level", "CHECK")).sentence()).isEqualTo("A check does not belong in this area.");
        String asset = plant.id(area, "ASSET", "P-1", "Pump");
        String inner = plant.id(asset, "ASSET", "M-1", "Motor");
        Caller.Answer circle = caller.post("/api/plant/nodes/" + asset + "/move", Map.of("parentId", inner));
        assertThat(circle.sentence()).contains("cannot be moved into itself");
    }

    @Test
    void settingsComeDownWithTheirOriginAndNeverMakeACheckImpossible() {
        String check = plant.pump("P-902").get(1);
        String asset = StreamSupport.stream(caller.get("/api/plant").ok().spliterator(), false)
                .filter(node -> node.get("tag").asString().equals("P-902")).findFirst().orElseThrow().get("id").asString();
        caller.put("/api/plant/nodes/" + asset + "/settings", Map.of("sensitivityMvPerG", "50")).ok();
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
        return StreamSupport.stream(caller.get("/api/plant/nodes/" + node + "/settings").ok().spliterator(), false)
                .filter(line -> line.get("key").asString().equals(key))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void limitsAreCheckedBeforeTheyAreKept() {
        String check = plant.pump("P-903").get(0);
        Caller.Answer crossed = caller.put("/api/checks/" + check + "/limits/velocity.rms", Map.of("watch", 5, "fail", 3));
        assertThat(crossed.sentence()).contains("must be reached before the fail boundary");
        assertThat(caller.put("/api/checks/" + check + "/limits/acceleration.rms", Map.of("watch", 5)).sentence()).contains("does not yield");
        caller.put("/api/checks/" + check + "/limits/velocity.rms", Map.of("watch", 2.8, "fail", 4.5)).ok();
        assertThat(caller.get("/api/checks/" + check + "/limits").ok().get(0).get("fail").asDouble()).isEqualTo(4.5);
    }
}
