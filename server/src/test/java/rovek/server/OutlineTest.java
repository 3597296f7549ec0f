package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** The plant as the outliner asks for it. */
@ExtendWith(SharedRovek.class)
class OutlineTest {

    private final Caller caller;
    private final SmallPlant plant;
    private final RunningRovek rovek;

    OutlineTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    private JsonNode filtered(Map<String, Object> filter) {
        Map<String, Object> wanted = new HashMap<>();
        wanted.put("filter", filter);
        return caller.post("/api/outline", wanted).ok();
    }

    private static List<String> labels(JsonNode outline) {
        List<String> labels = new ArrayList<>();
        outline.get("blocks")
                .forEach(block -> block.get("rows").forEach(row -> {
                    JsonNode node = row.get("node");
                    labels.add(
                            (node.get("tag").asString() + " " + node.get("name").asString()).strip());
                }));
        return labels;
    }

    /** A change whose transaction was under way while somebody looked is seen once it is committed. */
    @Test
    void whatWasUnderWayWhileSomebodyLookedIsSeenAfterwards() throws SQLException {
        plant.pump("P-703");
        String asset = plant.rows().stream()
                .filter(row -> row.get("node").get("tag").asString().equals("P-703"))
                .findFirst()
                .orElseThrow()
                .get("node")
                .get("id")
                .asString();
        try (Connection other = rovek.database().connect();
                Statement sql = other.createStatement()) {
            other.setAutoCommit(false);
            sql.execute("UPDATE node SET name = 'Renamed meanwhile' WHERE id = '%s'".formatted(asset));
            assertThat(plant.row(asset).get("node").get("name").asString()).isEqualTo("Well pump");
            assertThat(plant.row(asset).get("node").get("name").asString())
                    .as("looked at twice")
                    .isEqualTo("Well pump");
            other.commit();
        }
        assertThat(plant.row(asset).get("node").get("name").asString()).isEqualTo("Renamed meanwhile");
    }

    @Test
    void wordsAreFoundWhereverTheyStandOnTheWayDown() {
        plant.pump("P-701");
        plant.pump("P-702");
        JsonNode found = filtered(Map.of("text", "p-701 non-drive"));
        assertThat(found.get("hits").asInt()).isEqualTo(1);
        assertThat(labels(found))
                .contains("P-701 Well pump", "Non-drive end")
                .doesNotContain("P-702 Well pump", "Drive end");
        assertThat(filtered(Map.of("text", "nothing is called that"))
                        .get("blocks")
                        .get(0)
                        .get("rows"))
                .isEmpty();
    }

    @Test
    void checksAreFoundByWhatTheyAreAndHowTheyStand() {
        int before = filtered(Map.of("neverMeasured", true)).get("hits").asInt();
        plant.pump("P-710");
        assertThat(filtered(Map.of("neverMeasured", true)).get("hits").asInt()).isEqualTo(before + 4);
        assertThat(filtered(Map.of("neverMeasured", true, "text", "P-710 acceleration"))
                        .get("hits")
                        .asInt())
                .isEqualTo(2);
        assertThat(filtered(Map.of("technique", "vibration", "text", "P-710"))
                        .get("hits")
                        .asInt())
                .isEqualTo(4);
        assertThat(filtered(Map.of("technique", "none such", "text", "P-710"))
                        .get("hits")
                        .asInt())
                .isZero();
        assertThat(filtered(Map.of("verdict", "FAIL", "text", "P-710"))
                        .get("hits")
                        .asInt())
                .isZero();
    }

    @Test
    void aCheckThatItsTechniqueNamesIsFoundByItsNewNameOnceItIsSetOtherwise() {
        String check = plant.pump("P-720").get(0);
        assertThat(filtered(Map.of("text", "P-720 10–1000")).get("hits").asInt())
                .isEqualTo(2);
        caller.put("/api/plant/nodes/" + check + "/settings", Map.of("bandLowHz", "2"))
                .ok();
        assertThat(filtered(Map.of("text", "P-720 10–1000")).get("hits").asInt())
                .isEqualTo(1);
        assertThat(filtered(Map.of("text", "P-720 2–1000")).get("hits").asInt()).isEqualTo(1);
    }

    @Test
    void countsFollowWhatIsMovedRemovedAndBroughtBack() {
        List<String> checks = plant.pump("P-730");
        JsonNode pump = caller.get("/api/plant")
                .ok()
                .valueStream()
                .filter(n -> n.get("tag").asString().equals("P-730"))
                .findFirst()
                .orElseThrow();
        String area = pump.get("parentId").asString();
        String site = plant.row(area).get("node").get("parentId").asString();
        String other = plant.id(site, "AREA", "", "Roof");
        assertThat(plant.standing(area).get("notJudged").asInt()).isEqualTo(4);
        caller.post("/api/plant/move", Map.of("ids", List.of(pump.get("id").asString()), "parentId", other))
                .ok();
        assertThat(plant.standing(area).get("notJudged").asInt()).isZero();
        assertThat(plant.standing(other).get("notJudged").asInt()).isEqualTo(4);
        JsonNode removed = plant.remove(checks.get(0)).ok();
        assertThat(plant.standing(other).get("notJudged").asInt()).isEqualTo(3);
        caller.post("/api/plant/changes/" + removed.get("changeId").asString() + "/undo", Map.of())
                .ok();
        assertThat(plant.standing(site).get("notJudged").asInt()).isEqualTo(4);
    }

    @Test
    void somethingIsFoundByTheBeginningOfItsNameFirst() {
        plant.pump("QX-1");
        JsonNode found = caller.get("/api/outline/find?text=qx").ok();
        assertThat(found.get(0).get("tag").asString()).isEqualTo("QX-1");
        assertThat(found.get(0).get("place").asString()).isEqualTo("Client of QX-1, Works, Wellfield");
    }

    @Test
    void allThatIsFoundIsChangedAtOnceAndTakenBackAtOnce() {
        List<String> checks = plant.pump("P-740");
        Map<String, Object> many = Map.of(
                "filter", Map.of("text", "P-740", "technique", "vibration"),
                "facets", Map.of("setting.vibration.lines", "3200", "limit.vibration.velocity.rms", "2.8/4.5 mm/s"));
        JsonNode done = caller.post("/api/bulk", many).ok();
        assertThat(done.get("sentence").asString()).isEqualTo("4 rows changed at once");
        assertThat(caller.get("/api/nodes/" + checks.get(0) + "/limits")
                        .ok()
                        .get(0)
                        .get("limit")
                        .get("rules")
                        .get(0)
                        .get("fail")
                        .asDouble())
                .isEqualTo(4.5);
        caller.post("/api/plant/changes/" + done.get("changeId").asString() + "/undo", Map.of())
                .ok();
        assertThat(caller.get("/api/nodes/" + checks.get(0) + "/limits")
                        .ok()
                        .get(0)
                        .get("limit")
                        .isNull())
                .isTrue();
        assertThat(caller.post("/api/bulk", Map.of("facets", Map.of("name", "All the same"), "ids", checks))
                        .status())
                .isEqualTo(422);
        assertThat(caller.post("/api/bulk", Map.of("facets", Map.of("class", "pump")))
                        .sentence())
                .contains("Choose the rows");
        assertThat(caller.post("/api/bulk", Map.of("ids", checks, "facets", Map.of("setting.vibration.lines", "many")))
                        .sentence())
                .contains("Lines: choose one of");
    }

    @Test
    void checksOnARouteThatIsDueAreFound() {
        List<String> checks = plant.pump("P-750");
        Map<String, Object> route = new HashMap<>(
                Map.of("name", "Due now", "checkIds", checks.subList(0, 3), "everyDays", 7, "version", 0));
        String path = "/api/routes/" + java.util.UUID.randomUUID();
        JsonNode saved = caller.put(path, route).ok();
        assertThat(filtered(Map.of("due", true, "text", "P-750")).get("hits").asInt())
                .isEqualTo(3);
        route.put(
                "firstDue",
                java.time.LocalDate.now(java.time.ZoneOffset.UTC).plusDays(3).toString());
        route.put("version", saved.get("version").asInt());
        caller.put(path, route).ok();
        assertThat(filtered(Map.of("due", true, "text", "P-750")).get("hits").asInt())
                .as("in three days")
                .isZero();
    }

    @Test
    void checksAreFoundByAreaClassAndCriticalityOfWhatTheyStandIn() {
        List<String> pump = plant.pump("P-261");
        List<String> fan = plant.pump("P-262");
        String asset = parent(parent(pump.get(0)));
        plant.alter(asset, "class", "", "pump").ok();
        plant.alter(asset, "nameplate.criticality", "", "high").ok();
        plant.alter(parent(pump.get(0)), "nameplate.criticality", "", "low").ok();
        String area = parent(asset);
        assertThat(checks(Map.of("criticality", "high", "within", area)))
                .as("the nearer one counts")
                .containsExactly(pump.get(2), pump.get(3));
        assertThat(checks(Map.of("criticality", "low", "within", area))).containsExactly(pump.get(0), pump.get(1));
        assertThat(checks(Map.of("assetClass", "pump", "within", area))).isEqualTo(pump);
        assertThat(checks(Map.of("within", parent(parent(parent(fan.get(0))))))).isEqualTo(fan);
        assertThat(checks(Map.of("criticality", "high", "within", parent(parent(fan.get(0))))))
                .isEmpty();
        assertThat(caller.get("/api/outline/areas")
                        .ok()
                        .valueStream()
                        .map(one -> one.get("id").asString())
                        .toList())
                .contains(area);
    }

    private List<String> checks(Map<String, Object> filter) {
        return caller.post("/api/outline/checks", Map.of("filter", filter))
                .ok()
                .get("checks")
                .valueStream()
                .map(check -> check.get("id").asString())
                .toList();
    }

    private String parent(String node) {
        return plant.row(node).get("node").get("parentId").asString();
    }
}
