package rovek.server.follow.standing;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.core.limit.Judgement;
import rovek.core.limit.LimitText;
import rovek.core.limit.Verdict;
import rovek.core.technique.ResultDefinition;
import rovek.core.unit.Amount;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.verdict.Boundaries;
import rovek.server.judging.verdict.ReadingVerdict;
import rovek.server.judging.verdict.ShownResult;
import rovek.server.judging.verdict.ShownVerdict;
import rovek.server.judging.verdict.Verdicts;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantNode;
import rovek.server.plant.tree.PlantTree;

/** How things stand and how they went: verdicts up the plant, asset sheets. */
@Service
public class Follow {

    private static final int SPARK_READINGS = 13;
    private static final int MOST_CHECKS_ON_A_SHEET = 60;
    private static final ReadingVerdict NEVER_MEASURED =
            new ReadingVerdict(Judgement.notJudged(Sentence.of("follow.neverMeasured")), Map.of());

    private final Plant plant;
    private final Readings readings;
    private final Standings standings;
    private final Verdicts verdicts;
    private final Clock clock;

    Follow(Plant plant, Readings readings, Standings standings, Verdicts verdicts, Clock clock) {
        this.plant = plant;
        this.readings = readings;
        this.standings = standings;
        this.verdicts = verdicts;
        this.clock = clock;
    }

    /**
     * Which check it is.
     *
     * @param isByHand whether a person can write it down without any instrument
     */
    public record CheckName(
            UUID checkId, String assetTag, UUID pointId, String point, String check, boolean isByHand) {}

    /**
     * A check as it stands, with its leading result.
     *
     * @param change since the reading before
     * @param limitNow what counts now for the leading result, in words, whatever the newest reading was judged by;
     *     blank where nothing does
     * @param verdictBefore on the reading before; not judged where there was none
     */
    public record CheckLine(
            @JsonUnwrapped CheckName name,
            @JsonUnwrapped ShownResult result,
            @Nullable UUID readingId,
            @Nullable String readAt,
            @Nullable Double value,
            @JsonUnwrapped Boundaries boundaries,
            String limitNow,
            @Nullable Double change,
            @JsonUnwrapped ShownVerdict shown,
            Verdict verdictBefore,
            List<Double> spark) {}

    /**
     * A node with its path and the checks below it.
     *
     * @param checks the worst ones, where there are more than fit a sheet
     * @param checkCount of all of them
     */
    public record Sheet(PlantNode node, List<PlantNode> path, List<CheckLine> checks, int checkCount, String zone) {}

    public Sheet sheet(UUID nodeId) {
        Standings.Moment moment = standings.now();
        PlantTree tree = moment.tree();
        PlantNode node = tree.find(nodeId).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.node")));
        Standing standing = moment.of(nodeId);
        int count = standing.pass() + standing.watch() + standing.fail() + standing.notJudged();
        return new Sheet(
                node,
                tree.path(nodeId),
                lines(tree, tree.checks(moment.worst(nodeId, MOST_CHECKS_ON_A_SHEET))),
                count,
                plant.zone(tree, nodeId).getId());
    }

    /** The newest values of the same checks on a sister asset are lines too: ask for its sheet. */
    private List<CheckLine> lines(PlantTree tree, List<CheckView> checks) {
        Map<UUID, List<ReadingView>> newest =
                readings.newest(checks.stream().map(CheckView::id).toList(), SPARK_READINGS);
        Map<UUID, ReadingVerdict> judged = verdicts.of(
                tree,
                newest.values().stream()
                        .flatMap(history -> Standings.lastTwo(history).stream())
                        .toList());
        return checks.stream()
                .map(check -> line(check, newest.getOrDefault(check.id(), List.of()), judged))
                .toList();
    }

    private CheckLine line(CheckView check, List<ReadingView> history, Map<UUID, ReadingVerdict> judged) {
        Optional<ResultDefinition> leading = check.leadingResult();
        ReadingView newest = history.isEmpty() ? null : history.get(history.size() - 1);
        List<Double> spark = history.stream()
                .flatMap(reading -> reading.value(leading).stream())
                .map(Amount::value)
                .toList();
        ReadingVerdict verdict = newest == null ? NEVER_MEASURED : judged.get(newest.id());
        Double value =
                newest == null ? null : newest.value(leading).map(Amount::value).orElse(null);
        Double before = spark.size() < 2 || value == null ? null : spark.get(spark.size() - 2);
        Boundaries boundaries = newest == null
                ? Boundaries.standing(check.leadingLimit(clock.instant()), leading)
                : verdict.boundaries(leading);
        return new CheckLine(
                new CheckName(
                        check.id(),
                        check.asset().tag(),
                        check.point().id(),
                        check.point().name(),
                        check.node().name(),
                        check.technique().byHand().isPresent()),
                leading.map(ShownResult::of).orElse(ShownResult.NONE),
                newest == null ? null : newest.id(),
                newest == null ? null : newest.takenAt().toString(),
                value,
                boundaries,
                leading.flatMap(result -> check.leadingLimit(clock.instant())
                                .map(limit -> LimitText.write(limit.limit(), result.sense())))
                        .orElse(""),
                before == null ? null : value - before,
                ShownVerdict.of(verdict.judgement()),
                history.size() < 2
                        ? Verdict.NOT_JUDGED
                        : judged.get(history.get(history.size() - 2).id())
                                .judgement()
                                .verdict(),
                spark);
    }
}
