package rovek.link.packet;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import rovek.core.wording.Sentence;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A route as it is loaded onto an instrument.
 *
 * @param id of the route
 * @param revision of the route; one that was written without is the first
 * @param stops in walking order
 * @param skipReasons what a technician chooses from who skips a stop
 * @param pictures name of an entry to a JPEG
 */
public record RoutePackage(
        UUID id,
        int revision,
        String name,
        Instant createdAt,
        List<RouteStop> stops,
        List<String> skipReasons,
        Map<String, byte[]> pictures) {

    private static final String ROUTE = "route.json";
    /** Where pictures lie in the package. */
    public static final String PICTURES = "pictures/";

    /**
     * One place to measure at.
     *
     * @param id of the check
     * @param settings all settings in force there
     * @param instruction what the technician is told there; may be blank
     * @param picture name of the picture shown there; blank for none
     */
    public record RouteStop(
            UUID id,
            String assetTag,
            String assetName,
            String point,
            String check,
            String technique,
            Map<String, String> settings,
            String instruction,
            String picture) {

        public RouteStop {
            settings = Map.copyOf(settings);
        }

        public RouteStop(
                UUID id,
                String assetTag,
                String assetName,
                String point,
                String check,
                String technique,
                Map<String, String> settings) {
            this(id, assetTag, assetName, point, check, technique, settings, "", "");
        }
    }

    public RoutePackage {
        stops = List.copyOf(stops);
        skipReasons = List.copyOf(skipReasons);
        pictures = new TreeMap<>(pictures);
        for (RouteStop stop : stops) {
            if (!stop.picture().isEmpty() && !pictures.containsKey(stop.picture())) {
                throw new IllegalArgumentException("The picture %s of a stop is missing.".formatted(stop.picture()));
            }
        }
    }

    /** The first revision of a route. */
    public RoutePackage(UUID id, String name, Instant createdAt, List<RouteStop> stops) {
        this(id, 1, name, createdAt, stops, List.of(), Map.of());
    }

    public byte[] pack() {
        ObjectNode route = Schemas.PUBLISHED.json().createObjectNode();
        route.put("id", id.toString()).put("revision", revision).put("name", name);
        var reasons = route.putArray("skipReasons");
        skipReasons.forEach(reasons::add);
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
            if (!stop.picture().isEmpty()) {
                node.put("picture", stop.picture());
            }
            JsonMaps.put(node.putObject("settings"), stop.settings());
        }
        byte[] bytes = Schemas.PUBLISHED.json().writeValueAsBytes(route);
        try {
            Schemas.PUBLISHED.route(bytes);
        } catch (PackageException e) {
            throw new IllegalArgumentException("This route cannot be packed. " + e.getMessage(), e);
        }
        Map<String, byte[]> entries = new LinkedHashMap<>();
        entries.put(ROUTE, bytes);
        entries.putAll(pictures);
        return new PackageEntries("route", createdAt, Maker.rovek(), entries).pack();
    }

    public static RoutePackage unpack(byte[] packed) throws PackageException {
        return Understanding.of(() -> taken(packed));
    }

    private static RoutePackage taken(byte[] packed) throws PackageException {
        PackageEntries entries = PackageEntries.unpack(packed);
        byte[] bytes = entries.entries().get(ROUTE);
        if (!entries.kind().equals("route") || bytes == null) {
            throw PackageException.foreign(Sentence.of("packet.noRoute"));
        }
        JsonNode route = Schemas.PUBLISHED.route(bytes);
        Map<String, byte[]> pictures = new TreeMap<>(entries.entries());
        pictures.keySet().removeIf(name -> !name.startsWith(PICTURES));
        List<String> reasons = new ArrayList<>();
        route.path("skipReasons").forEach(reason -> reasons.add(reason.asString("")));
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
                    stop.path("instruction").asString(""),
                    known(stop.path("picture").asString(""), pictures)));
        }
        return new RoutePackage(
                JsonMaps.uuid(route, "id", ROUTE),
                route.path("revision").asInt(1),
                route.get("name").stringValue(),
                entries.createdAt(),
                stops,
                reasons,
                pictures);
    }

    /** A stop without its picture is still a stop. */
    private static String known(String picture, Map<String, byte[]> pictures) {
        return pictures.containsKey(picture) ? picture : "";
    }
}
