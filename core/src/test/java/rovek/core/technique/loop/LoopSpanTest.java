package rovek.core.technique.loop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import rovek.core.unit.Decimals;
import rovek.core.wording.Refused;

class LoopSpanTest {

    /** Counted out by hand from I = 4 + 16 (x - LRV) / (URV - LRV), or its root. */
    @Example
    void idealCurrents() {
        LoopSpan pressure = LoopSpan.current(0, 10, Transfer.LINEAR);
        assertThat(pressure.ideal(2.5)).isEqualTo(8);
        assertThat(pressure.ideal(10.5)).isCloseTo(20.8, within(1e-12));
        assertThat(pressure.ideal(-0.5)).isCloseTo(3.2, within(1e-12));
        LoopSpan reversed = LoopSpan.current(200, -50, Transfer.LINEAR);
        assertThat(reversed.ideal(200)).isEqualTo(4);
        assertThat(reversed.ideal(-50)).isEqualTo(20);
        assertThat(reversed.ideal(137.5)).isEqualTo(8);
        LoopSpan flow = LoopSpan.current(0, 25, Transfer.SQUARE_ROOT);
        assertThat(flow.ideal(6.25)).isEqualTo(12);
        assertThat(flow.ideal(0.25)).isCloseTo(5.6, within(1e-12));
        assertThat(flow.ideal(-0.01)).isEqualTo(4);
        LoopSpan cut = LoopSpan.current(0, 25, new Transfer(true, 0.05));
        // A share of 0.0025 is just 5 % of the flow.
        assertThat(cut.ideal(0.0625)).isCloseTo(4.8, within(1e-12));
        assertThat(cut.ideal(0.0624)).isEqualTo(4);
        assertThat(new LoopSpan(0, 4, Transfer.LINEAR, 0, 10).ideal(3)).isEqualTo(7.5);
        assertThat(LoopSpan.digital(-40, 120).ideal(55)).isCloseTo(55, within(1e-12));
    }

    @Example
    void errorsAreSharesOfTheOutputSpan() {
        LoopSpan pressure = LoopSpan.current(0, 10, Transfer.LINEAR);
        // Applied, not nominal: 2.51 bar must give 8.016 mA.
        assertThat(pressure.error(2.51, 8.056)).isCloseTo(0.25, within(1e-12));
        assertThat(pressure.error(2.51, 7.976)).isCloseTo(-0.25, within(1e-12));
        LoopSpan reversed = LoopSpan.current(10, 0, Transfer.LINEAR);
        assertThat(reversed.error(0, 20.016)).isCloseTo(0.1, within(1e-12));
        assertThat(LoopSpan.digital(120, -40).error(0, 0.8)).isCloseTo(0.5, within(1e-12));
    }

    @Property
    void aDigitalValueIsOffByWhatAnAnalogOneIs(
            @ForAll @DoubleRange(min = -1000, max = 1000) double lower,
            @ForAll @DoubleRange(min = 1, max = 500) double width,
            @ForAll @DoubleRange(min = -0.1, max = 1.1) double share,
            @ForAll @DoubleRange(min = -5, max = 5) double percent) {
        LoopSpan analog = LoopSpan.current(lower, lower + width, Transfer.LINEAR);
        LoopSpan digital = LoopSpan.digital(lower, lower + width);
        double applied = lower + share * width;
        assertThat(analog.error(applied, analog.ideal(applied) + 0.16 * percent))
                .isCloseTo(percent, within(1e-8));
        assertThat(digital.error(applied, applied + width / 100 * percent)).isCloseTo(percent, within(1e-8));
    }

    @Example
    void toleranceIsASumOfThreeParts() {
        LoopSpan pressure = LoopSpan.current(0, 10, Transfer.LINEAR);
        assertThat(new LoopTolerance(0.5, 0, 0).at(7, pressure)).isEqualTo(0.5);
        assertThat(new LoopTolerance(0, 1, 0).at(2.5, pressure)).isEqualTo(0.25);
        assertThat(new LoopTolerance(0, 0, 0.08).at(2.5, pressure)).isEqualTo(0.5);
        double sum = new LoopTolerance(0.1, 0.2, 0.016).at(5, pressure);
        assertThat(Decimals.compare(sum, 0.3)).isZero();
        double reversed = new LoopTolerance(0, 1, 0).at(20, LoopSpan.digital(120, 20));
        assertThat(reversed).isEqualTo(1);
    }

    @Example
    void refusesWhatIsNoSpanAndNoTolerance() {
        for (double[] ends : new double[][] {{5, 5}, {Double.NaN, 1}, {0, Double.POSITIVE_INFINITY}, {-1e308, 1e308}}) {
            assertThatThrownBy(() -> LoopSpan.current(ends[0], ends[1], Transfer.LINEAR))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining("loop.noSpan");
        }
        for (double[] parts : new double[][] {
            {0, 0, 0}, {-0.1, 1, 1}, {1, -0.1, 1}, {1, 1, -0.1}, {Double.NaN, 1, 1}, {Double.POSITIVE_INFINITY, 0, 0}
        }) {
            assertThatThrownBy(() -> new LoopTolerance(parts[0], parts[1], parts[2]))
                    .hasMessageContaining("loop.noTolerance");
        }
        for (double cutOff : new double[] {-0.01, 1, Double.NaN}) {
            assertThatThrownBy(() -> new Transfer(true, cutOff)).isInstanceOf(IllegalArgumentException.class);
        }
    }
}
