package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

@ExtendWith(SharedRovek.class)
class SensorsTest {

    private final RunningRovek rovek;
    private final Caller caller;
    private final SmallPlant plant;

    SensorsTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    private static Map<String, Object> sensor(String tag, double sensitivity) {
        return new HashMap<>(Map.of(
                "tag",
                tag,
                "technique",
                "vibration",
                "serial",
                "SN-" + tag,
                "sensitivity",
                sensitivity,
                "rangeLow",
                -50,
                "rangeHigh",
                50,
                "calibratedOn",
                "2025-03-14",
                "calibrationMonths",
                24,
                "retired",
                false,
                "version",
                0));
    }

    private JsonNode register(String id, Map<String, Object> sensor) {
        return caller.put("/api/sensors/" + id, sensor).ok();
    }

    private void choose(String node, String sensor) {
        caller.put("/api/plant/nodes/" + node + "/settings", Map.of("sensor", sensor))
                .ok();
    }

    private JsonNode setting(String node, String key) {
        return caller.get("/api/plant/nodes/" + node + "/settings")
                .ok()
                .valueStream()
                .filter(line -> line.get("key").asString().equals(key))
                .findFirst()
                .orElseThrow();
    }

    private static String parentOf(SmallPlant plant, String node) {
        return plant.row(node).get("node").get("parentId").asString();
    }

    @Test
    void theSensitivityOfTheNamedSensorIsInForceWhateverIsTyped() {
        List<String> checks = plant.pump("P-31");
        String point = parentOf(plant, checks.get(0));
        String id = UUID.randomUUID().toString();
        JsonNode saved = register(id, sensor("ACC-31", 101.2));
        assertThat(saved.get("dueOn").asString()).isEqualTo("2027-03-14");
        choose(parentOf(plant, point), "ACC-31");
        caller.put("/api/plant/nodes/" + point + "/settings", Map.of("sensitivityMvPerG", "50"))
                .ok();
        JsonNode line = setting(checks.get(0), "sensitivityMvPerG");
        assertThat(line.get("value").asString()).isEqualTo("101.2");
        assertThat(line.get("sensor").asString()).isEqualTo("ACC-31");

        Map<String, Object> recalibrated = sensor("ACC-31", 99.5);
        recalibrated.put("version", saved.get("version").asInt());
        register(id, recalibrated);
        assertThat(setting(checks.get(0), "sensitivityMvPerG").get("value").asString())
                .as("as of its latest calibration")
                .isEqualTo("99.5");
        assertThat(caller.get("/api/plant/sensors/ACC-31/users")
                        .ok()
                        .get("checks")
                        .asInt())
                .isEqualTo(4);

        choose(checks.get(0), "none");
        assertThat(setting(checks.get(0), "sensitivityMvPerG").get("value").asString())
                .as("typed nearer by")
                .isEqualTo("50");
        assertThat(setting(checks.get(1), "sensitivityMvPerG").get("value").asString())
                .isEqualTo("99.5");
    }

    @Test
    void theSettingOffersTheSensorsThatAreThereAndTakesNoOther() {
        List<String> checks = plant.pump("P-32");
        register(UUID.randomUUID().toString(), sensor("ACC-32", 100));
        Map<String, Object> old = sensor("ACC-32-OLD", 100);
        old.put("retired", true);
        register(UUID.randomUUID().toString(), old);
        List<String> offered = setting(checks.get(0), "sensor")
                .get("options")
                .valueStream()
                .map(option -> option.get("value").asString())
                .toList();
        assertThat(offered).startsWith("none").contains("ACC-32").doesNotContain("ACC-32-OLD");
        Caller.Answer unknown =
                caller.put("/api/plant/nodes/" + checks.get(0) + "/settings", Map.of("sensor", "ACC-99"));
        assertThat(unknown.status()).isEqualTo(422);
        assertThat(unknown.sentence()).contains("There is no sensor \"ACC-99\"");
    }

    @Test
    void everythingWrongWithASensorIsToldAtOnce() {
        Map<String, Object> wrong = sensor("none", -3);
        wrong.put("rangeHigh", -60);
        wrong.put("calibratedOn", LocalDate.now().plusYears(1).toString());
        wrong.put("calibrationMonths", 0);
        Caller.Answer answer = caller.put("/api/sensors/" + UUID.randomUUID(), wrong);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.body().get("faults")).hasSize(5);
    }

    @Test
    void aSensorWhoseCalibrationIsDueStandsInTodayUntilItIsRetired() {
        String id = UUID.randomUUID().toString();
        Map<String, Object> old = sensor("ACC-37", 100);
        old.put("calibrationMonths", 6);
        int version = register(id, old).get("version").asInt();
        assertThat(wanted()).contains("SENSOR_DUE ACC-37");
        old.put("version", version);
        old.put("retired", true);
        register(id, old);
        assertThat(wanted()).doesNotContain("SENSOR_DUE ACC-37");
    }

    private List<String> wanted() {
        return caller.get("/api/today")
                .ok()
                .get("items")
                .valueStream()
                .map(item -> item.get("kind").asString() + " " + item.get("tag").asString())
                .toList();
    }

    @Test
    void aTagIsThereOnceAndStays() {
        String id = UUID.randomUUID().toString();
        int version = register(id, sensor("ACC-33", 100)).get("version").asInt();
        assertThat(caller.put("/api/sensors/" + UUID.randomUUID(), sensor("ACC-33", 10))
                        .sentence())
                .contains("There is already a sensor ACC-33");
        Map<String, Object> renamed = sensor("ACC-34", 100);
        renamed.put("version", version);
        assertThat(caller.put("/api/sensors/" + id, renamed).sentence()).contains("keeps that tag");
        renamed.put("version", version + 7);
        assertThat(caller.put("/api/sensors/" + id, renamed).status())
                .as("somebody else was quicker")
                .isEqualTo(409);
    }

    @Test
    void aReadingKeepsTheSensitivityItWasMeasuredWith(@TempDir Path memory) {
        List<String> checks = plant.pump("P-36");
        String id = UUID.randomUUID().toString();
        int version = register(id, sensor("ACC-36", 101.2)).get("version").asInt();
        choose(parentOf(plant, parentOf(plant, checks.get(0))), "ACC-36");
        try (FieldDay day = new FieldDay(memory)) {
            String instrument = day.connect(caller);
            day.load(caller, instrument, plant.route(checks));
            day.press("/api/walk-all", Map.of());
            Map<String, Object> recalibrated = sensor("ACC-36", 50);
            recalibrated.put("version", version);
            register(id, recalibrated);
            day.readBack(caller, instrument);
        }
        String kept = rovek.bean(JdbcClient.class)
                .sql("SELECT settings::jsonb ->> 'sensitivityMvPerG' FROM reading WHERE check_id = ?::uuid")
                .param(checks.get(0))
                .query(String.class)
                .single();
        assertThat(kept).isEqualTo("101.2");
    }

    @Test
    void aRouteSaysWhichSensorCannotBeUsedWithAnInstrument(@TempDir Path memory) {
        try (FieldDay day = new FieldDay(memory)) {
            List<String> checks = plant.pump("P-35");
            String id = UUID.randomUUID().toString();
            int version = register(id, sensor("ACC-35", 100)).get("version").asInt();
            choose(checks.get(0), "ACC-35");
            String route = plant.route(checks);
            String fit = "/api/instruments/" + day.connect(caller) + "/fit?routeId=" + route;
            assertThat(caller.get(fit).ok().get("outcome").asString()).isEqualTo("WHOLE");
            Map<String, Object> retired = sensor("ACC-35", 100);
            retired.put("version", version);
            retired.put("retired", true);
            register(id, retired);
            JsonNode now = caller.get(fit).ok();
            assertThat(now.get("outcome").asString()).isEqualTo("CANNOT");
            assertThat(now.get("reasons").get(0).asString())
                    .isEqualTo("P-35 Drive end is measured with sensor ACC-35, which is retired.");
            assertThat(now.get("firstChecks")).as("what it can measure").hasSize(3);
        }
    }
}
