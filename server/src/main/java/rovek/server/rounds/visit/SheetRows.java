package rovek.server.rounds.visit;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import rovek.core.limit.Judgement;
import rovek.core.technique.ResultDefinition;
import rovek.core.unit.Amount;
import rovek.core.wording.Sentence;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.verdict.Boundaries;
import rovek.server.judging.verdict.ReadingVerdict;
import rovek.server.judging.verdict.ShownVerdict;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.PlantTree;

/**
 * Makes the rows of a sheet: the stops in walking order, then what was placed by hand.
 *
 * @param placed check id to its readings that no later one repeats, in the order they were taken
 * @param repeats check id to how many readings were repeated
 * @param before reading id to the results of the reading before it
 * @param swapped reading id to what it was perhaps swapped with
 * @param accidental readings that look as if nothing had been measured
 */
record SheetRows(
        PlantTree tree,
        Map<UUID, List<ReadingView>> placed,
        Map<UUID, ReadingVerdict> verdicts,
        Map<UUID, Integer> repeats,
        Map<UUID, Map<String, Double>> before,
        Map<UUID, UUID> swapped,
        Set<UUID> accidental) {

    List<VisitRow> of(VisitEntity visit) {
        List<VisitRow> rows = new ArrayList<>();
        Set<UUID> planned = new HashSet<>();
        for (VisitEntity.Stop stop : visit.stops) {
            planned.add(stop.checkId());
            tree.check(stop.checkId()).ifPresent(check -> rows.add(row(check, stop, visit.beganAt)));
        }
        placed.entrySet().stream()
                .filter(check -> !planned.contains(check.getKey()))
                .sorted(Comparator.comparing(check -> check.getValue().get(0).takenAt()))
                .forEach(one -> tree.check(one.getKey()).ifPresent(check -> rows.add(row(check, null, visit.beganAt))));
        return rows;
    }

    private VisitRow row(CheckView check, @Nullable VisitEntity.Stop stop, Instant began) {
        StopReadings readings = StopReadings.of(placed.getOrDefault(check.id(), List.of()), stop);
        ReadingView reading = readings.standing();
        // What a person put on a skipped stop, or chose there, was done after all.
        String progress =
                stop == null || (stop.progress().equals("skipped") && reading != null) ? "done" : stop.progress();
        // A stop's note is of the reading that was taken for it, not of another one that counts in its place.
        boolean isOfAnother = readings.others().stream().anyMatch(one -> StopReadings.isPlanned(one, stop))
                && !(reading != null && StopReadings.isPlanned(reading, stop));
        Optional<ResultDefinition> leading = check.leadingResult();
        ReadingVerdict verdict = reading == null
                ? new ReadingVerdict(
                        Judgement.notJudged(
                                Sentence.of(progress.equals("skipped") ? "rounds.skipped" : "rounds.notMeasured")),
                        Map.of())
                : verdict(reading);
        // What was not measured, or does not count, is shown beside what held on the day of the visit.
        Boundaries boundaries = verdict.results().isEmpty()
                ? Boundaries.standing(check.leadingLimit(began), leading)
                : verdict.boundaries(leading);
        Double value = value(reading, leading);
        Optional<UUID> other = Optional.ofNullable(reading).map(one -> swapped.get(one.id()));
        Double last = reading == null
                ? null
                : before.getOrDefault(reading.id(), Map.of())
                        .get(leading.map(ResultDefinition::id).orElse(""));
        return new VisitRow(
                new VisitRow.StopPlace(
                        check.id(),
                        check.asset().id(),
                        check.asset().tag(),
                        check.asset().name(),
                        check.point().name(),
                        check.node().name()),
                reading == null ? null : reading.id(),
                progress,
                value,
                leading.map(result -> result.unit().shown()).orElse(""),
                boundaries,
                value == null || last == null ? null : value - last,
                ShownVerdict.of(verdict.judgement()),
                note(isOfAnother ? null : stop, reading),
                repeats.getOrDefault(check.id(), 0),
                reading == null ? null : reading.discardedBecause(),
                new VisitRow.Oddity(
                        other.map(this::placeOf).orElse(""),
                        other.orElse(null),
                        reading != null && accidental.contains(reading.id())),
                reading == null ? Map.of() : reading.filled(),
                readings.others().stream().map(one -> other(one, stop, leading)).toList());
    }

    private VisitRow.OtherReading other(
            ReadingView reading, @Nullable VisitEntity.Stop stop, Optional<ResultDefinition> leading) {
        Judgement judgement = verdict(reading).judgement();
        return new VisitRow.OtherReading(
                reading.id(),
                reading.takenAt().toString(),
                StopReadings.isPlanned(reading, stop),
                value(reading, leading),
                judgement.verdict(),
                judgement.reason(),
                note(StopReadings.isPlanned(reading, stop) ? stop : null, reading),
                reading.discardedBecause());
    }

    private static @Nullable Double value(@Nullable ReadingView reading, Optional<ResultDefinition> leading) {
        return reading == null
                ? null
                : reading.value(leading).map(Amount::value).orElse(null);
    }

    /** What was noted at the stop and on its reading; what both say, once. */
    private static String note(@Nullable VisitEntity.Stop stop, @Nullable ReadingView reading) {
        String own = reading == null ? "" : reading.note();
        String ofStop = stop == null ? "" : stop.note();
        return own.isBlank() || ofStop.contains(own) ? ofStop : ofStop.isBlank() ? own : ofStop + "; " + own;
    }

    private String placeOf(UUID reading) {
        return placed.values().stream()
                .flatMap(List::stream)
                .filter(one -> one.id().equals(reading))
                .findFirst()
                .flatMap(one -> tree.check(one.checkId()))
                .map(CheckView::place)
                .orElse("");
    }

    private ReadingVerdict verdict(ReadingView reading) {
        return reading.discardedBecause() != null
                ? new ReadingVerdict(
                        Judgement.notJudged(Sentence.of("rounds.discarded", "why", reading.discardedBecause())),
                        Map.of())
                : verdicts.get(reading.id());
    }
}
