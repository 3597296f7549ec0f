package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.technique.ResultDefinition;
import rovek.core.trend.TimedValue;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.records.Parts;
import rovek.server.base.wording.StoredSentence;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Looks readings up. Reads rows, not entities: lists are long and nothing is changed here. */
@Service
public class Readings {

    private static final Instant EVER = Instant.parse("0001-01-01T00:00:00Z");
    private static final Instant ALWAYS = Instant.parse("9999-12-31T00:00:00Z");

    private final ReadingRepository readings;
    private final NewestReadings newest;
    private final JsonMapper json;

    Readings(ReadingRepository readings, NewestReadings newest, JsonMapper json) {
        this.readings = readings;
        this.newest = newest;
        this.json = json;
    }

    /** All readings of a visit in the order they were taken, replaced and discarded ones too. */
    @Transactional(readOnly = true)
    public List<ReadingView> ofVisit(UUID visitId) {
        return read(readings.ofVisit(visitId));
    }

    /** @throws DomainProblem.NotFound when there is no such reading */
    @Transactional(readOnly = true)
    public ReadingView get(UUID id) {
        return read(readings.of(List.of(id))).stream()
                .findFirst()
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.reading")));
    }

    /** The newest readings that count, up to so many for each check, oldest first. */
    @Transactional(readOnly = true)
    public Map<UUID, List<ReadingView>> newest(Collection<UUID> checks, int most) {
        if (checks.isEmpty()) {
            return Map.of();
        }
        Map<UUID, List<ReadingView>> byCheck = new HashMap<>();
        // Part by part of the checks: those of one check must come together, in their order.
        read(Parts.asked(checks, most, part -> readings.of(newest.of(part, most))))
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
        return read(readings.history(checkId, from == null ? EVER : from, to == null ? ALWAYS : to));
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
        Parts.each(checks, part -> {
            try (Stream<ReadingRepository.Value> values = readings.values(part, result.id())) {
                values.forEach(one -> {
                    ResultSeries of = series.get(one.checkId());
                    Amount amount = new Amount(one.value(), UnitCatalogue.get(one.unit()));
                    of.readings().add(one.readingId());
                    of.values()
                            .add(new TimedValue(
                                    one.takenAt(), amount.in(result.unit()).value()));
                });
            }
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
        readings.before(visitId)
                .forEach(one -> before.computeIfAbsent(one.readingId(), none -> new HashMap<>())
                        .put(one.resultId(), one.value()));
        return before;
    }

    /**
     * Where a reading stands.
     *
     * @param checkId null while loose
     * @param isRepeated whether a later one took its place
     * @param discardedBecause null where it was not discarded
     */
    public record Whereabouts(
            UUID id,
            @Nullable UUID checkId,
            UUID visitId,
            Instant takenAt,
            boolean isRepeated,
            @Nullable String discardedBecause) {}

    /** Those of some readings that anything was changed on since they were stored. */
    @Transactional(readOnly = true)
    public List<Whereabouts> changedAmong(Collection<UUID> ids) {
        return Parts.asked(ids, readings::changedAmong);
    }

    /** The readings of a visit that anything was changed on since they were stored. */
    @Transactional(readOnly = true)
    public List<UUID> changedOfVisit(UUID visit) {
        return readings.changedOfVisit(visit);
    }

    /**
     * How many readings a visit has, without repeated ones.
     *
     * @param loose how many of them wait for their place
     */
    public record Counted(int readings, int loose) {}

    /** Of several visits; those without any are left out. */
    @Transactional(readOnly = true)
    public Map<UUID, Counted> counted(Collection<UUID> visits) {
        Map<UUID, Counted> counted = new HashMap<>();
        Parts.asked(visits, readings::counts)
                .forEach(one -> counted.put(one.visitId(), new Counted((int) one.readings(), (int) one.loose())));
        return counted;
    }

    /** The visits with readings that wait for their place, and how many. */
    @Transactional(readOnly = true)
    public Map<UUID, Integer> loose() {
        Map<UUID, Integer> loose = new HashMap<>();
        readings.loose().forEach(one -> loose.put(one.visitId(), (int) one.loose()));
        return loose;
    }

    /**
     * How long it takes in visits from one reading to the next.
     *
     * @param longestBreak what is longer is a break and does not count
     * @return visit to the time in the middle of all, in seconds; those with less than two readings are left out
     */
    @Transactional(readOnly = true)
    public Map<UUID, Double> paces(Collection<UUID> visits, Duration longestBreak) {
        Map<UUID, Double> paces = new HashMap<>();
        Parts.asked(visits, part -> readings.paces(part, longestBreak.toSeconds()))
                .forEach(one -> paces.put(one.visitId(), one.seconds()));
        return paces;
    }

    private List<ReadingView> read(List<ReadingRow> rows) {
        Map<UUID, ReadingView> views = new LinkedHashMap<>();
        rows.forEach(row -> {
            ReadingView reading = views.computeIfAbsent(row.id(), none -> view(row));
            if (row.resultId() != null) {
                reading.results().put(row.resultId(), new Amount(row.value(), UnitCatalogue.get(row.unit())));
            }
        });
        return List.copyOf(views.values());
    }

    private ReadingView view(ReadingRow row) {
        ReadingSource source = row.source();
        Sentence obstacle = ReadingView.isDatedAhead(source.takenAt(), source.storedAt())
                ? Sentence.of("judging.datedAhead", "on", LocalDate.ofInstant(source.takenAt(), ZoneOffset.UTC))
                : StoredSentence.read(row.obstacle());
        return new ReadingView(
                row.id(),
                row.place(),
                source,
                row.note(),
                obstacle,
                row.replaced(),
                row.discardedBecause(),
                row.overridden() == null ? null : json.readValue(row.overridden(), VerdictOverride.class),
                filled(row.filled()),
                row.calibration(),
                new LinkedHashMap<>());
    }

    private Map<String, String> filled(String text) {
        return text.equals("{}") ? Map.of() : json.readValue(text, new TypeReference<>() {});
    }
}
