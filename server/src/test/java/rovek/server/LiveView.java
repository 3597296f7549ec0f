package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.function.Supplier;
import tools.jackson.databind.JsonNode;

/** A live view as a browser looks at it, until it shows what is waited for. */
final class LiveView {

    private static final long LONGEST_NANOS = 40_000_000_000L;

    private LiveView() {}

    static JsonNode await(Supplier<JsonNode> look, Predicate<JsonNode> wanted) throws InterruptedException {
        long until = System.nanoTime() + LONGEST_NANOS;
        JsonNode seen = look.get();
        while (!wanted.test(seen)) {
            assertThat(System.nanoTime()).as("within 40 s, last seen " + seen).isLessThan(until);
            Thread.sleep(50);
            seen = look.get();
        }
        return seen;
    }

    /** @param live the view's address */
    static JsonNode await(Caller caller, String live, Predicate<JsonNode> wanted) throws InterruptedException {
        return await(() -> caller.get(live).ok(), wanted);
    }

    static JsonNode connected(Caller caller, String live) throws InterruptedException {
        return await(caller, live, LiveView::isConnected);
    }

    static JsonNode recorded(Caller caller, String live, int rows) throws InterruptedException {
        return await(caller, live, view -> rows(view) >= rows);
    }

    static boolean isConnected(JsonNode view) {
        return view.get("isConnected").asBoolean();
    }

    static int rows(JsonNode view) {
        return view.get("recording").path("rows").asInt(0);
    }

    /** Begins a loose recording of a connected source. */
    static void beginRecording(Caller caller, String live, String name, int millis) throws InterruptedException {
        connected(caller, live);
        caller.post(live + "/recording", recording(name, millis, null)).ok();
    }

    /** The only loose reading of the only visit, once there is one, with its label. */
    record Taken(String label, JsonNode capture) {}

    static Taken onlyTaken(Caller caller) throws InterruptedException {
        JsonNode visits = await(() -> caller.get("/api/visits").ok(), list -> list.size() == 1);
        JsonNode loose = caller.get("/api/visits/" + visits.get(0).get("id").asString())
                .ok()
                .get("tray")
                .get(0);
        return new Taken(
                loose.get("label").asString(),
                caller.get("/api/readings/" + loose.get("id").asString() + "/capture")
                        .ok());
    }

    /** @param check null for a loose reading */
    static Map<String, Object> recording(String name, int millis, String check) {
        Map<String, Object> wanted =
                new HashMap<>(Map.of("id", UUID.randomUUID().toString(), "name", name, "intervalMillis", millis));
        wanted.put("checkId", check);
        return wanted;
    }

    private static Map<String, String> channel(String name, String unit, int address, String form) {
        return Map.of(
                "name",
                name,
                "quantityUnit",
                unit,
                "table",
                "holding register",
                "address",
                String.valueOf(address),
                "form",
                form);
    }

    /** A set-up for a transmitter at this port; where its live values are. */
    static String transmitterSetup(Caller caller, int port) {
        String id = UUID.randomUUID().toString();
        caller.put(
                        "/api/setups/" + id,
                        Map.of(
                                "name",
                                "Booster outlet",
                                "form",
                                "registers",
                                "values",
                                Map.of("host", "127.0.0.1", "port", String.valueOf(port)),
                                "rows",
                                List.of(
                                        channel("Pressure", "bar", 0, "32-bit float (IEEE 754)"),
                                        channel("State", "", 3, "16-bit unsigned")),
                                "version",
                                0))
                .ok();
        return "/api/live/SETUP/" + id;
    }
}
