package rovek.server.judging.verdict;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import rovek.core.limit.Background;
import rovek.core.limit.Bounds;
import rovek.core.limit.Limit;
import rovek.core.limit.LimitLayers;
import rovek.core.limit.Range;
import rovek.core.limit.Rule;
import rovek.core.technique.ResultDefinition;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitOfMeasure;

/**
 * A limit's boundaries as they are shown beside a result, in its unit: the upper side, or the lower one where there is
 * no other. Of several rules the nearest boundary counts.
 *
 * @param watch null where none is set; likewise {@code fail}
 * @param watchLow lower boundary beside an upper one, null where there is none; likewise {@code failLow}
 * @param isLower whether {@code watch} and {@code fail} are lower boundaries
 */
public record Boundaries(
        @Nullable Double watch,
        @Nullable Double fail,
        @Nullable Double watchLow,
        @Nullable Double failLow,
        boolean isLower) {

    public static final Boundaries NONE = new Boundaries(null, null, null, null, false);

    /** @param bounds one for each rule; empty where none could be applied */
    public static Boundaries of(List<Bounds> bounds) {
        List<Bounds> allowed = bounds.stream().filter(one -> !one.isForbidden()).toList();
        if (allowed.isEmpty()) {
            return bounds.isEmpty()
                    ? NONE
                    : ends(bounds.get(0).watch(), bounds.get(0).fail());
        }
        return ends(narrowest(allowed, Bounds::watch), narrowest(allowed, Bounds::fail));
    }

    private static Range narrowest(List<Bounds> bounds, Function<Bounds, Range> which) {
        double low = bounds.stream().map(which).mapToDouble(Range::low).max().orElseThrow();
        double high = bounds.stream().map(which).mapToDouble(Range::high).min().orElseThrow();
        return new Range(low, high);
    }

    private static Boundaries ends(Range watch, Range fail) {
        boolean noUpper = Double.isInfinite(watch.high()) && Double.isInfinite(fail.high());
        return noUpper
                ? new Boundaries(finite(watch.low()), finite(fail.low()), null, null, true)
                : new Boundaries(
                        finite(watch.high()), finite(fail.high()), finite(watch.low()), finite(fail.low()), false);
    }

    private static Double finite(double end) {
        return Double.isInfinite(end) ? null : end;
    }

    /** Those of a limit that needs nothing but the value; none of one that is recalculated for each reading. */
    public static Boundaries standing(Optional<LimitLayers.InForce> limit, Optional<ResultDefinition> result) {
        if (limit.isEmpty()
                || result.isEmpty()
                || limit.get().limit().rules().stream().allMatch(Rule::needsBackground)) {
            return NONE;
        }
        return of(fixed(limit.get().limit(), result.get().unit()));
    }

    private static List<Bounds> fixed(Limit limit, UnitOfMeasure unit) {
        return limit.judge(new Amount(0, unit), List.of(), Background.NOTHING).bounds();
    }
}
