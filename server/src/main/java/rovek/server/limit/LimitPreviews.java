package rovek.server.limit;

import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.limit.Limit;
import rovek.core.limit.LimitLayers;
import rovek.core.limit.LimitRevision;
import rovek.core.limit.SeriesJudge;
import rovek.core.limit.Verdict;
import rovek.core.technique.ResultDefinition;
import rovek.core.trend.MinMaxDecimation;
import rovek.server.event.EventKind;
import rovek.server.event.PlantEvent;
import rovek.server.event.PlantEvents;
import rovek.server.judge.Verdicts;
import rovek.server.plant.CheckView;
import rovek.server.plant.Plant;
import rovek.server.plant.PlantTree;

/** What a limit would have said of all that was measured, before anybody says it. */
@Service
public class LimitPreviews {

    private static final int MOST_CHECKS = 300;
    private static final int MOST_SHOWN = 12;
    private static final int MOST_POINTS = 300;

    private final Plant plant;
    private final Verdicts verdicts;
    private final PlantEvents events;

    LimitPreviews(Plant plant, Verdicts verdicts, PlantEvents events) {
        this.plant = plant;
        this.verdicts = verdicts;
        this.events = events;
    }

    /**
     * The limit on all history beneath a node.
     *
     * @param checks how many checks were looked at; {@code left} how many were not, being too many
     * @param readings how many readings
     * @param watch how many of them would be watch, likewise the others
     * @param watchNow how many are watch under what counts now, likewise {@code failNow}
     * @param shown the checks it concerns most
     * @param repairs how early it would have told of each repair
     */
    public record LimitPreview(
            int checks, int left, int readings, int watch, int fail, int notJudged, int watchNow, int failNow, List<PreviewedCheck> shown,
            List<Warning> repairs) {}

    /** One check's history under the limit. */
    public record PreviewedCheck(UUID checkId, String place, int watch, int fail, List<PreviewedReading> readings) {}

    /** @param now its verdict under what counts now */
    public record PreviewedReading(String at, double value, Verdict verdict, Verdict now) {}

    /**
     * How early a known repair would have been told of.
     *
     * @param daysBefore from the first reading since which all were watch or fail; null where it would not have been told of
     */
    public record Warning(String place, String repairedAt, String words, @Nullable Long daysBefore) {}

    @Transactional(readOnly = true)
    public LimitPreview preview(UUID nodeId, String technique, String resultId, LimitForm draft) {
        PlantTree tree = plant.tree();
        ResultDefinition result = Limits.result(tree, nodeId, technique, resultId);
        Limit limit = draft.limit(result);
        LimitLayers.InForce always = new LimitLayers.InForce(
                nodeId, new LimitRevision(1, Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(limit), false), limit);
        List<CheckView> checks = Limits.checks(tree, nodeId).stream()
                .filter(check -> check.technique().id().equals(technique) && check.technique().results(check.settings()).contains(result))
                .toList();
        Tally tally = new Tally();
        List<CheckView> some = checks.subList(0, Math.min(MOST_CHECKS, checks.size()));
        Map<UUID, SeriesJudge> histories = verdicts.series(tree, some, result, limit.needsSisters());
        for (CheckView check : some) {
            SeriesJudge series = histories.get(check.id());
            List<SeriesJudge.Judged> wanted = series.judged(time -> Optional.of(always));
            tally.add(check, wanted, series.judged());
            events.ofCheck(tree, check.id()).stream()
                    .filter(event -> event.kind() == EventKind.REPAIR)
                    .forEach(event -> tally.warnings.add(warning(check, event, wanted, series)));
        }
        return tally.preview(checks.size());
    }

    private static Warning warning(CheckView check, PlantEvent event, List<SeriesJudge.Judged> judged, SeriesJudge series) {
        Instant repaired = Instant.parse(event.at());
        Instant first = null;
        for (SeriesJudge.Judged one : judged) {
            boolean isBefore = one.value().at().isBefore(repaired);
            boolean isOfTheSameStretch = series.baselines().before(one.value().at()).equals(series.baselines().before(repaired.minusMillis(1)));
            if (isBefore && isOfTheSameStretch) {
                boolean tells = one.outcome().verdict() == Verdict.WATCH || one.outcome().verdict() == Verdict.FAIL;
                first = !tells ? null : first == null ? one.value().at() : first;
            }
        }
        return new Warning(check.place(), event.at(), event.words(), first == null ? null : Duration.between(first, repaired).toDays());
    }

    /** Counts while it goes from check to check. */
    private static final class Tally {

        private final List<PreviewedCheck> checks = new ArrayList<>();
        private final List<Warning> warnings = new ArrayList<>();
        private int readings;
        private int notJudged;
        private int watchNow;
        private int failNow;

        void add(CheckView check, List<SeriesJudge.Judged> wanted, List<SeriesJudge.Judged> now) {
            readings += wanted.size();
            notJudged += count(wanted, Verdict.NOT_JUDGED);
            watchNow += count(now, Verdict.WATCH);
            failNow += count(now, Verdict.FAIL);
            double[] values = wanted.stream().mapToDouble(one -> one.value().value()).toArray();
            List<PreviewedReading> shown = new ArrayList<>();
            for (int i : MinMaxDecimation.keep(values, MOST_POINTS)) {
                shown.add(new PreviewedReading(wanted.get(i).value().at().toString(), values[i], wanted.get(i).outcome().verdict(), now.get(i).outcome().verdict()));
            }
            checks.add(new PreviewedCheck(
                    check.id(), check.place() + ", " + check.node().name(), count(wanted, Verdict.WATCH), count(wanted, Verdict.FAIL), shown));
        }

        private static int count(List<SeriesJudge.Judged> judged, Verdict verdict) {
            return (int) judged.stream().filter(one -> one.outcome().verdict() == verdict).count();
        }

        LimitPreview preview(int all) {
            List<PreviewedCheck> worst = checks.stream()
                    .filter(check -> checks.size() == 1 || check.watch() + check.fail() > 0)
                    .sorted(Comparator.comparingInt((PreviewedCheck check) -> -1_000 * check.fail() - check.watch()))
                    .limit(MOST_SHOWN)
                    .toList();
            return new LimitPreview(
                    checks.size(), all - checks.size(), readings,
                    checks.stream().mapToInt(PreviewedCheck::watch).sum(), checks.stream().mapToInt(PreviewedCheck::fail).sum(),
                    notJudged, watchNow, failNow, worst, warnings);
        }
    }
}
