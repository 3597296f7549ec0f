package rovek.core.limit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Scale;
import rovek.core.limit.Conformity.State;
import rovek.core.limit.Conformity.Uncertain;

class ConformityTest {

    private static final Range TOLERANCE = new Range(-0.5, 0.5);
    private static final Uncertain USUAL = new Uncertain(0.05, 0.1);

    /** ILAC-G8:09/2019, 4.2.3: acceptance limits lie within the tolerance by w = U, rejection limits outside by it. */
    @Example
    void fourStatesAndTheirBordersInDecimals() {
        State[] expected = {State.FAIL, State.CONDITIONAL_FAIL, State.CONDITIONAL_PASS, State.PASS};
        double[] values = {0.601, 0.6, 0.5, 0.4};
        for (int i = 0; i < values.length; i++) {
            for (int sign : new int[] {1, -1}) {
                assertThat(four(sign * values[i])).as("at " + sign * values[i]).isEqualTo(expected[i]);
            }
        }
        assertThat(four(0.5000001)).isEqualTo(State.CONDITIONAL_FAIL);
        assertThat(four(0.4000001)).isEqualTo(State.CONDITIONAL_PASS);
        // 0.3 + 0.1 is more than 0.4 in binary.
        assertThat(four(0.3 + 0.1)).isEqualTo(State.PASS);
        assertThat(four(0.1 * 6)).isEqualTo(State.CONDITIONAL_FAIL);
    }

    @Example
    void guardedHasTwoStates() {
        assertThat(judged(0.4, DecisionRule.GUARDED)).isEqualTo(State.PASS);
        assertThat(judged(0.41, DecisionRule.GUARDED)).isEqualTo(State.FAIL);
        // A guard band wider than the tolerance accepts nothing.
        assertThat(Conformity.of(0, TOLERANCE, DecisionRule.GUARDED, new Uncertain(0.3, 0.6))
                        .state())
                .isEqualTo(State.FAIL);
        assertThat(Conformity.of(0, TOLERANCE, DecisionRule.GUARDED_FOUR_STATES, new Uncertain(0.3, 0.6))
                        .state())
                .isEqualTo(State.CONDITIONAL_PASS);
    }

    @Example
    void simpleAcceptanceNeedsNoUncertainty() {
        assertThat(Conformity.of(0.5, TOLERANCE, DecisionRule.SIMPLE).state()).isEqualTo(State.PASS);
        assertThat(Conformity.of(-0.51, TOLERANCE, DecisionRule.SIMPLE).state()).isEqualTo(State.FAIL);
        for (DecisionRule rule : DecisionRule.values()) {
            Conformity unknown = Conformity.of(0, TOLERANCE, rule);
            assertThat(unknown.state() == State.NOT_JUDGED).isEqualTo(rule != DecisionRule.SIMPLE);
            assertThat(unknown.remark().isBlank()).isEqualTo(rule == DecisionRule.SIMPLE);
            assertThat(unknown.probability()).isEmpty();
        }
    }

    @Example
    void aRatioBelowFourIsNotJudged() {
        Conformity enough = Conformity.of(0.49, TOLERANCE, DecisionRule.SIMPLE_RATIO, new Uncertain(0.0625, 0.125));
        assertThat(enough.state()).isEqualTo(State.PASS);
        assertThat(enough.ratio()).hasValue(4);
        Conformity tooLittle = Conformity.of(0, TOLERANCE, DecisionRule.SIMPLE_RATIO, new Uncertain(0.063, 0.126));
        assertThat(tooLittle.state()).isEqualTo(State.NOT_JUDGED);
        assertThat(tooLittle.remark().toString()).contains("uncertainty.ratio");
        Range oneEnd = new Range(Double.NEGATIVE_INFINITY, 1);
        Conformity open = Conformity.of(1, oneEnd, DecisionRule.SIMPLE_RATIO, USUAL);
        assertThat(open.state()).isEqualTo(State.PASS);
        assertThat(open.ratio()).isEmpty();
    }

    /** JCGM 106:2012, 7.3.2, and tables of the normal distribution. */
    @Example
    void probabilityOfConformity() {
        assertThat(probability(0.5, 0.05)).isCloseTo(0.5, within(1e-9));
        assertThat(probability(0.4, 0.05)).isCloseTo(0.977250, within(1e-6));
        assertThat(probability(-0.6, 0.05)).isCloseTo(0.022750, within(1e-6));
        assertThat(probability(0, 0.25)).isCloseTo(0.954500, within(1e-6));
        // Eight standard uncertainties out: the tail to its last digits on both sides, where 1 - 1 would be nothing.
        assertThat(probability(0.9, 0.05)).isCloseTo(6.22096e-16, within(1e-20));
        assertThat(probability(-0.9, 0.05)).isCloseTo(6.22096e-16, within(1e-20));
        // Forty: tiny, never below zero.
        assertThat(probability(2.5, 0.05)).isBetween(0.0, 1e-300);
        assertThat(probability(-2.5, 0.05)).isEqualTo(probability(2.5, 0.05));
        assertThat(probability(0.5, 0)).isEqualTo(1);
        assertThat(probability(0.5001, 0)).isZero();
    }

    @Property
    void guardingNeverAcceptsWhatSimpleAcceptanceRefuses(
            @ForAll @DoubleRange(min = -2, max = 2) @Scale(4) double value,
            @ForAll @DoubleRange(max = 1) @Scale(4) double standard) {
        Uncertain uncertain = new Uncertain(standard, 2 * standard);
        State simple =
                Conformity.of(value, TOLERANCE, DecisionRule.SIMPLE, uncertain).state();
        State guarded =
                Conformity.of(value, TOLERANCE, DecisionRule.GUARDED, uncertain).state();
        Conformity four = Conformity.of(value, TOLERANCE, DecisionRule.GUARDED_FOUR_STATES, uncertain);
        assertThat(guarded == State.PASS).isEqualTo(four.state() == State.PASS);
        assertThat(simple == State.PASS)
                .isEqualTo(four.state() == State.PASS || four.state() == State.CONDITIONAL_PASS);
        assertThat(four.state().verdict() == Verdict.FAIL).isEqualTo(simple == State.FAIL);
        assertThat(four.probability().getAsDouble()).isBetween(0.0, 1.0);
        if (four.state() == State.PASS && standard > 0) {
            // Within by two standard uncertainties at both ends.
            assertThat(four.probability().getAsDouble()).isGreaterThanOrEqualTo(0.95449);
        }
    }

    @Example
    void refusesWhatIsNoUncertaintyAndNoValue() {
        assertThatThrownBy(() -> judged(Double.NaN, DecisionRule.SIMPLE)).isInstanceOf(IllegalArgumentException.class);
        for (double bad : new double[] {-1, Double.NaN, Double.POSITIVE_INFINITY}) {
            assertThatThrownBy(() -> new Uncertain(bad, 1)).hasMessageContaining("uncertainty.negative");
            assertThatThrownBy(() -> new Uncertain(1, bad)).hasMessageContaining("uncertainty.negative");
        }
    }

    private static State four(double value) {
        return judged(value, DecisionRule.GUARDED_FOUR_STATES);
    }

    private static State judged(double value, DecisionRule rule) {
        return Conformity.of(value, TOLERANCE, rule, USUAL).state();
    }

    private static double probability(double value, double standard) {
        return Conformity.of(value, TOLERANCE, DecisionRule.SIMPLE, new Uncertain(standard, 2 * standard))
                .probability()
                .getAsDouble();
    }
}
