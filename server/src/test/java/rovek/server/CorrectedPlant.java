package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import tools.jackson.databind.JsonNode;

/** Two pumps alike of two clients, and an instrument that has walked the first of them. */
abstract class CorrectedPlant extends ConnectedHandheld {

    final String tag = "P-" + UUID.randomUUID().toString().substring(0, 8);
    List<String> here;
    List<String> there;

    CorrectedPlant(RunningRovek rovek) {
        super(rovek);
    }

    @BeforeEach
    void plan() {
        here = plant.pump(tag);
        there = plant.pump(tag);
    }

    /** The walk of the first pump, read back. */
    String walked() {
        field.load(caller, instrument, plant.route(here));
        field.press("/api/walk-all", Map.of());
        assertThat(field.readBack(caller, instrument).get("state").asString()).isEqualTo("DONE");
        return caller.get("/api/visits").ok().get(0).get("id").asString();
    }

    JsonNode sheet(String visit) {
        return caller.get("/api/visits/" + visit).ok();
    }

    static List<String> checks(JsonNode sheet) {
        return sheet.get("rows")
                .valueStream()
                .map(row -> row.get("checkId").asString())
                .toList();
    }

    static List<String> readings(JsonNode sheet) {
        return sheet.get("rows")
                .valueStream()
                .map(row -> row.get("readingId").asString())
                .toList();
    }

    String clientOf(String check) {
        String at = check;
        Map<String, String> parents = new HashMap<>();
        plant.rows()
                .forEach(row -> parents.put(
                        row.get("node").get("id").asString(),
                        row.get("node").get("parentId").asString("")));
        while (!parents.get(at).isEmpty()) {
            at = parents.get(at);
        }
        return at;
    }

    Caller.Answer undo(JsonNode corrected) {
        return caller.post("/api/corrections/" + corrected.get("id").asString() + "/undo", Map.of());
    }

    Map<String, Object> move(String target, List<String> readings) {
        return Map.of("targetId", target, "readingIds", readings);
    }

    String original() {
        return caller.get("/api/instruments/" + instrument + "/originals")
                .ok()
                .get(0)
                .get("id")
                .asString();
    }
}
