package rovek.server.follow.trend;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.core.limit.Baselines;
import rovek.core.limit.SeriesJudge;
import rovek.core.plant.Sisters;
import rovek.core.technique.ResultDefinition;
import rovek.core.trend.TimedValue;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Names;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.reading.ResultCourse;
import rovek.server.judging.reading.ResultCourse.Stretch;
import rovek.server.judging.reading.ResultHours;
import rovek.server.judging.verdict.ReadingVerdict;
import rovek.server.judging.verdict.ShownResult;
import rovek.server.judging.verdict.VerdictNotes;
import rovek.server.judging.verdict.Verdicts;
import rovek.server.plant.event.PlantEvents;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;

/** Follows results over time: every reading with its verdict, or thinned where they are too many to be drawn. */
@Service
public class Trends {

    /** More readings than this are drawn as least and largest values of stretches. */
    static final int MOST_POINTS = 2_000;

    private final Plant plant;
    private final Readings readings;
    private final Verdicts verdicts;
    private final PlantEvents events;
    private final ResultCourse rows;
    private final ResultHours summaries;
    private final Clock clock;

    Trends(
            Plant plant,
            Readings readings,
            Verdicts verdicts,
            PlantEvents events,
            ResultCourse rows,
            ResultHours summaries,
            Clock clock) {
        this.plant = plant;
        this.readings = readings;
        this.verdicts = verdicts;
        this.events = events;
        this.rows = rows;
        this.summaries = summaries;
        this.clock = clock;
    }

    /**
     * One result of a check over a period.
     *
     * @param resultId blank for the leading one
     * @param from the beginning where null, likewise {@code to}
     */
    public TrendView of(UUID checkId, String resultId, @Nullable Instant from, @Nullable Instant to) {
        PlantTree tree = plant.tree();
        CheckView check = tree.check(checkId).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.check")));
        List<ResultDefinition> results = check.technique().results(check.settings());
        ResultDefinition result = results.stream()
                .filter(candidate -> resultId.isBlank() || candidate.id().equals(resultId))
                .findFirst()
                .orElseThrow(() -> new DomainProblem.Invalid(
                        "resultId",
                        Sentence.of(
                                "follow.noNumbers",
                                "technique",
                                check.technique().name())));
        boolean isSummedUp = summaries.refresh(checkId, result.id());
        ResultCourse.Extent extent = rows.extent(checkId, result, from, to, isSummedUp);
        boolean isThinned = extent.count() > MOST_POINTS;
        List<Stretch> stretches =
                isThinned ? rows.stretches(checkId, result, extent, MOST_POINTS / 2, isSummedUp) : List.of();
        List<TrendView.TrendPoint> points = isThinned ? List.of() : points(tree, check, result, from, to);
        SeriesJudge series = isSummedUp ? null : verdicts.series(tree, check, result);
        List<TimedValue> all = series != null ? series.values() : isThinned ? medians(stretches) : values(points);
        Baselines baselines = events.baselines(tree, List.of(checkId)).get(checkId);
        List<TrendView.LimitStep> lines = LimitLines.of(check, result, series, clock.instant());
        return new TrendView(
                checkId,
                check.place() + ", " + check.node().name(),
                check.asset().tag(),
                ShownResult.of(result),
                new TrendView.Measured(
                        points,
                        stretches,
                        extent.count(),
                        extent.firstAt() == null ? null : extent.firstAt().toString(),
                        extent.lastAt() == null ? null : extent.lastAt().toString()),
                lines,
                periods(baselines, all),
                events.ofCheck(tree, checkId),
                from == null && to == null
                        ? CourseMaker.of(all, baselines, lines.isEmpty() ? null : lines.get(lines.size() - 1))
                        : null,
                results.stream()
                        .filter(other -> !other.equals(result))
                        .map(other -> new TrendView.NamedResult(other.id(), Names.result(other)))
                        .toList(),
                sisters(tree, checkId),
                plant.zone(tree, checkId).getId());
    }

    /** The medians of stretches, for the course of very many values. */
    private static List<TimedValue> medians(List<Stretch> stretches) {
        return stretches.stream()
                .map(stretch -> new TimedValue(Instant.parse(stretch.from()), stretch.median()))
                .toList();
    }

    private static List<TimedValue> values(List<TrendView.TrendPoint> points) {
        return points.stream()
                .map(point -> new TimedValue(Instant.parse(point.at()), point.value()))
                .toList();
    }

    private List<TrendView.TrendPoint> points(
            PlantTree tree, CheckView check, ResultDefinition result, @Nullable Instant from, @Nullable Instant to) {
        List<ReadingView> some = readings.history(check.id(), from, to).stream()
                .filter(reading -> reading.results().containsKey(result.id()))
                .toList();
        Map<UUID, ReadingVerdict> judged = verdicts.of(tree, some);
        return some.stream()
                .map(reading -> point(reading, result, judged.get(reading.id())))
                .toList();
    }

    /** The shape says what this result came to; a person's verdict is one on the whole reading. */
    private static TrendView.TrendPoint point(ReadingView reading, ResultDefinition result, ReadingVerdict judged) {
        ReadingVerdict own = judged.onlyOn(result.id());
        return new TrendView.TrendPoint(
                reading.id(),
                reading.takenAt().toString(),
                reading.results().get(result.id()).in(result.unit()).value(),
                own.judgement().verdict(),
                own.judgement().reason(),
                VerdictNotes.of(own.judgement()));
    }

    private static List<TrendView.BaselinePeriod> periods(Baselines baselines, List<TimedValue> values) {
        Map<Optional<Baselines.Start>, List<TimedValue>> stretches = new HashMap<>();
        values.forEach(value -> stretches
                .computeIfAbsent(baselines.before(value.at()), none -> new ArrayList<>())
                .add(value));
        return stretches.values().stream()
                .map(baselines::ofStretch)
                .filter(baseline -> !baseline.isEmpty())
                .map(baseline -> new TrendView.BaselinePeriod(
                        baseline.get(0).at().toString(),
                        baseline.get(baseline.size() - 1).at().toString()))
                .sorted(Comparator.comparing(TrendView.BaselinePeriod::from))
                .toList();
    }

    private static List<TrendView.Sister> sisters(PlantTree tree, UUID checkId) {
        return new Sisters(tree.nodes(), tree::name)
                .checks(checkId).stream()
                        .flatMap(node -> tree.check(node.id()).stream())
                        .map(sister -> new TrendView.Sister(
                                sister.id(),
                                sister.asset().tag(),
                                sister.asset().name()))
                        .toList();
    }
}
