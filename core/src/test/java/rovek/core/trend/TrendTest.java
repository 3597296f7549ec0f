package rovek.core.trend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;

class TrendTest {

    private static final Instant START = Instant.parse("2025-01-06T09:00:00Z");

    private static Instant day(double day) {
        return START.plusMillis(Math.round(day * 86_400_000));
    }

    /** Readings at uneven dates, about a month apart. */
    private static List<TimedValue> walked(int count, Random chance, DoubleUnaryOperator truth, double scatter) {
        List<TimedValue> values = new ArrayList<>();
        double at = 0;
        for (int i = 0; i < count; i++) {
            values.add(new TimedValue(day(at), truth.applyAsDouble(at) + scatter * chance.nextGaussian()));
            at += 15 + 30 * chance.nextDouble();
        }
        return values;
    }

    @Property(tries = 50)
    void anExactLineGivesItsSlopeAndItsDate(
            @ForAll @DoubleRange(min = -5, max = 5) double level,
            @ForAll @DoubleRange(min = 0.01, max = 0.1) double slope,
            @ForAll int seed) {
        Trend trend = Trend.of(walked(10, new Random(seed), day -> level + slope * day, 0))
                .orElseThrow();
        assertThat(trend.perDay()).isCloseTo(slope, within(1e-9));
        assertThat(trend.isSignificant()).isTrue();
        double then = 500;
        Trend.Reaching reaching = trend.reaching(level + slope * then).orElseThrow();
        assertThat(Duration.between(reaching.at(), day(then)).abs()).isLessThan(Duration.ofMinutes(5));
        assertThat(trend.reaching(level - 1)).as("it leads away from there").isEmpty();
    }

    @Example
    void leastSquaresAgreesWithATextbookCase() {
        // x 1..5, y 2 4 5 4 5: slope 0.6, level 4 at 3, squares left 2.4, so s = sqrt(0.8) and its slope's error
        // sqrt(0.08).
        StraightLine line = StraightLine.leastSquares(new double[] {1, 2, 3, 4, 5}, new double[] {2, 4, 5, 4, 5});
        assertThat(line.slope()).isCloseTo(0.6, within(1e-12));
        assertThat(line.at(0)).isCloseTo(2.2, within(1e-12));
        assertThat(line.scatter()).isCloseTo(Math.sqrt(0.8), within(1e-12));
        assertThat(line.slopeError()).isCloseTo(Math.sqrt(0.08), within(1e-12));
        assertThatThrownBy(() -> StraightLine.leastSquares(new double[] {1, 1, 1}, new double[] {1, 2, 3}))
                .hasMessageContaining("three points");
    }

    @Example
    void theTestOfMannAndKendallAgreesWithItsCounts() {
        // Ten rising values: S = 45, variance 10 9 25 / 18 = 125, z = 44 / sqrt(125).
        double[] rising = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10};
        assertThat(MannKendall.probability(rising, rising)).isCloseTo(8.3e-5, within(2e-6));
        // 1 1 2: S = 2, variance (3 2 11 - 2 1 9) / 18 = 48 / 18.
        assertThat(MannKendall.probability(new double[] {1, 2, 3}, new double[] {1, 1, 2}))
                .isCloseTo(Distributions.twoSided(1 / Math.sqrt(48 / 18.0)), within(1e-12));
        assertThat(MannKendall.probability(rising, new double[10])).isEqualTo(1);
        assertThat(Distributions.twoSided(1.959964)).isCloseTo(0.05, within(1e-6));
        assertThat(Distributions.studentAbove(0.05, 10)).isCloseTo(1.812461, within(1e-6));
        assertThat(Distributions.studentAbove(0.005, 3)).isCloseTo(5.840909, within(1e-6));
        assertThat(Distributions.studentAbove(0.01, 100)).isCloseTo(2.364217, within(1e-6));
    }

    /**
     * Kendall 1970, ties in both: x 1 1 2 3, y 1 2 2 3: S = 4; variance (4 3 13 - 18 - 18) / 18 + 0 + 2 2 / (2 4 3) =
     * 6.8333.
     */
    @Example
    void valuesOfOneInstantHaveNoOrderAmongThem() {
        double[] x = {1, 1, 2, 3};
        double expected = Distributions.twoSided(3 / Math.sqrt(120 / 18.0 + 4 / 24.0));
        assertThat(MannKendall.probability(x, new double[] {1, 2, 2, 3})).isCloseTo(expected, within(1e-12));
        assertThat(MannKendall.probability(x, new double[] {2, 1, 2, 3}))
                .as("whichever of the two is told first")
                .isCloseTo(expected, within(1e-12));
        assertThat(MannKendall.probability(new double[] {5, 5, 5, 5}, new double[] {1, 2, 3, 4}))
                .isEqualTo(1);
    }

    @Example
    void theTestOfAParabolaAgreesWithATextbookCase() {
        // x -2..2, y 4 1 1 2 5: mean 2.6, slope 3/10, sum of (x^2 - 2) y = 13 over a sum of squares of 14; two degrees
        // of freedom are left.
        boolean[] all = {true, true, true, true, true};
        double[] x = {-2, -1, 0, 1, 2};
        double[] y = {4, 1, 1, 2, 5};
        double left = 0;
        double bend = 13 / 14.0;
        for (int i = 0; i < 5; i++) {
            double off = y[i] - 2.6 - 0.3 * x[i] - bend * (x[i] * x[i] - 2);
            left += off * off;
        }
        assertThat(Curvature.of(x, y, all)).isCloseTo(bend / Math.sqrt(left / 2 / 14), within(1e-9));
        assertThat(Curvature.of(x, new double[] {1, 2, 3, 4, 5}, all))
                .as("a line does not bend")
                .isZero();
        assertThat(Curvature.of(x, new double[] {0, 1, 8, 27, 64}, new boolean[] {true, true, true, false, false}))
                .as("three points are always a parabola")
                .isZero();
    }

    @Example
    void whereThereIsNoTrendOneIsSeldomSeen() {
        Random chance = new Random(7);
        int seen = 0;
        for (int i = 0; i < 1_000; i++) {
            seen += Trend.of(walked(14, chance, day -> 2, 0.3)).orElseThrow().isSignificant() ? 1 : 0;
        }
        assertThat(seen).isLessThan(80);
    }

    @Example
    void wildValuesMoveItLittle() {
        List<TimedValue> values = walked(16, new Random(3), day -> 1 + 0.004 * day, 0.05);
        values.set(5, new TimedValue(values.get(5).at(), 40));
        values.set(11, new TimedValue(values.get(11).at(), 0));
        Trend trend = Trend.of(values).orElseThrow();
        assertThat(trend.perDay()).isCloseTo(0.004, within(0.0008));
        assertThat(trend.isSignificant()).isTrue();
    }

    @Example
    void whatWasLevelFirstBeginsWhereItChanged() {
        List<TimedValue> values = walked(30, new Random(5), day -> day < 400 ? 1.2 : 1.2 + 0.01 * (day - 400), 0.05);
        Trend trend = Trend.of(values).orElseThrow();
        assertThat(Duration.between(day(400), trend.since()).toDays()).isBetween(-60L, 60L);
        assertThat(trend.perDay()).isCloseTo(0.01, within(0.0015));
    }

    @Example
    void aGrowthIsSeenAsOne() {
        Trend trend = Trend.of(walked(16, new Random(9), day -> 0.5 * Math.exp(0.005 * day), 0.01))
                .orElseThrow();
        assertThat(trend.isGrowth()).isTrue();
        Instant last = trend.since().plus(Duration.ofDays(300));
        assertThat(trend.at(last))
                .isCloseTo(0.5 * Math.exp(0.005 * Duration.between(START, last).toDays()), within(0.1));
        Instant truth = day(Math.log(20 / 0.5) / 0.005);
        Trend.Reaching reaching = trend.reaching(20).orElseThrow();
        assertThat(truth).isBetween(reaching.earliest(), reaching.latest().orElseThrow());
    }

    /** A bearing that wears: level for two years, then what is above that doubles every month and a half. */
    @Example
    void aGrowthAboveALevelIsNotForetoldTooLate() {
        List<TimedValue> values =
                walked(24, new Random(2), day -> 1.5 + 0.04 * Math.exp(0.015 * Math.max(0, day - 400)), 0.05);
        double newest = Duration.between(START, values.get(23).at()).toMillis() / 86_400_000.0;
        Trend trend = Trend.of(values).orElseThrow();
        assertThat(trend.isGrowth()).isTrue();
        Instant truth = day(400 + Math.log((12 - 1.5) / 0.04) / 0.015);
        assertThat(truth).as("it is still to come").isAfter(day(newest));
        Trend.Reaching reaching = trend.reaching(12).orElseThrow();
        assertThat(Duration.between(truth, reaching.at()).toDays()).isBetween(-40L, 40L);
    }

    @Example
    void aStepAfterARepairIsNoTrendOfWhatCameAfter() {
        Random chance = new Random(4);
        List<TimedValue> before = walked(12, chance, day -> 4, 0.1);
        List<TimedValue> after = walked(12, chance, day -> 1, 0.1);
        assertThat(Trend.of(after).orElseThrow().isSignificant()).isFalse();
        List<TimedValue> both = new ArrayList<>(before);
        Instant end = before.get(11).at();
        after.forEach(value -> both.add(
                new TimedValue(end.plus(Duration.between(START, value.at())).plusSeconds(86_400), value.value())));
        assertThat(Trend.of(both).orElseThrow().reaching(5))
                .as("falling away from the limit")
                .isEmpty();
    }

    /** Doubled, bunched and tied as they come: something is said or nothing, and never nonsense. */
    @Property(tries = 500)
    void readingsOfOneInstantAreNoTrouble(
            @ForAll @Size(min = 6, max = 30) List<@IntRange(min = 0, max = 6) Integer> days,
            @ForAll @IntRange(min = 0, max = 3) int kinds,
            @ForAll long seed) {
        Random chance = new Random(seed);
        List<TimedValue> values = days.stream()
                .sorted()
                .map(day -> new TimedValue(day(day), kinds == 0 ? 5 : chance.nextInt(kinds + 1) + day))
                .toList();
        Trend.of(values).ifPresent(trend -> {
            assertThat(trend.probability()).isBetween(0.0, 1.0);
            assertThat(trend.perDay()).isFinite();
            for (double limit : new double[] {-3, 0, 4, 20, 1e6}) {
                trend.reaching(limit).ifPresent(reaching -> {
                    assertThat(reaching.at())
                            .isAfterOrEqualTo(values.get(values.size() - 1).at());
                    assertThat(reaching.earliest())
                            .isBeforeOrEqualTo(reaching.at())
                            .isAfterOrEqualTo(values.get(values.size() - 1).at().minusMillis(1));
                    reaching.latest().ifPresent(latest -> assertThat(latest).isAfterOrEqualTo(reaching.at()));
                });
            }
        });
    }

    @Example
    void tooFewAreNoTrendAndVeryManyAreNoTrouble() {
        assertThat(Trend.of(walked(5, new Random(1), day -> day, 0))).isEmpty();
        Trend trend = Trend.of(walked(100_000, new Random(1), day -> 3 + 1e-6 * day, 1))
                .orElseThrow();
        assertThat(trend.perDay()).isCloseTo(1e-6, within(2e-8));
    }
}
