package rovek.server.judging.limit;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.limit.Limit;
import rovek.core.limit.LimitLayers;
import rovek.core.limit.SeriesJudge;
import rovek.core.limit.Verdict;
import rovek.core.plant.Node;
import rovek.core.technique.ResultDefinition;
import rovek.core.trend.MinMaxDecimation;
import rovek.core.unit.KnownUnits;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.judging.verdict.Verdicts;
import rovek.server.people.unit.OwnUnits;
import rovek.server.plant.event.EventKind;
import rovek.server.plant.event.PlantEvent;
import rovek.server.plant.event.PlantEvents;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;

/** What a limit would have said of all that was measured, before anybody says it. */
@Service
public class LimitPreviews {

    private static final int MOST_CHECKS = 300;
    private static final int MOST_SHOWN = 12;
    private static final int MOST_POINTS = 300;

    private final Plant plant;
    private final Verdicts verdicts;
    private final PlantEvents events;
    private final Limits limits;
    private final OwnUnits units;
    private final Clock clock;

    LimitPreviews(Plant plant, Verdicts verdicts, PlantEvents events, Limits limits, OwnUnits units, Clock clock) {
        this.units = units;
        this.plant = plant;
        this.verdicts = verdicts;
        this.events = events;
        this.limits = limits;
        this.clock = clock;
    }

    /**
     * What setting a limit below a node would do, and what the limit would have said of all history.
     *
     * @param checks how many checks were looked at; {@code left} how many were not, being too many
     * @param keeping how many of them keep a limit of their own, or of a node between, that counts now
     * @param without how many get none, for there is nothing to go by; 0 where one limit is set for all
     * @param changed how many readings get another verdict once it is set; 0 where it holds from now on
     * @param watchNow how many readings are watch under what counts now, likewise {@code failNow}
     * @param watchThen how many are watch once it is set, likewise {@code failThen}
     * @param readings how many readings were looked at
     * @param watch how many of them would be watch if it had always held, likewise the others
     * @param shown the checks it concerns most
     * @param repairs how early it would have told of each repair
     */
    public record LimitPreview(
            int checks,
            int left,
            int keeping,
            int without,
            int changed,
            int watchNow,
            int failNow,
            int watchThen,
            int failThen,
            int readings,
            int watch,
            int fail,
            int notJudged,
            List<PreviewedCheck> shown,
            List<Warning> repairs) {}

    /**
     * One check's history under the limit.
     *
     * @param limit where each check gets its own; null where one limit is set for all
     */
    public record PreviewedCheck(
            UUID checkId,
            String place,
            @Nullable LimitForm limit,
            int watch,
            int fail,
            List<PreviewedReading> readings) {}

    /** @param now its verdict under what counts now */
    public record PreviewedReading(String at, double value, Verdict verdict, Verdict now) {}

    /**
     * How early a known repair would have been told of.
     *
     * @param daysBefore from the first reading since which all were watch or fail; null where it would not have been
     *     told of
     */
    public record Warning(
            String place,
            String repairedAt,
            String words,
            @Nullable Long daysBefore) {}

    /** A limit that is to be said: by which node, of which check, since when. */
    private record Wanted(CheckView check, UUID node, Limit limit, Optional<Instant> from, Optional<Instant> until) {

        boolean isForAllTime() {
            return from.isEmpty() && until.isEmpty();
        }

        /** What the check would go by: what is said nearer to it stays. */
        LimitLayers layers(PlantTree tree, ResultDefinition result, boolean always) {
            List<UUID> upwards = new ArrayList<>(
                    tree.nodes().path(check.id()).stream().map(Node::id).toList());
            Collections.reverse(upwards);
            return check.limits()
                    .getOrDefault(result.id(), LimitLayers.NONE)
                    .saying(
                            node,
                            upwards,
                            timeline -> timeline.saying(
                                    Optional.empty(),
                                    always ? Optional.empty() : from,
                                    always ? Optional.empty() : until,
                                    Optional.of(limit),
                                    false));
        }
    }

    /** One limit for a check, or for all checks below a node. */
    @Transactional(readOnly = true)
    public LimitPreview preview(UUID nodeId, String technique, String resultId, Limits.Saying saying) {
        PlantTree tree = plant.tree();
        ResultDefinition result = Limits.result(tree, nodeId, technique, resultId);
        if (saying.limit() == null) {
            throw new DomainProblem.Invalid("limit", Sentence.of("judging.noBoundary"));
        }
        Limit limit = saying.limit().limit(result, units.known());
        List<Wanted> wanted = Limits.yielding(tree, nodeId, technique, result).stream()
                .map(check -> new Wanted(check, nodeId, limit, Limits.time(saying.from()), Limits.time(saying.until())))
                .toList();
        return preview(tree, result, wanted, false, 0);
    }

    /** A limit of its own for each check below a node that has none. */
    @Transactional(readOnly = true)
    public LimitPreview preview(
            UUID nodeId, String technique, String resultId, Limits.Source source, @Nullable String from) {
        PlantTree tree = plant.tree();
        ResultDefinition result = Limits.result(tree, nodeId, technique, resultId);
        Limits.Proposed proposed = limits.proposed(tree, nodeId, technique, result, source);
        List<Wanted> wanted = proposed.limits().entrySet().stream()
                .map(one -> new Wanted(
                        one.getKey(),
                        one.getKey().id(),
                        one.getValue().limit(result, KnownUnits.CATALOGUE),
                        Limits.time(from),
                        Optional.empty()))
                .toList();
        return preview(tree, result, wanted, true, proposed.without());
    }

    private LimitPreview preview(
            PlantTree tree, ResultDefinition result, List<Wanted> all, boolean eachItsOwn, int without) {
        List<Wanted> some = all.subList(0, Math.min(MOST_CHECKS, all.size()));
        boolean withSisters = some.stream().anyMatch(one -> one.limit().needsSisters());
        Map<UUID, SeriesJudge> histories =
                verdicts.series(tree, some.stream().map(Wanted::check).toList(), result, withSisters);
        Map<UUID, List<PlantEvent>> happened = events.ofChecks(tree, histories.keySet());
        Tally tally = new Tally(result, eachItsOwn);
        for (Wanted one : some) {
            CheckView check = one.check();
            SeriesJudge series = histories.get(check.id());
            LimitLayers always = one.layers(tree, result, true);
            List<SeriesJudge.Judged> trial = series.judged(always::at);
            List<SeriesJudge.Judged> then =
                    one.isForAllTime() ? trial : series.judged(one.layers(tree, result, false)::at);
            tally.keeping += always.at(clock.instant())
                            .filter(counting -> !counting.node().equals(one.node()))
                            .isPresent()
                    ? 1
                    : 0;
            tally.add(one, trial, series.judged(), then);
            happened.get(check.id()).stream()
                    .filter(event -> event.kind() == EventKind.REPAIR)
                    .forEach(event -> tally.warnings.add(warning(check, event, trial, series)));
        }
        return tally.preview(all.size(), without);
    }

    private static Warning warning(
            CheckView check, PlantEvent event, List<SeriesJudge.Judged> judged, SeriesJudge series) {
        Instant repaired = Instant.parse(event.at());
        Instant first = null;
        for (SeriesJudge.Judged one : judged) {
            boolean isBefore = one.value().at().isBefore(repaired);
            boolean isOfTheSameStretch = series.baselines()
                    .before(one.value().at())
                    .equals(series.baselines().before(repaired.minusMillis(1)));
            if (isBefore && isOfTheSameStretch) {
                boolean tells = one.outcome().verdict() == Verdict.WATCH
                        || one.outcome().verdict() == Verdict.FAIL;
                first = !tells ? null : first == null ? one.value().at() : first;
            }
        }
        return new Warning(
                check.place(),
                event.at(),
                event.words(),
                first == null ? null : Duration.between(first, repaired).toDays());
    }

    /** Counts while it goes from check to check. */
    private static final class Tally {

        private final List<PreviewedCheck> checks = new ArrayList<>();
        private final List<Warning> warnings = new ArrayList<>();
        private final ResultDefinition result;
        private final boolean eachItsOwn;
        private int keeping;
        private int readings;
        private int notJudged;
        private int changed;
        private int watchNow;
        private int failNow;
        private int watchThen;
        private int failThen;

        Tally(ResultDefinition result, boolean eachItsOwn) {
            this.result = result;
            this.eachItsOwn = eachItsOwn;
        }

        void add(
                Wanted one,
                List<SeriesJudge.Judged> trial,
                List<SeriesJudge.Judged> now,
                List<SeriesJudge.Judged> then) {
            readings += trial.size();
            notJudged += count(trial, Verdict.NOT_JUDGED);
            watchNow += count(now, Verdict.WATCH);
            failNow += count(now, Verdict.FAIL);
            watchThen += count(then, Verdict.WATCH);
            failThen += count(then, Verdict.FAIL);
            for (int i = 0; i < now.size(); i++) {
                changed +=
                        now.get(i).outcome().verdict() == then.get(i).outcome().verdict() ? 0 : 1;
            }
            double[] values =
                    trial.stream().mapToDouble(judged -> judged.value().value()).toArray();
            List<PreviewedReading> shown = new ArrayList<>();
            for (int i : MinMaxDecimation.keep(values, MOST_POINTS)) {
                shown.add(new PreviewedReading(
                        trial.get(i).value().at().toString(),
                        values[i],
                        trial.get(i).outcome().verdict(),
                        now.get(i).outcome().verdict()));
            }
            checks.add(new PreviewedCheck(
                    one.check().id(),
                    one.check().place() + ", " + one.check().node().name(),
                    eachItsOwn ? LimitForm.of(one.limit(), result) : null,
                    count(trial, Verdict.WATCH),
                    count(trial, Verdict.FAIL),
                    shown));
        }

        private static int count(List<SeriesJudge.Judged> judged, Verdict verdict) {
            return (int) judged.stream()
                    .filter(one -> one.outcome().verdict() == verdict)
                    .count();
        }

        LimitPreview preview(int all, int without) {
            List<PreviewedCheck> worst = checks.stream()
                    .filter(check -> eachItsOwn || checks.size() == 1 || check.watch() + check.fail() > 0)
                    .sorted(Comparator.comparingInt((PreviewedCheck check) -> -1_000 * check.fail() - check.watch()))
                    .limit(MOST_SHOWN)
                    .toList();
            return new LimitPreview(
                    checks.size(),
                    all - checks.size(),
                    keeping,
                    without,
                    changed,
                    watchNow,
                    failNow,
                    watchThen,
                    failThen,
                    readings,
                    checks.stream().mapToInt(PreviewedCheck::watch).sum(),
                    checks.stream().mapToInt(PreviewedCheck::fail).sum(),
                    notJudged,
                    worst,
                    warnings);
        }
    }
}
