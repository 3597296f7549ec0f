package rovek.core.technique.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import rovek.core.technique.ChannelLimits;

class ChannelStatisticsTest {

    private static final double EVER = Double.POSITIVE_INFINITY;

    private static ChannelStatistics of(double[] seconds, double[] values, ChannelLimits limits) {
        return ChannelStatistics.of(seconds, values, limits, -EVER, EVER).orElseThrow();
    }

    /** Analytic: a straight rise from 0 to 10 in 10 s is above 7.5 for 2.5 s and below 2 for 2 s. */
    @Example
    void limitsAreCrossedBetweenTheSamples() {
        ChannelStatistics rise = of(new double[] {0, 4, 10}, new double[] {0, 4, 10}, new ChannelLimits(2, 7.5));
        assertThat(rise.outsideSeconds()).isCloseTo(4.5, within(1e-12));
        assertThat(rise.excursions()).isEqualTo(2);
        assertThat(rise.mean()).isCloseTo(5, within(1e-12));
        assertThat(rise.leastAtSeconds()).isZero();
        assertThat(rise.largestAtSeconds()).isEqualTo(10);
    }

    @Example
    void aValueOnALimitIsWithin() {
        ChannelStatistics level = of(new double[] {0, 1, 2}, new double[] {5, 5, 5}, new ChannelLimits(5, 5.0000001));
        assertThat(level.outsideSeconds()).isZero();
        assertThat(of(new double[] {0, 1, 2}, new double[] {4, 5, 4}, new ChannelLimits(-EVER, 5))
                        .outsideSeconds())
                .isZero();
    }

    /** Worked by hand: 1 s at 10, then 9 s at 0, with a fall of 1 s between: (10 + 5 + 0) / 11. */
    @Example
    void theMeanGoesByTimeNotBySamples() {
        ChannelStatistics uneven = of(
                new double[] {0, 0.25, 0.5, 0.75, 1, 2, 5, 11},
                new double[] {10, 10, 10, 10, 10, 0, 0, 0},
                ChannelLimits.NONE);
        assertThat(uneven.mean()).isCloseTo(15.0 / 11, within(1e-12));
        assertThat(uneven.coveredSeconds()).isEqualTo(11);
    }

    @Example
    void gapsAndPausesCountNothing() {
        double nothing = Double.NaN;
        ChannelStatistics gap =
                of(new double[] {0, 1, 2, 3, 4}, new double[] {1, 1, nothing, 9, 9}, new ChannelLimits(0, 5));
        assertThat(gap.coveredSeconds()).isEqualTo(2);
        assertThat(gap.outsideSeconds()).as("not while nothing is known").isEqualTo(1);
        assertThat(gap.samples()).isEqualTo(4);
        ChannelStatistics pause =
                of(new double[] {0, 1, 2, 500, 501}, new double[] {1, 1, 1, 9, 9}, new ChannelLimits(0, 5));
        assertThat(pause.coveredSeconds()).isEqualTo(3);
        assertThat(pause.outsideSeconds()).isEqualTo(1);
    }

    @Example
    void whatWasMeasuredOnceHasAMeanButNoTime() {
        ChannelStatistics once = of(new double[] {3}, new double[] {7}, new ChannelLimits(0, 5));
        assertThat(once.mean()).isEqualTo(7);
        assertThat(once.coveredSeconds()).isZero();
        assertThat(ChannelStatistics.of(new double[] {3}, new double[] {Double.NaN}, ChannelLimits.NONE, -EVER, EVER))
                .isEmpty();
        assertThat(ChannelStatistics.of(new double[] {3}, new double[] {7}, ChannelLimits.NONE, 4, 5))
                .as("outside the period")
                .isEmpty();
    }

    @Property(tries = 200)
    void thePartsOfAPeriodAddUpToTheWhole(@ForAll long seed, @ForAll @DoubleRange(min = 0.1, max = 0.9) double share) {
        Random random = new Random(seed);
        double[] seconds = new double[50];
        double[] values = new double[50];
        for (int i = 0; i < 50; i++) {
            seconds[i] = i == 0 ? 0 : seconds[i - 1] + 0.1 + random.nextDouble();
            values[i] = random.nextInt(10) == 0 ? Double.NaN : random.nextGaussian();
        }
        ChannelLimits limits = new ChannelLimits(-0.7, 0.9);
        double cut = share * seconds[49];
        ChannelStatistics whole = of(seconds, values, limits);
        ChannelStatistics first =
                ChannelStatistics.of(seconds, values, limits, -EVER, cut).orElseThrow();
        ChannelStatistics second =
                ChannelStatistics.of(seconds, values, limits, cut, EVER).orElseThrow();
        assertThat(first.coveredSeconds() + second.coveredSeconds()).isCloseTo(whole.coveredSeconds(), within(1e-9));
        assertThat(first.outsideSeconds() + second.outsideSeconds()).isCloseTo(whole.outsideSeconds(), within(1e-9));
        assertThat(first.mean() * first.coveredSeconds() + second.mean() * second.coveredSeconds())
                .isCloseTo(whole.mean() * whole.coveredSeconds(), within(1e-9));
        assertThat(whole.least())
                .isEqualTo(Arrays.stream(values).filter(Double::isFinite).min().orElseThrow());
        assertThat(whole.outsideSeconds()).isBetween(0.0, whole.coveredSeconds());
    }
}
