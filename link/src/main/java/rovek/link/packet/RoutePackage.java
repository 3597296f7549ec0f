package rovek.link.packet;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A route as it is loaded onto an instrument.
 *
 * @param id of the route
 * @param revision of the route; one that was written without is the first
 * @param stops in walking order
 */
public record RoutePackage(UUID id, int revision, String name, Instant createdAt, List<RouteStop> stops) {

    private static final String ROUTE = "route.json";

    /**
     * One place to measure at.
     *
     * @param id of the check
     * @param settings all settings in force there
     * @param instruction what the technician is told there; may be blank
     */
    public record RouteStop(
            UUID id,
            String assetTag,
            String assetName,
            String point,
            String check,
            String technique,
            Map<String, String> settings,
            String instruction) {

        public RouteStop {
            settings = Map.copyOf(settings);
        }

        public RouteStop(UUID id, String assetTag, String assetName, String point, String check, String technique, Map<String, String> settings) {
            this(id, assetTag, assetName, point, check, technique, settings, "");
        }
    }

    public RoutePackage {
        stops = List.copyOf(stops);
    }

    /** The first revision of a route. */
    public RoutePackage(UUID id, String name, Instant createdAt, List<RouteStop> stops) {
        this(id, 1, name, createdAt, stops);
    }

    public byte[] pack() {
        ObjectNode route = Schemas.PUBLISHED.json().createObjectNode();
        route.put("id", id.toString()).put("revision", revision).put("name", name);
        var list = route.putArray("stops");
        for (RouteStop stop : stops) {
            ObjectNode node = list.addObject()
                    .put("id", stop.id().toString())
                    .put("assetTag", stop.assetTag())
                    .put("assetName", stop.assetName())
                    .put("point", stop.point())
                    .put("check", stop.check())
                    .put("technique", stop.technique())
                    .put("instruction", stop.instruction());
            JsonMaps.put(node.putObject("settings"), stop.settings());
        }
        byte[] bytes = Schemas.PUBLISHED.json().writeValueAsBytes(route);
        try {
            Schemas.PUBLISHED.route(bytes);
        } catch (PackageException e) {
            throw new IllegalArgumentException("This route cannot be packed. " + e.getMessage(), e);
        }
        return new PackageEntries("route", createdAt, Maker.rovek(), Map.of(ROUTE, bytes)).pack();
    }

    public static RoutePackage unpack(byte[] packed) throws PackageException {
        PackageEntries entries = PackageEntries.unpack(packed);
        byte[] bytes = entries.entries().get(ROUTE);
        if (!entries.kind().equals("route") || bytes == null) {
            throw PackageException.foreign("it holds no route");
        }
        JsonNode route = Schemas.PUBLISHED.route(bytes);
        List<RouteStop> stops = new ArrayList<>();
        for (JsonNode stop : route.get("stops")) {
            stops.add(new RouteStop(
                    JsonMaps.uuid(stop, "id", ROUTE),
                    stop.get("assetTag").stringValue(),
                    stop.get("assetName").stringValue(),
                    stop.get("point").stringValue(),
                    stop.get("check").stringValue(),
                    stop.get("technique").stringValue(),
                    new LinkedHashMap<>(JsonMaps.texts(stop.get("settings"))),
                    stop.path("instruction").asString("")));
        }
        return new RoutePackage(
                JsonMaps.uuid(route, "id", ROUTE), route.path("revision").asInt(1), route.get("name").stringValue(), entries.createdAt(), stops);
    }
}
