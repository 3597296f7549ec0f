package rovek.server.follow.trend;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rovek.core.limit.LimitLayers;
import rovek.core.limit.LimitText;
import rovek.core.limit.Rule;
import rovek.core.limit.SeriesJudge;
import rovek.core.technique.ResultDefinition;
import rovek.server.follow.trend.TrendView.LimitStep;
import rovek.server.judging.verdict.Boundaries;
import rovek.server.plant.tree.CheckView;

/** A result's boundaries over time, stepping where the limit changed. */
final class LimitLines {

    private LimitLines() {}

    /**
     * @param series of the whole check, for limits that are recalculated for each reading; null where there are too
     *     many
     */
    static List<LimitStep> of(CheckView check, ResultDefinition result, @Nullable SeriesJudge series, Instant now) {
        LimitLayers layers = check.limits().getOrDefault(result.id(), LimitLayers.NONE);
        List<Instant> changes =
                layers.changes().stream().filter(change -> !change.isAfter(now)).toList();
        List<SeriesJudge.Judged> judged = series == null ? List.of() : series.judged();
        List<LimitStep> steps = new ArrayList<>();
        for (int i = 0; i <= changes.size(); i++) {
            Instant from = i == 0 ? null : changes.get(i - 1);
            Instant to = i == changes.size() ? null : changes.get(i);
            Optional<LimitLayers.InForce> limit = layers.at(from == null ? Instant.MIN : from);
            if (limit.isPresent() && limit.get().limit().rules().stream().anyMatch(Rule::needsBackground)) {
                steps.addAll(moving(judged, limit.get(), result, from, to));
            } else if (limit.isPresent()) {
                steps.add(step(from, to, Boundaries.standing(limit, Optional.of(result)), limit.get(), result));
            }
        }
        return joined(steps);
    }

    /** The boundaries calculated for each reading hold from the reading before it on. */
    private static List<LimitStep> moving(
            List<SeriesJudge.Judged> judged,
            LimitLayers.InForce limit,
            ResultDefinition result,
            @Nullable Instant from,
            @Nullable Instant to) {
        List<LimitStep> steps = new ArrayList<>();
        Instant since = from;
        for (SeriesJudge.Judged one : judged) {
            Instant at = one.value().at();
            boolean isWithin = (from == null || !at.isBefore(from)) && (to == null || at.isBefore(to));
            if (isWithin && !one.outcome().bounds().isEmpty()) {
                steps.add(step(
                        since == null ? at : since,
                        at,
                        Boundaries.of(one.outcome().bounds()),
                        limit,
                        result));
            }
            since = isWithin ? at : since;
        }
        if (!steps.isEmpty() && to == null) {
            LimitStep last = steps.get(steps.size() - 1);
            steps.set(steps.size() - 1, until(last, null));
        }
        return steps;
    }

    private static LimitStep step(
            @Nullable Instant from,
            @Nullable Instant to,
            Boundaries boundaries,
            LimitLayers.InForce limit,
            ResultDefinition result) {
        return new LimitStep(
                from == null ? null : from.toString(),
                to == null ? null : to.toString(),
                boundaries.watch(),
                boundaries.fail(),
                boundaries.watchLow(),
                boundaries.failLow(),
                LimitText.write(limit.limit(), result.sense()));
    }

    private static LimitStep until(LimitStep step, @Nullable String to) {
        return new LimitStep(step.from(), to, step.watch(), step.fail(), step.watchLow(), step.failLow(), step.said());
    }

    /** Steps that say the same one after the other are one. */
    private static List<LimitStep> joined(List<LimitStep> steps) {
        List<LimitStep> joined = new ArrayList<>();
        for (LimitStep step : steps) {
            LimitStep before = joined.isEmpty() ? null : joined.get(joined.size() - 1);
            boolean goesOn = before != null
                    && before.to() != null
                    && before.to().equals(step.from())
                    && until(before, step.to())
                            .equals(new LimitStep(
                                    before.from(),
                                    step.to(),
                                    step.watch(),
                                    step.fail(),
                                    step.watchLow(),
                                    step.failLow(),
                                    step.said()));
            if (goesOn) {
                joined.set(joined.size() - 1, until(before, step.to()));
            } else {
                joined.add(step);
            }
        }
        return joined;
    }
}
