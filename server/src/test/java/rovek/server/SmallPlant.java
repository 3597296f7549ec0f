package rovek.server;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;

/** Plans a plant by the API, as small as a test needs it. */
public final class SmallPlant {

    private final Caller caller;

    public SmallPlant(Caller caller) {
        this.caller = caller;
    }

    public JsonNode add(String parent, String level, String tag, String name) {
        return add(parent, level, tag, name, null);
    }

    private JsonNode add(String parent, String level, String tag, String name, String preset) {
        Map<String, Object> node = new HashMap<>();
        node.put("id", UUID.randomUUID().toString());
        node.put("parentId", parent);
        node.put("level", level);
        node.put("tag", tag);
        node.put("name", name);
        node.put("preset", preset);
        return caller.post("/api/plant/nodes", node).ok();
    }

    public String id(String parent, String level, String tag, String name) {
        return idOf(add(parent, level, tag, name));
    }

    public static String idOf(JsonNode changed) {
        return changed.get("node").get("id").asString();
    }

    public String check(String point, String preset) {
        return idOf(add(point, "CHECK", "", "", preset));
    }

    /** A check of another technique than vibration. */
    public String check(String point, String technique, String preset) {
        return idOf(caller.post(
                        "/api/plant/nodes",
                        Map.of(
                                "id",
                                UUID.randomUUID().toString(),
                                "parentId",
                                point,
                                "level",
                                "CHECK",
                                "tag",
                                "",
                                "name",
                                "",
                                "technique",
                                technique,
                                "preset",
                                preset))
                .ok());
    }

    /** A client with one pump of two points and two checks each. */
    public List<String> pump(String tag) {
        return pumpOf("Client of " + tag, tag);
    }

    /** The same pump at a client of that name. */
    public List<String> pumpOf(String clientName, String tag) {
        String client = id(null, "CLIENT", "", clientName);
        String site = id(client, "SITE", "", "Works");
        String asset = id(id(site, "AREA", "", "Wellfield"), "ASSET", tag, "Well pump");
        List<String> checks = new ArrayList<>();
        for (String point : List.of("Drive end", "Non-drive end")) {
            String pointId = id(asset, "POINT", "", point);
            checks.add(check(pointId, "Velocity 10–1000 Hz"));
            checks.add(check(pointId, "Acceleration 1–10 kHz"));
        }
        return checks;
    }

    public String route(List<String> checks) {
        String id = UUID.randomUUID().toString();
        caller.put("/api/routes/" + id, Map.of("name", "Monthly walk", "checkIds", checks, "version", 0))
                .ok();
        return id;
    }

    /** Every row of the plant, by asking for it as the outliner does. */
    public List<JsonNode> rows() {
        List<JsonNode> rows = new ArrayList<>();
        List<String> open = new ArrayList<>();
        caller.get("/api/plant").ok().forEach(node -> open.add(node.get("id").asString()));
        caller.post("/api/outline", Map.of("open", open))
                .ok()
                .get("blocks")
                .forEach(block -> block.get("rows").forEach(rows::add));
        return rows;
    }

    public JsonNode row(String id) {
        return rows().stream()
                .filter(row -> row.get("node").get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    public JsonNode standing(String id) {
        return row(id).get("standing");
    }

    public Caller.Answer remove(String id) {
        return caller.post("/api/plant/remove", Map.of("ids", List.of(id)));
    }

    /** Changes one facet of a node that was seen with a value. */
    public Caller.Answer alter(String id, String facet, String from, String to) {
        return caller.post("/api/plant/alter", altering(id, facet, from, to));
    }

    public static Map<String, Object> altering(String id, String facet, String from, String to) {
        return Map.of("nodes", List.of(Map.of("node", id, "facets", Map.of(facet, Map.of("from", from, "to", to)))));
    }
}
