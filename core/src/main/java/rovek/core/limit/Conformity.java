package rovek.core.limit;

import java.util.OptionalDouble;
import rovek.core.trend.Distributions;
import rovek.core.unit.Decimals;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * Whether a measured value conforms to a tolerance, its uncertainty allowed for.
 *
 * @param probability that the true value lies within the tolerance (JCGM 106:2012, 7.3), 0 to 1; empty without an
 *     uncertainty
 * @param ratio of the tolerance's half-width to the expanded uncertainty; empty without an uncertainty, and where the
 *     tolerance has one end only
 * @param remark why nothing was judged; blank elsewhere
 */
public record Conformity(State state, OptionalDouble probability, OptionalDouble ratio, Sentence remark) {

    /** What is demanded by {@link DecisionRule#SIMPLE_RATIO}. */
    public static final double LEAST_RATIO = 4;

    /** What a decision rule comes to. */
    public enum State {
        PASS(Verdict.PASS),
        CONDITIONAL_PASS(Verdict.WATCH),
        CONDITIONAL_FAIL(Verdict.FAIL),
        FAIL(Verdict.FAIL),
        NOT_JUDGED(Verdict.NOT_JUDGED);

        private final Verdict verdict;

        State(Verdict verdict) {
            this.verdict = verdict;
        }

        /** As it counts among other verdicts: what fails, with a condition or without, fails. */
        public Verdict verdict() {
            return verdict;
        }
    }

    /**
     * How uncertain a value is.
     *
     * @param standard standard uncertainty, 0 or more
     * @param expanded expanded uncertainty, 0 or more
     */
    public record Uncertain(double standard, double expanded) {

        /** @throws Refused for one that is negative or no number */
        public Uncertain {
            if (!(standard >= 0 && expanded >= 0) || Double.isInfinite(standard) || Double.isInfinite(expanded)) {
                throw new Refused(Sentence.of("uncertainty.negative"));
            }
        }
    }

    /** By {@link DecisionRule#SIMPLE}, where no uncertainty is known; every other rule judges nothing then. */
    public static Conformity of(double value, Range tolerance, DecisionRule rule) {
        State state = rule == DecisionRule.SIMPLE ? simple(value, tolerance) : State.NOT_JUDGED;
        Sentence remark = rule == DecisionRule.SIMPLE ? Sentence.NONE : Sentence.of("uncertainty.missing");
        return new Conformity(state, OptionalDouble.empty(), OptionalDouble.empty(), remark);
    }

    /**
     * By any rule. A value on a limit, of the tolerance or of a guard band, counts as within; compared as written in
     * decimals.
     *
     * @param value finite; in the unit of the tolerance, as is the uncertainty
     */
    public static Conformity of(double value, Range tolerance, DecisionRule rule, Uncertain uncertain) {
        OptionalDouble probability = OptionalDouble.of(probability(value, tolerance, uncertain.standard()));
        OptionalDouble ratio = ratio(tolerance, uncertain.expanded());
        boolean isTooUncertain = rule == DecisionRule.SIMPLE_RATIO
                && ratio.isPresent()
                && Decimals.compare(ratio.getAsDouble(), LEAST_RATIO) < 0;
        State state = isTooUncertain ? State.NOT_JUDGED : state(value, tolerance, rule, uncertain.expanded());
        Sentence remark = isTooUncertain
                ? Sentence.of("uncertainty.ratio", "ratio", ratio.getAsDouble(), "least", LEAST_RATIO)
                : Sentence.NONE;
        return new Conformity(state, probability, ratio, remark);
    }

    private static State state(double value, Range tolerance, DecisionRule rule, double guard) {
        return switch (rule) {
            case SIMPLE, SIMPLE_RATIO -> simple(value, tolerance);
            case GUARDED -> tolerance.wider(-guard).holds(value) ? State.PASS : State.FAIL;
            case GUARDED_FOUR_STATES ->
                tolerance.wider(-guard).holds(value)
                        ? State.PASS
                        : tolerance.holds(value)
                                ? State.CONDITIONAL_PASS
                                : tolerance.wider(guard).holds(value) ? State.CONDITIONAL_FAIL : State.FAIL;
        };
    }

    private static State simple(double value, Range tolerance) {
        return tolerance.holds(value) ? State.PASS : State.FAIL;
    }

    private static double probability(double value, Range tolerance, double standard) {
        if (standard == 0) {
            return tolerance.holds(value) ? 1 : 0;
        }
        double low = (tolerance.low() - value) / standard;
        double high = (tolerance.high() - value) / standard;
        // Far beyond one end both probabilities are next to one: their difference is taken on the other side.
        return low > 0
                ? Distributions.above(low) - Distributions.above(high)
                : Distributions.below(high) - Distributions.below(low);
    }

    private static OptionalDouble ratio(Range tolerance, double expanded) {
        double halfWidth = (tolerance.high() - tolerance.low()) / 2;
        return Double.isInfinite(halfWidth) || expanded == 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(halfWidth / expanded);
    }
}
