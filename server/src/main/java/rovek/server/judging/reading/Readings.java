package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.technique.ResultDefinition;
import rovek.core.trend.TimedValue;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.server.base.problem.DomainProblem;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Looks readings up. Reads rows, not entities: lists are long and nothing is changed here. */
@Service
public class Readings {

    // Readings of one instant stand in the order in which they were stored and the instrument counted them.
    private static final String SELECT = """
            SELECT r.id, r.check_id, r.visit_id, r.original_id, r.instrument_id, r.technique, r.taken_at, r.label, r.note, r.obstacle,
                   r.replaced, r.discarded_because, r.filled, r.stored_at, r.overruled, r.planned_for, r.chosen, r.calibrated_on,
                       r.calibrated_until,
                   v.result_id, v.value, v.unit
            FROM %s r LEFT JOIN result v ON v.reading_id = r.id AND v.taken_at = r.taken_at
            %s ORDER BY r.taken_at, r.stored_at, length(r.own_id), r.own_id, r.id, v.place""";

    /** Neither repeated nor discarded, nor later than it was read back. */
    private static String counts(String row) {
        return "NOT %1$s.replaced AND %1$s.discarded_because IS NULL AND %1$s.taken_at <= %1$s.stored_at + interval '1 day'"
                .formatted(row);
    }

    private final JdbcClient db;
    private final JsonMapper json;

    Readings(JdbcClient db, JsonMapper json) {
        this.db = db;
        this.json = json;
    }

    /** All readings of a visit in the order they were taken, replaced and discarded ones too. */
    @Transactional(readOnly = true)
    public List<ReadingView> ofVisit(UUID visitId) {
        return read(db.sql(SELECT.formatted("reading", "WHERE r.visit_id = ?")).param(visitId));
    }

    /** @throws DomainProblem.NotFound when there is no such reading */
    @Transactional(readOnly = true)
    public ReadingView get(UUID id) {
        return read(db.sql(SELECT.formatted("reading", "WHERE r.id = ?")).param(id)).stream()
                .findFirst()
                .orElseThrow(() -> new DomainProblem.NotFound("The reading"));
    }

    /** The newest readings that count, up to so many for each check, oldest first. */
    @Transactional(readOnly = true)
    public Map<UUID, List<ReadingView>> newest(Collection<UUID> checks, int most) {
        if (checks.isEmpty()) {
            return Map.of();
        }
        String source = """
                (SELECT x.* FROM unnest(ARRAY[:checks]::uuid[]) AS c(id) CROSS JOIN LATERAL
                    (SELECT * FROM reading n WHERE check_id = c.id AND %s
                        ORDER BY taken_at DESC, stored_at DESC, length(own_id) DESC, own_id DESC, id DESC LIMIT :most)
                            x)""".formatted(counts("n"));
        Map<UUID, List<ReadingView>> byCheck = new HashMap<>();
        read(db.sql(SELECT.formatted(source, "")).param("checks", checks).param("most", most))
                .forEach(reading -> byCheck.computeIfAbsent(reading.checkId(), none -> new ArrayList<>())
                        .add(reading));
        return byCheck;
    }

    /**
     * Every reading of a check in a period that counts, oldest first.
     *
     * @param from the beginning where null, likewise {@code to}
     */
    @Transactional(readOnly = true)
    public List<ReadingView> history(UUID checkId, @Nullable Instant from, @Nullable Instant to) {
        String period =
                " AND (:from::timestamptz IS NULL OR r.taken_at >= :from) AND (:to::timestamptz IS NULL OR r.taken_at <= :to)";
        return read(db.sql(SELECT.formatted("reading", "WHERE r.check_id = :check AND " + counts("r") + period))
                .param("check", checkId)
                .param("from", from == null ? null : Timestamp.from(from))
                .param("to", to == null ? null : Timestamp.from(to)));
    }

    /**
     * One result of a check over all time, in the result's own unit; without what must not be judged, e.g. of an
     * overloaded sensor.
     */
    @Transactional(readOnly = true)
    public ResultSeries series(UUID checkId, ResultDefinition result) {
        return series(List.of(checkId), result).get(checkId);
    }

    /**
     * One result of several checks over all time, asked for at once.
     *
     * @return for each check its own, empty where nothing was measured
     */
    @Transactional(readOnly = true)
    public Map<UUID, ResultSeries> series(Collection<UUID> checks, ResultDefinition result) {
        Map<UUID, ResultSeries> series = new LinkedHashMap<>();
        checks.forEach(
                check -> series.put(check, new ResultSeries(new ArrayList<>(), new ArrayList<>(), result.unit())));
        db.sql("""
                SELECT r.check_id, r.id, r.taken_at, v.value, v.unit FROM reading r JOIN result v ON v.reading_id = r.id
                    AND v.taken_at = r.taken_at
                WHERE r.check_id = ANY(?) AND v.result_id = ? AND r.obstacle = '' AND %s
                ORDER BY r.taken_at, r.stored_at, length(r.own_id), r.own_id, r.id""".formatted(counts("r")))
                .params(checks.toArray(UUID[]::new), result.id())
                .query(row -> {
                    ResultSeries of = series.get(row.getObject(1, UUID.class));
                    Amount amount = new Amount(row.getDouble(4), UnitCatalogue.get(row.getString(5)));
                    of.readings().add(row.getObject(2, UUID.class));
                    of.values()
                            .add(new TimedValue(
                                    row.getTimestamp(3).toInstant(),
                                    amount.in(result.unit()).value()));
                });
        return series;
    }

    /**
     * For each reading of a visit the results of the reading before it on the same check.
     *
     * @return reading id to the results before; readings without a predecessor are left out
     */
    @Transactional(readOnly = true)
    public Map<UUID, Map<String, Double>> resultsBefore(UUID visitId) {
        Map<UUID, Map<String, Double>> before = new HashMap<>();
        db.sql("""
                SELECT r.id, v.result_id, v.value FROM reading r
                CROSS JOIN LATERAL (SELECT p.id, p.taken_at FROM reading p WHERE p.check_id = r.check_id
                    AND p.taken_at < r.taken_at AND p.visit_id <> r.visit_id AND %s
                    ORDER BY p.taken_at DESC LIMIT 1) AS p
                JOIN result v ON v.reading_id = p.id AND v.taken_at = p.taken_at
                WHERE r.visit_id = ?""".formatted(counts("p"))).param(visitId).query(row -> {
            before.computeIfAbsent(row.getObject(1, UUID.class), none -> new HashMap<>())
                    .put(row.getString(2), row.getDouble(3));
        });
        return before;
    }

    private List<ReadingView> read(JdbcClient.StatementSpec statement) {
        Map<UUID, ReadingView> readings = new LinkedHashMap<>();
        statement.query(row -> {
            UUID id = row.getObject("id", UUID.class);
            ReadingView reading = readings.get(id);
            if (reading == null) {
                reading = view(row);
                readings.put(id, reading);
            }
            if (row.getString("result_id") != null) {
                reading.results()
                        .put(
                                row.getString("result_id"),
                                new Amount(row.getDouble("value"), UnitCatalogue.get(row.getString("unit"))));
            }
        });
        return List.copyOf(readings.values());
    }

    private ReadingView view(ResultSet row) throws SQLException {
        Instant takenAt = row.getTimestamp("taken_at").toInstant();
        Instant storedAt = row.getTimestamp("stored_at").toInstant();
        String obstacle = ReadingView.isDatedAhead(takenAt, storedAt)
                ? "It says that it was taken on %s, later than it was read back: correct its time."
                        .formatted(takenAt.toString().substring(0, 10))
                : row.getString("obstacle");
        return new ReadingView(
                row.getObject("id", UUID.class),
                row.getObject("check_id", UUID.class),
                row.getObject("visit_id", UUID.class),
                row.getObject("original_id", UUID.class),
                row.getObject("instrument_id", UUID.class),
                row.getString("technique"),
                takenAt,
                row.getString("label"),
                row.getString("note"),
                obstacle,
                row.getBoolean("replaced"),
                row.getString("discarded_because"),
                filled(row.getString("filled")),
                storedAt,
                row.getString("overruled") == null
                        ? null
                        : json.readValue(row.getString("overruled"), Overruling.class),
                row.getObject("planned_for", UUID.class),
                row.getBoolean("chosen"),
                new InstrumentCalibration(
                        row.getObject("calibrated_on", LocalDate.class),
                        row.getObject("calibrated_until", LocalDate.class)),
                new LinkedHashMap<>());
    }

    private Map<String, String> filled(String text) {
        return text.equals("{}") ? Map.of() : json.readValue(text, new TypeReference<>() {});
    }
}
