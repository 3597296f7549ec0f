package rovek.server.judging.limit;

import jakarta.annotation.Nullable;
import java.util.Optional;
import rovek.core.limit.Allowed;
import rovek.core.limit.Range;
import rovek.core.limit.Rule;
import rovek.core.limit.Side;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * A rule as it is filled in.
 *
 * @param watch the upper or only boundary; or, about a centre, how far a value may deviate; likewise {@code fail}
 * @param watchLow the lower boundary of a band, likewise {@code failLow}; null elsewhere
 * @param target null but for a target
 * @param side which deviations are wrong; null where boundaries say so
 * @param isShare whether deviations are in %, for a change from the baseline or from the sisters
 * @param isRobust whether scatter is counted by median and MAD rather than by mean and standard deviation
 */
public record RuleDraft(
        Kind kind,
        @Nullable Double watch,
        @Nullable Double fail,
        @Nullable Double watchLow,
        @Nullable Double failLow,
        @Nullable Double target,
        @Nullable Side side,
        boolean isShare,
        boolean isRobust) {

    /** The ways to say what is right. */
    public enum Kind {
        ABOVE,
        BELOW,
        WITHIN,
        OUTSIDE,
        TARGET,
        BASELINE,
        RATE,
        SISTERS,
        SCATTER
    }

    /** @throws IllegalArgumentException where it says what no rule can */
    Rule rule() {
        return switch (kind) {
            case ABOVE -> Rule.Within.above(Optional.ofNullable(watch), Optional.ofNullable(fail));
            case BELOW -> Rule.Within.below(Optional.ofNullable(watch), Optional.ofNullable(fail));
            case WITHIN -> new Rule.Within(range(watchLow, watch, Range.ALL), range(failLow, fail, Range.ALL));
            case OUTSIDE -> new Rule.Outside(range(watchLow, watch, Range.NONE), range(failLow, fail, Range.NONE));
            case TARGET ->
                new Rule.Target(
                        Optional.ofNullable(target).orElseThrow(() -> new Refused(Sentence.of("limit.targetNumber"))),
                        allowed(Side.BOTH));
            case BASELINE -> new Rule.FromBaseline(allowed(Side.UP), isShare);
            case RATE -> new Rule.PerDay(allowed(Side.UP));
            case SISTERS -> new Rule.FromSisters(allowed(Side.UP), isShare);
            case SCATTER -> new Rule.Statistical(allowed(Side.UP), isRobust);
        };
    }

    private Allowed allowed(Side usual) {
        return new Allowed(side == null ? usual : side, Optional.ofNullable(watch), Optional.ofNullable(fail));
    }

    private static Range range(@Nullable Double low, @Nullable Double high, Range none) {
        return low == null && high == null
                ? none
                : new Range(
                        low == null ? Double.NEGATIVE_INFINITY : low, high == null ? Double.POSITIVE_INFINITY : high);
    }

    static RuleDraft of(Rule rule) {
        if (rule instanceof Rule.Within within) {
            return of(within);
        }
        if (rule instanceof Rule.Outside outside) {
            return banded(Kind.OUTSIDE, outside.watch(), outside.fail());
        }
        if (rule instanceof Rule.Target target) {
            return about(Kind.TARGET, target.allowed(), target.target(), false, false);
        }
        if (rule instanceof Rule.FromBaseline change) {
            return about(Kind.BASELINE, change.allowed(), null, change.isShare(), false);
        }
        if (rule instanceof Rule.PerDay rate) {
            return about(Kind.RATE, rate.allowed(), null, false, false);
        }
        if (rule instanceof Rule.FromSisters sisters) {
            return about(Kind.SISTERS, sisters.allowed(), null, sisters.isShare(), false);
        }
        Rule.Statistical scatter = (Rule.Statistical) rule;
        return about(Kind.SCATTER, scatter.allowed(), null, false, scatter.isRobust());
    }

    private static RuleDraft of(Rule.Within within) {
        RuleDraft band = banded(Kind.WITHIN, within.watch(), within.fail());
        if (band.watchLow() == null && band.failLow() == null) {
            return plain(Kind.ABOVE, band.watch(), band.fail());
        }
        return band.watch() == null && band.fail() == null ? plain(Kind.BELOW, band.watchLow(), band.failLow()) : band;
    }

    static RuleDraft plain(Kind kind, @Nullable Double watch, @Nullable Double fail) {
        return new RuleDraft(kind, watch, fail, null, null, null, null, false, false);
    }

    private static RuleDraft banded(Kind kind, Range watch, Range fail) {
        boolean noWatch = watch.equals(Range.NONE);
        boolean noFail = fail.equals(Range.NONE);
        return new RuleDraft(
                kind,
                noWatch ? null : finite(watch.high()),
                noFail ? null : finite(fail.high()),
                noWatch ? null : finite(watch.low()),
                noFail ? null : finite(fail.low()),
                null,
                null,
                false,
                false);
    }

    private static RuleDraft about(
            Kind kind, Allowed allowed, @Nullable Double target, boolean isShare, boolean isRobust) {
        return new RuleDraft(
                kind,
                allowed.watch().orElse(null),
                allowed.fail().orElse(null),
                null,
                null,
                target,
                allowed.side(),
                isShare,
                isRobust);
    }

    private static @Nullable Double finite(double end) {
        return Double.isInfinite(end) ? null : end;
    }
}
