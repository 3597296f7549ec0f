package rovek.server.follow;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.limit.Judgement;
import rovek.core.limit.Limit;
import rovek.core.limit.Verdict;
import rovek.core.technique.ResultDefinition;
import rovek.core.unit.Amount;
import rovek.core.trend.MinMaxDecimation;
import rovek.server.limit.Boundaries;
import rovek.server.plant.CheckView;
import rovek.server.plant.Plant;
import rovek.server.plant.PlantNode;
import rovek.server.plant.PlantTree;
import rovek.server.problem.DomainProblem;
import rovek.server.reading.ReadingJudge;
import rovek.server.reading.ReadingView;
import rovek.server.reading.Readings;

/** How things stand and how they went: verdicts up the plant, asset sheets, trends. */
@Service
public class Follow {

    private static final int SPARK_READINGS = 13;
    private static final int MOST_CHECKS_ON_A_SHEET = 60;
    private static final int MOST_TREND_POINTS = 2_000;

    private final Plant plant;
    private final Readings readings;
    private final Standings standings;

    Follow(Plant plant, Readings readings, Standings standings) {
        this.plant = plant;
        this.readings = readings;
        this.standings = standings;
    }

    /**
     * A check as it stands, with its leading result.
     *
     * @param isByHand whether a person can write it down without any instrument
     * @param change since the reading before
     */
    public record CheckLine(
            UUID checkId, String assetTag, UUID pointId, String point, String check, String result, String resultId, String unit, String unitLabel, boolean isByHand,
            @Nullable UUID readingId,
            @Nullable String readAt, @Nullable Double value, @Nullable Double watch, @Nullable Double fail, @Nullable Double change, Verdict verdict, String reason,
            List<Double> spark, List<OtherResult> others) {}

    /** A further result of the newest reading. */
    public record OtherResult(String name, double value, String unit, @Nullable Double watch, @Nullable Double fail) {}

    /**
     * A node with its path and the checks beneath it.
     *
     * @param checks the worst ones, where there are more than fit a sheet
     * @param checkCount of all of them
     */
    public record Sheet(PlantNode node, List<PlantNode> path, List<CheckLine> checks, int checkCount) {}

    /** A reading on a trend. */
    public record TrendPoint(UUID readingId, String at, double value, Verdict verdict, String reason) {}

    /** A result of a check over time, with the limits that hold now. */
    public record Trend(UUID checkId, String title, String resultId, String result, String unit, @Nullable Double watch, @Nullable Double fail, List<TrendPoint> points) {}

    @Transactional(readOnly = true)
    public Sheet sheet(UUID nodeId) {
        Standings.Moment moment = standings.now();
        PlantTree tree = moment.tree();
        PlantNode node = tree.find(nodeId).orElseThrow(() -> new DomainProblem.NotFound("That part of the plant"));
        Standing standing = moment.of(nodeId);
        int count = standing.pass() + standing.watch() + standing.fail() + standing.notJudged();
        return new Sheet(node, tree.path(nodeId), lines(tree.checks(moment.worst(nodeId, MOST_CHECKS_ON_A_SHEET))), count);
    }

    /** The newest values of the same checks on a sister asset are lines too: ask for its sheet. */
    private List<CheckLine> lines(List<CheckView> checks) {
        Map<UUID, List<ReadingView>> newest = readings.newest(checks.stream().map(CheckView::id).toList(), SPARK_READINGS);
        return checks.stream()
                .map(check -> line(check, newest.getOrDefault(check.id(), List.of())))
                .toList();
    }

    private static CheckLine line(CheckView check, List<ReadingView> history) {
        Optional<ResultDefinition> leading = check.leadingResult();
        ReadingView newest = history.isEmpty() ? null : history.get(history.size() - 1);
        List<Double> spark = history.stream().flatMap(reading -> reading.value(leading).stream()).map(Amount::value).toList();
        Judgement judgement = newest == null
                ? new Judgement(Verdict.NOT_JUDGED, "never measured")
                : ReadingJudge.judge(newest, check);
        Double value = newest == null ? null : newest.value(leading).map(Amount::value).orElse(null);
        Double before = spark.size() < 2 || value == null ? null : spark.get(spark.size() - 2);
        Boundaries boundaries = Boundaries.of(check.leadingLimit().orElse(null));
        return new CheckLine(
                check.id(), check.asset().tag(), check.point().id(), check.point().name(), check.node().name(),
                leading.map(ResultDefinition::name).orElse(""), leading.map(ResultDefinition::id).orElse(""),
                leading.map(result -> result.unit().symbol()).orElse(""), leading.map(ResultDefinition::unitLabel).orElse(""),
                check.technique().byHand().isPresent(),
                newest == null ? null : newest.id(),
                newest == null ? null : newest.takenAt().toString(),
                value,
                boundaries.watch(), boundaries.fail(),
                before == null ? null : value - before,
                judgement.verdict(), judgement.reason(), spark, others(check, newest));
    }

    private static List<OtherResult> others(CheckView check, ReadingView newest) {
        List<OtherResult> others = new ArrayList<>();
        for (ResultDefinition result : check.technique().results(check.settings())) {
            boolean shown = newest != null && newest.results().containsKey(result.id());
            if (shown && check.leadingResult().filter(result::equals).isEmpty()) {
                Boundaries boundaries = Boundaries.of(check.limits().get(result.id()));
                others.add(new OtherResult(
                        result.name(), newest.results().get(result.id()).value(), result.unit().symbol(),
                        boundaries.watch(), boundaries.fail()));
            }
        }
        return others;
    }

    /**
     * One result of a check over all time.
     *
     * @param resultId blank for the leading one
     */
    @Transactional(readOnly = true)
    public Trend trend(UUID checkId, String resultId) {
        CheckView check = plant.check(checkId);
        ResultDefinition result = check.technique().results(check.settings()).stream()
                .filter(candidate -> candidate.id().equals(resultId))
                .findFirst()
                .or(check::leadingResult)
                .orElseThrow(() -> new DomainProblem.Invalid("resultId", "%s yields no numbers to follow.".formatted(check.technique().name())));
        Optional<Limit> limit = Optional.ofNullable(check.limits().get(result.id()));
        Boundaries boundaries = Boundaries.of(check.limits().get(result.id()));
        List<TrendPoint> points = readings.history(checkId).stream()
                .filter(reading -> reading.results().containsKey(result.id()))
                .map(reading -> point(reading, result, limit))
                .toList();
        double[] values = points.stream().mapToDouble(TrendPoint::value).toArray();
        List<TrendPoint> kept = java.util.Arrays.stream(MinMaxDecimation.keep(values, MOST_TREND_POINTS)).mapToObj(points::get).toList();
        return new Trend(
                checkId, check.place() + ", " + check.node().name(), result.id(), result.name(), result.unit().symbol(),
                boundaries.watch(), boundaries.fail(), kept);
    }

    private static TrendPoint point(ReadingView reading, ResultDefinition result, Optional<Limit> limit) {
        var amount = reading.results().get(result.id());
        Instant at = reading.takenAt();
        if (!reading.obstacle().isBlank() || limit.isEmpty()) {
            String reason = reading.obstacle().isBlank() ? Judgement.NO_LIMIT : reading.obstacle();
            return new TrendPoint(reading.id(), at.toString(), amount.value(), Verdict.NOT_JUDGED, reason);
        }
        return new TrendPoint(reading.id(), at.toString(), amount.value(), limit.get().judge(amount), "");
    }
}
