package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
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

    /** @param check null for a loose reading */
    static Map<String, Object> recording(String name, int millis, String check) {
        Map<String, Object> wanted =
                new HashMap<>(Map.of("id", UUID.randomUUID().toString(), "name", name, "intervalMillis", millis));
        wanted.put("checkId", check);
        return wanted;
    }
}
