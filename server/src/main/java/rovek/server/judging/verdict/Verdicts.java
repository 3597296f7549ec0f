package rovek.server.judging.verdict;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.limit.Background;
import rovek.core.limit.Baselines;
import rovek.core.limit.Judgement;
import rovek.core.limit.Limit;
import rovek.core.limit.LimitLayers;
import rovek.core.limit.SeriesJudge;
import rovek.core.limit.Verdict;
import rovek.core.plant.Node;
import rovek.core.plant.Sisters;
import rovek.core.technique.ResultDefinition;
import rovek.core.trend.TimedValue;
import rovek.core.wording.Sentence;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.reading.ResultSeries;
import rovek.server.plant.event.PlantEvents;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.PlantTree;

/**
 * Judges readings, each under the limits that count at its time. A verdict is never stored: it follows from the
 * readings, the limits as they were said over time, and what happened to the plant.
 */
@Service
public class Verdicts {

    private final Readings readings;
    private final PlantEvents events;

    Verdicts(Readings readings, PlantEvents events) {
        this.readings = readings;
        this.events = events;
    }

    /**
     * A reading's verdict before it was combined: what each result came to.
     *
     * @param isLimitedAtOtherTimes whether there is a limit that does not hold for when the reading was taken
     */
    private record Parts(
            ReadingView reading,
            boolean isLimitedAtOtherTimes,
            Map<String, ReadingVerdict.OfResult> now,
            Map<String, Limit.Outcome> first) {}

    /** @return reading id to its verdict; readings on no check of this plant are left out */
    @Transactional(readOnly = true)
    public Map<UUID, ReadingVerdict> of(PlantTree tree, Collection<ReadingView> some) {
        Map<UUID, CheckView> checks = new HashMap<>();
        Series series = new Series(tree);
        Map<UUID, ReadingVerdict> verdicts = new LinkedHashMap<>();
        for (ReadingView reading : some) {
            CheckView check = reading.checkId() == null
                    ? null
                    : checks.computeIfAbsent(
                            reading.checkId(), id -> tree.check(id).orElse(null));
            if (check != null) {
                verdicts.put(reading.id(), verdict(judged(reading, check, series)));
            }
        }
        return verdicts;
    }

    public ReadingVerdict of(PlantTree tree, ReadingView reading) {
        return of(tree, List.of(reading)).get(reading.id());
    }

    private static Parts judged(ReadingView reading, CheckView check, Series series) {
        Parts parts = new Parts(
                reading,
                check.limits().values().stream().anyMatch(LimitLayers::haveLimit),
                new LinkedHashMap<>(),
                new LinkedHashMap<>());
        check.limits().forEach((resultId, layers) -> {
            Optional<LimitLayers.InForce> now = layers.at(reading.takenAt());
            if (!reading.results().containsKey(resultId)) {
                now.ifPresent(limit ->
                        parts.now().put(resultId, new ReadingVerdict.OfResult(withoutValue(check, resultId), limit)));
                return;
            }
            Optional<LimitLayers.InForce> first = layers.at(reading.takenAt(), reading.storedAt());
            now.ifPresent(limit -> parts.now()
                    .put(
                            resultId,
                            new ReadingVerdict.OfResult(
                                    limit.limit().needsHistory()
                                            ? series.outcome(reading, check, resultId)
                                            : alone(reading, resultId, limit),
                                    limit)));
            first.ifPresent(
                    limit -> parts.first().put(resultId, firstOutcome(parts, check, resultId, now, limit, series)));
        });
        return parts;
    }

    private static Limit.Outcome withoutValue(CheckView check, String resultId) {
        return Limit.Outcome.notJudged(Sentence.of(
                "judging.noValueOf",
                "result",
                check.technique().result(resultId).name()));
    }

    private static Limit.Outcome firstOutcome(
            Parts parts,
            CheckView check,
            String resultId,
            Optional<LimitLayers.InForce> now,
            LimitLayers.InForce first,
            Series series) {
        if (now.filter(first::equals).isPresent()) {
            return parts.now().get(resultId).outcome();
        }
        ReadingView reading = parts.reading();
        LimitLayers layers = check.limits().get(resultId);
        return first.limit().needsHistory()
                ? series.outcome(reading, check, resultId, time -> layers.at(time, reading.storedAt()))
                : alone(reading, resultId, first);
    }

    private static Limit.Outcome alone(ReadingView reading, String resultId, LimitLayers.InForce limit) {
        return limit.limit().judge(reading.results().get(resultId), List.of(), Background.NOTHING);
    }

    private static ReadingVerdict verdict(Parts parts) {
        ReadingView reading = parts.reading();
        List<Limit.Outcome> outcomes = parts.now().values().stream()
                .map(ReadingVerdict.OfResult::outcome)
                .toList();
        Sentence obstacle = reading.results().isEmpty() && reading.obstacle().isBlank()
                ? Sentence.of("judging.noResult")
                : reading.obstacle();
        Judgement judgement = Judgement.worstOf(obstacle, outcomes);
        if (judgement.reason().equals(Judgement.NO_LIMIT)
                && judgement.verdict() == Verdict.NOT_JUDGED
                && parts.isLimitedAtOtherTimes()) {
            judgement = Judgement.notJudged(Judgement.NO_LIMIT_THEN);
        }
        if (judgement.verdict() == Verdict.PASS) {
            // What passes passed by all that it has a limit for.
            judgement = valueMissing(parts).map(Judgement::notJudged).orElse(judgement);
        }
        Verdict first = judgement.verdict() == Verdict.NOT_JUDGED
                ? Verdict.NOT_JUDGED
                : Judgement.worstOf(obstacle, parts.first().values()).verdict();
        Optional<Instant> saidAt = parts.now().values().stream()
                .flatMap(one -> one.limit().revision().saidAt().stream())
                .filter(said -> said.isAfter(reading.storedAt()))
                .reduce((one, other) -> one.isAfter(other) ? one : other);
        if (first != judgement.verdict() && saidAt.isPresent()) {
            judgement = judgement.judgedAgain(first, saidAt.get());
        }
        if (reading.overridden() != null) {
            judgement = judgement.overriddenTo(
                    reading.overridden().verdict(),
                    reading.overridden().because(),
                    reading.overridden().by(),
                    reading.overridden().at());
        }
        return new ReadingVerdict(judgement, parts.now());
    }

    private static Optional<Sentence> valueMissing(Parts parts) {
        return parts.now().entrySet().stream()
                .filter(one -> !parts.reading().results().containsKey(one.getKey()))
                .map(one -> one.getValue().outcome().remark())
                .findFirst();
    }

    /**
     * A result of checks over all time, with what it takes to judge it.
     *
     * @param withSisters whether by a limit that asks for the sister assets; those that count are always found
     * @return check id to its history, in the order of the checks
     */
    @Transactional(readOnly = true)
    public Map<UUID, SeriesJudge> series(
            PlantTree tree, List<CheckView> checks, ResultDefinition result, boolean withSisters) {
        Series series = new Series(tree);
        Map<UUID, SeriesJudge> judges = new LinkedHashMap<>();
        series.lookUp(checks, result, withSisters);
        checks.forEach(check -> judges.put(check.id(), series.judge(check, result, withSisters)));
        return judges;
    }

    public SeriesJudge series(PlantTree tree, CheckView check, ResultDefinition result) {
        return series(tree, List.of(check), result, false).get(check.id());
    }

    /** What was measured on checks over time, looked up once for all that is judged together. */
    private final class Series {

        private record Key(UUID check, String result) {}

        private final PlantTree tree;
        private final Map<Key, ResultSeries> known = new HashMap<>();
        private final Map<Key, List<SeriesJudge.Judged>> judged = new HashMap<>();
        private final Map<UUID, Baselines> baselines = new HashMap<>();

        Series(PlantTree tree) {
            this.tree = tree;
        }

        /** Looks up at once what is going to be asked for. */
        void lookUp(List<CheckView> checks, ResultDefinition result, boolean withSisters) {
            Set<UUID> wanted = new LinkedHashSet<>();
            for (CheckView check : checks) {
                wanted.add(check.id());
                if (asksSisters(check, result, withSisters)) {
                    sisters(check).forEach(sister -> wanted.add(sister.id()));
                }
            }
            readings.series(wanted, result).forEach((check, found) -> known.put(new Key(check, result.id()), found));
            baselines.putAll(
                    events.baselines(tree, checks.stream().map(CheckView::id).toList()));
        }

        private static boolean asksSisters(CheckView check, ResultDefinition result, boolean withSisters) {
            return withSisters
                    || check.limits()
                            .getOrDefault(result.id(), LimitLayers.NONE)
                            .needSisters();
        }

        private List<Node> sisters(CheckView check) {
            return new Sisters(tree.nodes(), tree::name).checks(check.id());
        }

        private ResultSeries of(UUID check, ResultDefinition result) {
            return known.computeIfAbsent(new Key(check, result.id()), key -> readings.series(check, result));
        }

        /** By the limits that count. */
        Limit.Outcome outcome(ReadingView reading, CheckView check, String resultId) {
            Key key = new Key(check.id(), resultId);
            if (!judged.containsKey(key)) {
                judged.put(
                        key,
                        judge(check, check.technique().result(resultId), false).judged());
            }
            return find(reading, check, resultId, judged.get(key));
        }

        Limit.Outcome outcome(ReadingView reading, CheckView check, String resultId, SeriesJudge.Choice choice) {
            SeriesJudge judge = judge(check, check.technique().result(resultId), false);
            return find(reading, check, resultId, judge.judged(choice));
        }

        private Limit.Outcome find(
                ReadingView reading, CheckView check, String resultId, List<SeriesJudge.Judged> all) {
            int at = of(check.id(), check.technique().result(resultId))
                    .readings()
                    .indexOf(reading.id());
            return at < 0
                    ? Limit.Outcome.notJudged(Sentence.of("judging.doesNotCount"))
                    : all.get(at).outcome();
        }

        SeriesJudge judge(CheckView check, ResultDefinition result, boolean withSisters) {
            ResultSeries series = of(check.id(), result);
            List<List<TimedValue>> beside = new ArrayList<>();
            LimitLayers layers = check.limits().getOrDefault(result.id(), LimitLayers.NONE);
            if (asksSisters(check, result, withSisters)) {
                sisters(check)
                        .forEach(sister -> beside.add(of(sister.id(), result).values()));
            }
            Baselines own = baselines.computeIfAbsent(
                    check.id(), id -> events.baselines(tree, List.of(id)).get(id));
            return new SeriesJudge(series.values(), series.unit(), layers, own, beside);
        }
    }
}
