package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Units that people choose, make and type; what is kept stays in the unit of its check. */
@ExtendWith(OneRovek.class)
class UnitsTest extends GaugedPlant {

    private final RunningRovek rovek;

    UnitsTest(RunningRovek rovek) {
        super(rovek);
        this.rovek = rovek;
    }

    private Caller with(String role) {
        String name = "units." + UUID.randomUUID();
        caller.post(
                        "/api/accounts",
                        Map.of("name", name, "displayName", "Test", "role", role, "password", RunningRovek.PASSWORD))
                .ok();
        return Caller.signedIn(rovek.address(), name, RunningRovek.PASSWORD);
    }

    private static Map<String, Object> chosen(String unit, Integer decimals) {
        Map<String, Object> chosen = new HashMap<>();
        chosen.put("unit", unit);
        chosen.put("decimals", decimals);
        return chosen;
    }

    /** @param chosen null follows everybody again */
    private static Map<String, Object> choosing(String kind, Map<String, Object> chosen) {
        Map<String, Object> choice = new HashMap<>();
        choice.put("kind", kind);
        choice.put("chosen", chosen);
        return Map.of("choices", List.of(choice));
    }

    private static Map<String, Object> own(String symbol, String base, String factor) {
        return Map.of("symbol", symbol, "name", "Unit of a test", "base", base, "factor", factor, "offset", "0");
    }

    private static JsonNode shown(JsonNode view, String stored) {
        return view.get("shown")
                .valueStream()
                .filter(one -> one.get("stored").asString().equals(stored))
                .findFirst()
                .orElse(null);
    }

    @Test
    void whatOnePersonChoosesGoesBeforeWhatEverybodyHas() {
        Caller viewer = with("VIEWER");
        assertThat(viewer.put("/api/units/everybody", choosing("torque", chosen("N·m", 1)))
                        .status())
                .as("decided by a reviewer")
                .isEqualTo(403);
        caller.put("/api/units/everybody", choosing("vibration-velocity", chosen("in/s", null)))
                .ok();
        JsonNode company = shown(viewer.get("/api/units").ok(), "mm/s");
        assertThat(company.get("unit").asString()).isEqualTo("in/s");
        assertThat(company.get("factor").asDouble()).isEqualTo(1 / 25.4);
        assertThat(company.get("decimals").isNull()).isTrue();

        JsonNode mine = viewer.put("/api/units/mine", choosing("vibration-velocity", chosen("mm/s", 2)))
                .ok();
        assertThat(shown(mine, "mm/s").get("unit").asString()).isEqualTo("mm/s");
        assertThat(shown(mine, "in/s").get("factor").asDouble()).isEqualTo(25.4);
        assertThat(shown(mine, "mm/s").get("decimals").asInt()).isEqualTo(2);

        JsonNode again = viewer.put("/api/units/mine", choosing("vibration-velocity", null))
                .ok();
        assertThat(shown(again, "mm/s").get("unit").asString()).isEqualTo("in/s");
        caller.put("/api/units/everybody", choosing("vibration-velocity", null)).ok();
        assertThat(shown(viewer.get("/api/units").ok(), "mm/s")).isNull();
        assertThat(caller.get("/api/audit").ok().toString()).contains("choose unit");
    }

    @Test
    void temperaturesAreShiftedAndTheirDifferencesAreNot() {
        Caller viewer = with("VIEWER");
        JsonNode view = viewer.put("/api/units/mine", choosing("temperature", chosen("°F", null)))
                .ok();
        assertThat(shown(view, "°C").get("factor").asDouble()).isEqualTo(1.8);
        assertThat(shown(view, "°C").get("offset").asDouble()).isEqualTo(32);
        JsonNode difference = viewer.put("/api/units/mine", choosing("temperature-difference", chosen("Δ°F", null)))
                .ok();
        assertThat(shown(difference, "K").get("factor").asDouble()).isEqualTo(1.8);
        assertThat(shown(difference, "K").get("offset").asDouble()).isZero();
        assertThat(viewer.put("/api/units/mine", choosing("temperature-difference", chosen("°F", null)))
                        .sentence())
                .isEqualTo("Choose a unit from the list.");
    }

    @Test
    void whatCannotBeChosenIsRefused() {
        for (Map<String, Object> wrong : List.of(chosen("V", null), chosen("furlong", null), chosen("", null))) {
            assertThat(caller.put("/api/units/mine", choosing("pressure", wrong))
                            .sentence())
                    .contains("from the list");
        }
        assertThat(caller.put("/api/units/mine", choosing("pressure", chosen("psi", 7)))
                        .sentence())
                .contains("0 to 6 decimals");
        assertThat(caller.put("/api/units/mine", choosing("nonsense", chosen("psi", 1)))
                        .status())
                .isEqualTo(404);
        assertThat(caller.put("/api/units/mine", choosing("pressure", Map.of())).status())
                .isBetween(400, 499);
        List<Object> many =
                Collections.nCopies(100, Map.of("kind", "torque", "chosen", Map.of("unit", "N·m", "decimals", 1)));
        assertThat(caller.put("/api/units/mine", Map.of("choices", many)).sentence())
                .contains("more than 22 items");
    }

    @Test
    void severalAreChosenAllOrNone() {
        Caller viewer = with("VIEWER");
        Map<String, Object> good = Map.of("kind", "pressure", "chosen", Map.of("unit", "psi", "decimals", 1));
        Map<String, Object> bad = Map.of("kind", "torque", "chosen", Map.of("unit", "V", "decimals", 1));
        assertThat(viewer.put("/api/units/mine", Map.of("choices", List.of(good, bad)))
                        .sentence())
                .contains("from the list");
        assertThat(shown(viewer.get("/api/units").ok(), "bar")).isNull();
        Map<String, Object> other = Map.of("kind", "power", "chosen", Map.of("unit", "W", "decimals", 0));
        JsonNode both = viewer.put("/api/units/mine", Map.of("choices", List.of(good, other)))
                .ok();
        assertThat(shown(both, "bar").get("unit").asString()).isEqualTo("psi");
        assertThat(shown(both, "kW").get("unit").asString()).isEqualTo("W");
    }

    @Test
    void aUnitOfOnesOwnCanBeTypedAndShownUntilItIsRemoved() {
        assertThat(with("TECHNICIAN")
                        .post("/api/units/own", own("barrel", "l/h", "1"))
                        .status())
                .isEqualTo(403);
        caller.post("/api/units/own", own("mWC", "mbar", "98.0665")).ok();
        assertThat(caller.post("/api/units/own", own("mWC", "mbar", "98")).sentence())
                .contains("There is already a unit \"mWC\"");
        assertThat(caller.post("/api/units/own", own("PSI", "bar", "1")).sentence())
                .contains("There is already a unit \"PSI\"");
        assertThat(caller.post("/api/units/own", own("zero", "bar", "0")).sentence())
                .contains("not zero");
        assertThat(caller.post("/api/units/own", own("x".repeat(10_000), "bar", "1"))
                        .status())
                .isBetween(400, 499);

        String visit = Entered.round(
                caller, List.of(Entered.reading(pressure, now.minusSeconds(60).toString(), "50 mWC")));
        assertThat(visit).isNotEmpty();
        assertThat(trend(pressure).get("points").get(0).get("value").asDouble())
                .as("kept in the unit of the check")
                .isEqualTo(4.903325);
        JsonNode view = caller.put("/api/units/mine", choosing("pressure", chosen("mWC", 1)))
                .ok();
        assertThat(shown(view, "bar").get("factor").asDouble()).isCloseTo(1000 / 98.0665, within(1e-14));

        JsonNode without = caller.delete("/api/units/own?symbol=mWC").ok();
        assertThat(shown(without, "bar")).as("shown as it is stored again").isNull();
        assertThat(caller.delete("/api/units/own?symbol=mWC").status()).isEqualTo(404);
    }

    @Test
    void aReadingIsTypedInAnyKnownUnit() {
        Entered.round(
                caller, List.of(Entered.reading(pressure, now.minusSeconds(60).toString(), "95 psi")));
        assertThat(trend(pressure).get("points").get(0).get("value").asDouble())
                .as("95 pounds of 4.4482216152605 N on 0.00064516 m2")
                .isEqualTo(6.550019428509943);
        JsonNode read = caller.get("/api/units/read?text=95,5%20psi&unit=bar&difference=false")
                .ok();
        assertThat(read.get("value").asDouble()).isEqualTo(6.584493214975785);
        assertThat(caller.get("/api/units/read?text=5%20V&unit=bar&difference=false")
                        .sentence())
                .contains("cannot be converted to bar");
        assertThat(caller.get("/api/units/read?text=abc&unit=bar&difference=false")
                        .sentence())
                .contains("is not a number");
        assertThat(caller.get("/api/units/read?text=5&unit=furlong&difference=false")
                        .sentence())
                .contains("is not a known unit");
        assertThat(caller.get("/api/units/read?text=" + "9".repeat(3_000) + "&unit=bar&difference=false")
                        .status())
                .isBetween(400, 499);
    }

    @Test
    void aWidthIsReadAsADifference() {
        String nine = "/api/units/read?text=9%20%C2%B0F&unit=%C2%B0C&difference=";
        assertThat(caller.get(nine + "true").ok().get("value").asDouble()).isEqualTo(5);
        assertThat(caller.get(nine + "false").ok().get("value").asDouble()).isCloseTo(-12.7777777777778, within(1e-12));
    }

    @Test
    void aLimitIsSetInTheUnitItIsTypedInAndKeptInTheChecks() {
        Map<String, Object> limit = new HashMap<>(Map.of(
                "rules",
                List.of(Map.of("kind", "ABOVE", "watch", 87, "fail", 95, "isShare", false, "isRobust", false)),
                "hysteresis",
                1.45,
                "boundaryIsPast",
                false,
                "unit",
                "psi"));
        caller.put(limits(pressure), Map.of("limit", limit, "isInherited", false))
                .ok();
        JsonNode line = caller.get("/api/nodes/" + pressure + "/limits").ok().get(0);
        assertThat(line.get("limit").get("unit").asString()).isEqualTo("bar");
        assertThat(line.get("limit").get("rules").get(0).get("fail").asDouble()).isEqualTo(6.550019428509943);
        assertThat(line.get("limit").get("hysteresis").asDouble()).isEqualTo(0.09997398075094124);
        limit.put("unit", "V");
        assertThat(caller.put(limits(pressure), Map.of("limit", limit, "isInherited", false))
                        .sentence())
                .contains("cannot be converted to bar");
        limit.put("unit", "furlong");
        assertThat(caller.put(limits(pressure), Map.of("limit", limit, "isInherited", false))
                        .sentence())
                .contains("\"furlong\" is not a known unit");
    }

    @Test
    void aLimitForManyRowsIsTypedInAnyKnownUnitToo() {
        caller.post(
                        "/api/bulk",
                        Map.of(
                                "changeId",
                                UUID.randomUUID(),
                                "ids",
                                List.of(pressure),
                                "facets",
                                Map.of("limit.gauge.pressure", "-/95 psi")))
                .ok();
        JsonNode limit =
                caller.get("/api/nodes/" + pressure + "/limits").ok().get(0).get("limit");
        assertThat(limit.get("unit").asString()).isEqualTo("bar");
        assertThat(limit.get("rules").get(0).get("fail").asDouble()).isEqualTo(6.550019428509943);
    }

    @Test
    void aPlateIsTypedAsItStandsOnTheMachine() {
        String asset = plant.id(area, "ASSET", "P-" + UUID.randomUUID(), "Pump");
        plant.alter(asset, "class", "", "pump").ok();
        plant.alter(asset, "nameplate.powerKw", "", "7500 W").ok();
        assertThat(caller.get("/api/plant/nodes/" + asset + "/nameplate")
                        .ok()
                        .get("lines")
                        .valueStream()
                        .filter(line -> line.get("key").asString().equals("powerKw"))
                        .findFirst()
                        .orElseThrow()
                        .get("value")
                        .asString())
                .isEqualTo("7.5");
        assertThat(plant.alter(asset, "nameplate.powerKw", "7.5", "5 bar").sentence())
                .contains("not \"5 bar\"");
    }
}
