package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;

/**
 * Each server keeps the plant in memory: whatever happens, all of them see what the database holds, and nothing else.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class SeveralServersTest {

    private RunningRovek rovek;
    private ConfigurableApplicationContext another;
    private Caller here;
    private Caller there;

    @BeforeAll
    void start() {
        rovek = RunningRovek.start();
        another = rovek.startAnother();
        here = Caller.signedIn(rovek);
        there = here.onServer(RunningRovek.addressOf(another));
    }

    @AfterAll
    void stop() {
        another.close();
        rovek.close();
    }

    private static String plant(Caller caller) {
        return caller.get("/api/plant/export?format=csv").text();
    }

    @Test
    void whatIsChangedAtOneIsSeenAtTheOtherAtOnce() {
        SmallPlant plant = new SmallPlant(here);
        SmallPlant same = new SmallPlant(there);
        List<String> checks = plant.pump("P-1");
        String asset = plant.row(
                        plant.row(checks.get(0)).get("node").get("parentId").asString())
                .get("node")
                .get("parentId")
                .asString();
        assertThat(same.standing(asset).get("notJudged").asInt()).isEqualTo(4);
        same.alter(asset, "name", "Well pump", "Renamed over there").ok();
        assertThat(plant.row(asset).get("node").get("name").asString()).isEqualTo("Renamed over there");
        assertThat(plant.alter(asset, "name", "Well pump", "Renamed here").status())
                .as("seen before the other changed it")
                .isEqualTo(409);
        JsonNode removed = plant.remove(checks.get(0)).ok();
        assertThat(same.standing(asset).get("notJudged").asInt()).isEqualTo(3);
        there.post("/api/plant/changes/" + removed.get("changeId").asString() + "/undo", Map.of())
                .ok();
        assertThat(plant.standing(asset).get("notJudged").asInt()).isEqualTo(4);
        assertThat(plant(there)).isEqualTo(plant(here));
    }

    @Test
    void whatIsRefusedIsRememberedByNobody() {
        SmallPlant plant = new SmallPlant(here);
        List<String> checks = plant.pump("P-2");
        String before = plant(here);
        Caller.Answer refused = here.put("/api/plant/nodes/" + checks.get(1) + "/settings", Map.of("rateHz", "2000"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(plant(here)).isEqualTo(before);
        assertThat(plant(there)).isEqualTo(before);
    }

    /** What a person does at random; refusals are part of it. */
    private static void work(Caller caller, String area, int changes, long seed) {
        SmallPlant plant = new SmallPlant(caller);
        Random choice = new Random(seed);
        List<String> mine = new ArrayList<>();
        List<String> undoable = new ArrayList<>();
        for (int i = 0; i < changes; i++) {
            String any = mine.isEmpty() ? null : mine.get(choice.nextInt(mine.size()));
            int what = any == null ? 0 : choice.nextInt(6);
            Caller.Answer answer = switch (what) {
                case 0, 1 -> {
                    mine.add(plant.id(area, "ASSET", "P-" + seed + "-" + i, "Pump"));
                    yield null;
                }
                case 2 -> caller.post("/api/plant/copy", Map.of("ids", List.of(any), "parentId", area));
                case 3 -> caller.post("/api/plant/move", Map.of("ids", List.of(any), "parentId", area));
                case 4 -> plant.remove(any);
                default ->
                    undoable.isEmpty()
                            ? null
                            : caller.post(
                                    "/api/plant/changes/" + undoable.get(choice.nextInt(undoable.size())) + "/undo",
                                    Map.of());
            };
            if (answer != null) {
                assertThat(answer.status()).as(answer.text()).isLessThan(500);
                if (answer.status() == 200 && answer.body().path("changeId").isString()) {
                    undoable.add(answer.body().get("changeId").asString());
                }
            }
        }
    }

    @Test
    void manyPeopleAtTwoServersLeaveOnePlant() throws Exception {
        SmallPlant plant = new SmallPlant(here);
        String area = plant.id(
                plant.id(plant.id(null, "CLIENT", "", "Marrowdale Works"), "SITE", "", "Works"),
                "AREA",
                "",
                "Wellfield");
        Crowd.together(4, person -> () -> {
            work(person % 2 == 0 ? here : there, area, 25, person);
            return null;
        });
        assertThat(plant(there)).isEqualTo(plant(here));
        assertThat(plant(here).lines().count() - 1).isEqualTo(rowsInTheDatabase());
        try (ConfigurableApplicationContext fresh = rovek.startAnother()) {
            assertThat(plant(here.onServer(RunningRovek.addressOf(fresh))))
                    .as("a server that reads all again")
                    .isEqualTo(plant(here));
        }
    }

    private long rowsInTheDatabase() throws SQLException {
        try (var db = rovek.database().connect();
                var statement = db.createStatement();
                var rows = statement.executeQuery("SELECT count(*) FROM node WHERE removal IS NULL")) {
            rows.next();
            return rows.getLong(1);
        }
    }

    @Test
    void undoingEverythingInTurnIsAsIfNothingHappened() {
        SmallPlant plant = new SmallPlant(here);
        List<String> checks = plant.pump("P-3");
        String asset = plant.row(
                        plant.row(checks.get(0)).get("node").get("parentId").asString())
                .get("node")
                .get("parentId")
                .asString();
        String area = plant.row(asset).get("node").get("parentId").asString();
        List<String> states = new ArrayList<>(List.of(plant(here)));
        List<String> changes = new ArrayList<>();
        List<JsonNode> made = new ArrayList<>();
        made.add(here.post("/api/plant/copy", Map.of("ids", List.of(asset), "parentId", area, "afterId", asset))
                .ok());
        states.add(plant(here));
        made.add(plant.alter(asset, "nameplate.powerKw", "", "22").ok());
        states.add(plant(here));
        made.add(here.put("/api/plant/nodes/" + asset + "/settings", Map.of("lines", "3200"))
                .ok());
        states.add(plant(here));
        made.add(here.post(
                        "/api/plant/move",
                        Map.of(
                                "ids",
                                List.of(made.get(0).get("added").get(0).asString()),
                                "parentId",
                                area,
                                "changeId",
                                UUID.randomUUID().toString()))
                .ok());
        states.add(plant(here));
        made.add(plant.remove(asset).ok());
        states.add(plant(here));
        made.forEach(one -> changes.add(one.get("changeId").asString()));
        for (int i = changes.size() - 1; i >= 0; i--) {
            there.post("/api/plant/changes/" + changes.get(i) + "/undo", Map.of())
                    .ok();
            assertThat(plant(here)).as("after undoing change %d", i).isEqualTo(states.get(i));
        }
        for (int i = 0; i < changes.size(); i++) {
            here.post("/api/plant/changes/" + changes.get(i) + "/redo", Map.of())
                    .ok();
            assertThat(plant(there)).as("after doing change %d again", i).isEqualTo(states.get(i + 1));
        }
    }
}
