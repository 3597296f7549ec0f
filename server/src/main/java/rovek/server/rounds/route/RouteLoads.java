package rovek.server.rounds.route;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What was loaded onto which instrument. */
@Repository
class RouteLoads {

    private static final TypeReference<LinkedHashMap<UUID, String>> STOPS = new TypeReference<>() {};

    private final JdbcClient db;
    private final JsonMapper json;

    RouteLoads(JdbcClient db, JsonMapper json) {
        this.db = db;
        this.json = json;
    }

    /**
     * A route as it was loaded.
     *
     * @param stops check to all that was said of the stop, in walking order
     */
    record Load(UUID route, int revision, UUID instrument, Instant at, String actor, Map<UUID, String> stops) {}

    void add(Load load) {
        db.sql("INSERT INTO route_load VALUES (?, ?, ?, ?, ?, ?, ?)")
                .param(UUID.randomUUID())
                .param(load.route())
                .param(load.revision())
                .param(load.instrument())
                .param(load.at().atOffset(ZoneOffset.UTC))
                .param(load.actor())
                .param(json.writeValueAsString(load.stops()))
                .update();
    }

    /** What each instrument holds: the last that was loaded onto it. */
    List<Load> onInstruments() {
        return db.sql("SELECT DISTINCT ON (instrument_id) route_id, revision, instrument_id, at, actor, stops "
                        + "FROM route_load ORDER BY instrument_id, at DESC")
                .query((row, n) -> new Load(
                        row.getObject(1, UUID.class),
                        row.getInt(2),
                        row.getObject(3, UUID.class),
                        row.getObject(4, OffsetDateTime.class).toInstant(),
                        row.getString(5),
                        json.readValue(row.getString(6), STOPS)))
                .list();
    }
}
