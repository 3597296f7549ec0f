package rovek.server;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import tools.jackson.databind.JsonNode;

/** An area of its own with a pump whose pressure is read off a gauge, for tests of what is said of readings. */
abstract class GaugedPlant {

    final Caller caller;
    final SmallPlant plant;
    final Instant now = Instant.now().truncatedTo(ChronoUnit.SECONDS);
    String area;
    String point;
    String pressure;
    String visit;

    GaugedPlant(RunningRovek rovek) {
        caller = Caller.signedIn(rovek);
        plant = new SmallPlant(caller);
    }

    @BeforeEach
    void aPlantOfItsOwn() {
        area = plant.id(
                plant.id(plant.id(null, "CLIENT", "", "Client " + UUID.randomUUID()), "SITE", "", "Works"),
                "AREA",
                "",
                "Hall");
        pressure = gaugeOn("P-7");
        point = plant.row(pressure).get("node").get("parentId").asString();
    }

    String gaugeOn(String tag) {
        String asset = plant.id(area, "ASSET", tag, "Pump");
        plant.alter(asset, "class", "", "pump").ok();
        return plant.check(plant.id(asset, "POINT", "", "Outlet"), "gauge", "Pressure");
    }

    Instant daysAgo(int days) {
        return now.minus(days, ChronoUnit.DAYS);
    }

    /** Writes values down, the first so many days ago, then one a day. */
    void written(String check, int firstDaysAgo, double... values) {
        List<Map<String, Object>> readings = new ArrayList<>();
        for (int i = 0; i < values.length; i++) {
            readings.add(Entered.reading(check, daysAgo(firstDaysAgo - i).toString(), values[i] + " bar"));
        }
        visit = Entered.round(caller, readings);
    }

    JsonNode trend(String check) {
        return caller.get("/api/checks/" + check + "/trend").ok();
    }

    List<String> verdicts(String check) {
        return trend(check)
                .get("points")
                .valueStream()
                .map(one -> one.get("verdict").asString())
                .toList();
    }

    String limits(String node) {
        return "/api/nodes/" + node + "/limits/gauge/pressure";
    }

    void say(String node, Map<String, Object> rule, Instant from) {
        caller.put(limits(node), Caller.saying(rule, from == null ? null : from.toString()))
                .ok();
    }

    String standingOf(String check) {
        return plant.standing(check).get("worst").asString();
    }
}
