package rovek.server.rounds.route;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What was loaded onto which instrument. */
@Repository
class RouteLoads {

    private static final TypeReference<LinkedHashMap<UUID, String>> STOPS = new TypeReference<>() {};

    private final RouteLoadRepository loads;
    private final JsonMapper json;

    RouteLoads(RouteLoadRepository loads, JsonMapper json) {
        this.loads = loads;
        this.json = json;
    }

    /**
     * A route as it was loaded.
     *
     * @param stops check to all that was said of the stop, in walking order
     */
    record Load(UUID route, int revision, UUID instrument, Instant at, String actor, Map<UUID, String> stops) {}

    void add(Load load) {
        RouteLoadEntity row = new RouteLoadEntity();
        row.id = UUID.randomUUID();
        row.routeId = load.route();
        row.revision = load.revision();
        row.instrumentId = load.instrument();
        row.at = load.at();
        row.actor = load.actor();
        row.stops = json.writeValueAsString(load.stops());
        loads.add(row);
    }

    /** What each instrument holds: the last that was loaded onto it. */
    List<Load> onInstruments() {
        return loads.onInstruments().stream()
                .map(row -> new Load(
                        row.routeId,
                        row.revision,
                        row.instrumentId,
                        row.at,
                        row.actor,
                        json.readValue(row.stops, STOPS)))
                .toList();
    }
}
