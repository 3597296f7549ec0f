package rovek.core.limit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Sentence;

class LimitTest {

    /** More than twelve digits leave out. */
    private static final double JUST = 1e-10;

    private static final Bounds.Passed PAST_WATCH = new Bounds.Passed(false, true, false, false);
    private static final Bounds.Passed PAST_FAIL = new Bounds.Passed(false, true, false, true);

    private static final ResultDefinition VELOCITY = new ResultDefinition(
            "velocity.rms", "velocity RMS", "RMS", UnitCatalogue.MILLIMETRE_PER_SECOND, Sense.HIGHER_IS_WORSE);

    private static Limit mmPerSecond(double watch, double fail) {
        return Limit.plain(
                Sense.HIGHER_IS_WORSE, Optional.of(Amount.of(watch, "mm/s")), Optional.of(Amount.of(fail, "mm/s")));
    }

    @Example
    void onTheBoundaryIsStillWithinIt() {
        Limit limit = mmPerSecond(2.8, 4.5);
        assertThat(limit.judge(Amount.of(2.8, "mm/s"))).isEqualTo(Verdict.PASS);
        assertThat(limit.judge(Amount.of(2.8000000001, "mm/s"))).isEqualTo(Verdict.WATCH);
        assertThat(limit.judge(Amount.of(4.5, "mm/s"))).isEqualTo(Verdict.WATCH);
        assertThat(limit.judge(Amount.of(4.5000000001, "mm/s"))).isEqualTo(Verdict.FAIL);
    }

    @Property
    void aWorseValueNeverGetsABetterVerdict(
            @ForAll @DoubleRange(min = 0, max = 10) double a, @ForAll @DoubleRange(min = 0, max = 10) double b) {
        Limit limit = mmPerSecond(2.8, 4.5);
        Verdict better = limit.judge(Amount.of(Math.min(a, b), "mm/s"));
        Verdict worse = limit.judge(Amount.of(Math.max(a, b), "mm/s"));
        assertThat(worse).isGreaterThanOrEqualTo(better);
    }

    @Example
    void unitsAreConvertedBeforeComparing() {
        assertThat(mmPerSecond(2.8, 4.5).judge(Amount.of(0.0046, "m/s"))).isEqualTo(Verdict.FAIL);
        assertThatThrownBy(() -> mmPerSecond(2.8, 4.5).judge(Amount.of(1, "m/s²")))
                .hasMessageContaining("unit.incomparable");
    }

    @Example
    void lowerIsWorseTurnsTheComparison() {
        Limit limit =
                Limit.plain(Sense.LOWER_IS_WORSE, Optional.of(Amount.of(10, "V")), Optional.of(Amount.of(8, "V")));
        assertThat(limit.judge(Amount.of(9, "V"))).isEqualTo(Verdict.WATCH);
        assertThat(limit.judge(Amount.of(7, "V"))).isEqualTo(Verdict.FAIL);
    }

    @Example
    void boundariesTheWrongWayRoundAreRefused() {
        assertThatThrownBy(() -> mmPerSecond(4.5, 2.8)).hasMessageContaining("limit.wrongOrder");
        assertThatThrownBy(() -> Limit.plain(Sense.HIGHER_IS_WORSE, Optional.empty(), Optional.empty()))
                .hasMessageContaining("limit.noBoundary");
    }

    @Property
    void rollingUpDoesNotDependOnOrderOrGrouping(@ForAll List<Verdict> a, @ForAll List<Verdict> b) {
        RollUp together = RollUp.ofAll(a).plus(RollUp.ofAll(b));
        assertThat(together).isEqualTo(RollUp.ofAll(b).plus(RollUp.ofAll(a)));
        assertThat(together.total()).isEqualTo(a.size() + b.size());
        boolean anyFail = a.contains(Verdict.FAIL) || b.contains(Verdict.FAIL);
        assertThat(together.worst() == Verdict.FAIL).isEqualTo(anyFail);
    }

    @Example
    void aPassDoesNotHideWhatWasNotJudged() {
        RollUp mixed = RollUp.ofAll(List.of(Verdict.PASS, Verdict.NOT_JUDGED, Verdict.PASS));
        assertThat(mixed.worst()).isEqualTo(Verdict.PASS);
        assertThat(mixed.notJudged()).isEqualTo(1);
        assertThat(RollUp.NOTHING.worst()).isEqualTo(Verdict.NOT_JUDGED);
    }

    @Example
    void withoutALimitOrWithAnObstacleNothingIsJudged() {
        assertThat(Judgement.worstOf(Sentence.NONE, List.of()))
                .isEqualTo(Judgement.notJudged(Sentence.of("limit.none")));
        Limit.Outcome good = mmPerSecond(2.8, 4.5).judge(Amount.of(1, "mm/s"), List.of(), Background.NOTHING);
        assertThat(Judgement.worstOf(Sentence.NONE, List.of(good)).verdict()).isEqualTo(Verdict.PASS);
        Sentence overloaded = Sentence.plain("overloaded");
        assertThat(Judgement.worstOf(overloaded, List.of(good))).isEqualTo(Judgement.notJudged(overloaded));
    }

    /** A pressure below the atmosphere, a temperature below zero: the share is one of the size of the median. */
    @Example
    void aShareOfANegativeMedianIsAsWideAsThatOfAPositiveOne() {
        Background below = new Background(
                new double[] {-10, -10, -10}, 3, false, java.util.OptionalDouble.empty(), 0, new double[] {-10, -10, -10
                });
        for (String limit : List.of("baseline +20/+50 %", "sisters +20/+50 %")) {
            assertThat(judged(limit, -8.1, below)).as(limit).isEqualTo(Verdict.PASS);
            assertThat(judged(limit, -7.9, below)).as(limit).isEqualTo(Verdict.WATCH);
            assertThat(judged(limit, -4.9, below)).as(limit).isEqualTo(Verdict.FAIL);
        }
    }

    private static Verdict judged(String limit, double value, Background background) {
        return LimitText.parse(limit, Sense.HIGHER_IS_WORSE)
                .orElseThrow()
                .judge(Amount.of(value, "bar"), List.of(), background)
                .verdict();
    }

    @Example
    void everyRuleAtAndAroundItsBoundaries() {
        double[] baseline = {6.0, 6.1, 5.9, 6.0, 6.0};
        Background known =
                new Background(baseline, 5, false, java.util.OptionalDouble.of(6.0), 2, new double[] {5.0, 6.0, 9.0});
        record Case(String limit, double pass, double watch, double fail) {}
        List<Case> cases = List.of(
                new Case("2.8/4.5 bar", 2.8, 4.5, 4.6),
                new Case("above 2.8/4.5 bar", 2.8, 2.8 + JUST, 4.5 + JUST),
                new Case("below 2/1 bar", 2, 2 - JUST, 1 - JUST),
                new Case("within 5.8..6.4/5.5..6.6 bar", 5.8, 5.5, 5.4),
                new Case("within 5.8..6.4/5.5..6.6 bar", 6.4, 6.6, 6.7),
                new Case("outside 3..5/3.5..4.5 bar", 3, 3.5, 3.5 + JUST),
                new Case("outside 3..5/3.5..4.5 bar", 5, 4.5, 4.5 - JUST),
                new Case("target 6 ±0.25/±0.5 bar", 5.75, 6.5, 6.6),
                new Case("baseline +25/+50 %", 7.5, 9, 9.1),
                new Case("baseline -25/-50 %", 4.5, 3, 2.9),
                new Case("baseline ±0.5/±1 bar", 5.5, 5, 4.9),
                new Case("rate +0.25/+0.5 bar a day", 6.5, 7, 7.1),
                new Case("sisters +50/+100 %", 9, 12, 12.1),
                new Case("sisters ±1/±2 bar", 5, 4, 3.9),
                new Case("scatter ±10/±20 s", 6.5, 7.2, 8),
                new Case("baseline +100/+200 % & below 4/3 bar", 12, 3, 2.9));
        for (Case one : cases) {
            assertThat(judged(one.limit(), one.pass(), known)).as(one.limit()).isEqualTo(Verdict.PASS);
            assertThat(judged(one.limit(), one.watch(), known)).as(one.limit()).isEqualTo(Verdict.WATCH);
            assertThat(judged(one.limit(), one.fail(), known)).as(one.limit()).isEqualTo(Verdict.FAIL);
        }
    }

    @Example
    void robustScatterIsMedianAndMad() {
        // Median 10, deviations 0 0 1 1 90: MAD 1; one wild value does not widen the limit.
        Background known = new Background(
                new double[] {10, 10, 11, 9, 100}, 5, false, java.util.OptionalDouble.empty(), 0, new double[0]);
        assertThat(judged("scatter +2/+3 MAD", 10 + 2 * 1.4826, known)).isEqualTo(Verdict.PASS);
        double factor = 3.4;
        assertThat(judged("scatter +2/+3 MAD", 10 + 3 * 1.4826 * factor, known))
                .as("five readings know little of their scatter")
                .isEqualTo(Verdict.WATCH);
        assertThat(judged("scatter +2/+3 MAD", 10 + 3 * 1.4826 * factor + 1e-9, known))
                .isEqualTo(Verdict.FAIL);
        assertThat(judged("scatter +2/+3 s", 50, known))
                .as("mean and deviation are drawn away by it")
                .isEqualTo(Verdict.PASS);
    }

    @Example
    void aRuleThatCannotBeAppliedSaysWhyAndTheOthersStillCount() {
        Limit both = LimitText.parse("6/8 bar & baseline +25/+50 %", Sense.HIGHER_IS_WORSE)
                .orElseThrow();
        Limit.Outcome outcome = both.judge(Amount.of(7, "bar"), List.of(), Background.NOTHING);
        assertThat(outcome.verdict()).isEqualTo(Verdict.WATCH);
        assertThat(outcome.remark()).isEqualTo(Sentence.of("limit.baselineShort", "readings", 0, "wanted", 1));
        Judgement alone = Judgement.worstOf(
                Sentence.NONE,
                List.of(LimitText.parse("sisters +50/+100 %", Sense.HIGHER_IS_WORSE)
                        .orElseThrow()
                        .judge(Amount.of(7, "bar"), List.of(), Background.NOTHING)));
        assertThat(alone).isEqualTo(Judgement.notJudged(Sentence.of("limit.noSister")));
    }

    @Property
    void withHysteresisAValueThatTremblesOnABoundaryKeepsItsVerdict(
            @ForAll @DoubleRange(min = -0.09, max = 0.09) double tremble) {
        Limit limit = LimitText.parse("2.8/4.5 mm/s, hysteresis 0.2 mm/s", Sense.HIGHER_IS_WORSE)
                .orElseThrow();
        Amount value = Amount.of(4.5 + tremble, "mm/s");
        assertThat(limit.judge(value, List.of(PAST_FAIL), Background.NOTHING).verdict())
                .as("once past it")
                .isEqualTo(Verdict.FAIL);
        Verdict fresh = tremble > 0 ? Verdict.FAIL : Verdict.WATCH;
        assertThat(limit.judge(value, List.of(PAST_WATCH), Background.NOTHING).verdict())
                .as("coming from below")
                .isEqualTo(fresh);
        Sentence remark =
                limit.judge(value, List.of(PAST_FAIL), Background.NOTHING).remark();
        assertThat(remark)
                .as("and says so where the value alone would not")
                .isEqualTo(tremble > 0 ? Sentence.NONE : Sentence.of("limit.kept"));
        assertThat(limit.judge(Amount.of(4.29, "mm/s"), List.of(PAST_FAIL), Background.NOTHING)
                        .verdict())
                .as("back within")
                .isEqualTo(Verdict.WATCH);
    }

    /** The faults that were seen: 7.1 - 0.3 is less than 6.8 in binary, and 1.3 times 0.3 more than 0.39. */
    @Example
    void valuesAreComparedAsTheyAreWritten() {
        for (double[] one : new double[][] {{4.5, 0.2, 4.3}, {7.1, 0.3, 6.8}, {0.3, 0.1, 0.2}, {1.1, 0.1, 1.0}}) {
            Limit limit = LimitText.parse(
                            "-/%s bar, hysteresis %s bar".formatted(one[0], one[1]), Sense.HIGHER_IS_WORSE)
                    .orElseThrow();
            assertThat(limit.judge(Amount.of(one[2], "bar"), List.of(PAST_FAIL), Background.NOTHING)
                            .verdict())
                    .as("%s has come back", one[2])
                    .isEqualTo(Verdict.PASS);
            assertThat(limit.judge(Amount.of(one[2] + JUST, "bar"), List.of(PAST_FAIL), Background.NOTHING)
                            .verdict())
                    .isEqualTo(Verdict.FAIL);
        }
        Background known =
                new Background(new double[] {0.3}, 1, false, java.util.OptionalDouble.empty(), 0, new double[0]);
        assertThat(judged("baseline +20/+30 %", 0.39, known))
                .as("on +30 %, not past it")
                .isEqualTo(Verdict.WATCH);
        assertThat(mmPerSecond(2.8, 7.1).judge(Amount.of(0.0071, "m/s")))
                .as("on the boundary in another unit")
                .isEqualTo(Verdict.WATCH);
    }

    @Example
    void aHysteresisHoldsTheBoundaryThatWasPassedAlone() {
        Limit band = LimitText.parse("within -/2..8 bar, hysteresis 0.5 bar", Sense.HIGHER_IS_WORSE)
                .orElseThrow();
        Bounds.Passed below = band.judge(Amount.of(1, "bar"), List.of(), Background.NOTHING)
                .passed()
                .get(0);
        assertThat(below).isEqualTo(new Bounds.Passed(false, false, true, false));
        assertThat(band.judge(Amount.of(2.3, "bar"), List.of(below), Background.NOTHING)
                        .verdict())
                .as("not come back far enough")
                .isEqualTo(Verdict.FAIL);
        assertThat(band.judge(Amount.of(7.8, "bar"), List.of(below), Background.NOTHING)
                        .verdict())
                .as("it never was above")
                .isEqualTo(Verdict.PASS);
        Limit two = LimitText.parse("4/6 bar & rate +0.5/+1 bar a day, hysteresis 0.5 bar", Sense.HIGHER_IS_WORSE)
                .orElseThrow();
        Background fast = new Background(new double[0], 1, false, java.util.OptionalDouble.of(1.0), 1, new double[0]);
        Limit.Outcome byRate = two.judge(Amount.of(3.8, "bar"), List.of(), fast);
        assertThat(byRate.verdict()).isEqualTo(Verdict.FAIL);
        Background slow = new Background(new double[0], 1, false, java.util.OptionalDouble.of(3.8), 1, new double[0]);
        assertThat(two.judge(Amount.of(3.7, "bar"), byRate.passed(), slow).verdict())
                .as("a fail by rate holds no boundary of the value")
                .isEqualTo(Verdict.PASS);
    }

    @Example
    void aForbiddenRangeIsLeftByEitherEnd() {
        Limit limit = LimitText.parse("outside -/3..5 bar, hysteresis 0.5 bar", Sense.HIGHER_IS_WORSE)
                .orElseThrow();
        List<Bounds.Passed> inside =
                limit.judge(Amount.of(4, "bar"), List.of(), Background.NOTHING).passed();
        assertThat(limit.judge(Amount.of(5.4, "bar"), inside, Background.NOTHING)
                        .verdict())
                .isEqualTo(Verdict.FAIL);
        assertThat(limit.judge(Amount.of(5.5, "bar"), inside, Background.NOTHING)
                        .verdict())
                .isEqualTo(Verdict.PASS);
        assertThat(limit.judge(Amount.of(2.5, "bar"), inside, Background.NOTHING)
                        .verdict())
                .isEqualTo(Verdict.PASS);
        assertThat(limit.judge(Amount.of(5.4, "bar"), List.of(), Background.NOTHING)
                        .verdict())
                .isEqualTo(Verdict.PASS);
    }

    @Example
    void aBoundaryCanBeSaidToBePast() {
        Limit limit = LimitText.parse("2.8/4.5 mm/s, boundary is past", Sense.HIGHER_IS_WORSE)
                .orElseThrow();
        assertThat(limit.judge(Amount.of(4.5, "mm/s"))).isEqualTo(Verdict.FAIL);
        assertThat(limit.judge(Amount.of(4.5 - JUST, "mm/s"))).isEqualTo(Verdict.WATCH);
    }

    @Example
    void aToleranceOfATemperatureIsADifferenceNotATemperature() {
        Limit limit =
                LimitText.parse("target 20 ±2/±4 °C", Sense.HIGHER_IS_WORSE).orElseThrow();
        assertThat(limit.judge(Amount.of(273.15 + 21.9, "K"))).isEqualTo(Verdict.PASS);
        assertThat(limit.judge(Amount.of(273.15 + 23, "K"))).isEqualTo(Verdict.WATCH);
    }
}
