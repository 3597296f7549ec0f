package rovek.core.uncertainty;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Scale;

class StatedTest {

    /** The first of JCGM 100:2008, 7.2.6 (u = 27 mohm to 10.057 62 ohm); the others counted out by hand. */
    @Example
    void twoDigitsAndAsManyDecimals() {
        assertThat(written(10.05762, 0.027)).isEqualTo("10.058 0.027");
        assertThat(written(4.0405, 0.0095)).isEqualTo("4.0405 0.0095");
        assertThat(written(0.1251, 0.5)).isEqualTo("0.13 0.50");
        assertThat(written(-0.125, 0.10)).isEqualTo("-0.13 0.10");
        assertThat(written(7.04, 0.0996)).isEqualTo("7.04 0.10");
        assertThat(written(1234.5, 9.96)).isEqualTo("1235 10");
        assertThat(written(123456, 1249)).isEqualTo("123500 1200");
        assertThat(written(3.25, 0)).isEqualTo("3.25 0");
    }

    @Property
    void losesAtMostATwentiethOfTheUncertainty(
            @ForAll @DoubleRange(min = 1, max = 10) @Scale(8) double digits,
            @ForAll @IntRange(min = -12, max = 12) int power,
            @ForAll @DoubleRange(min = -1e6, max = 1e6) @Scale(6) double value) {
        double uncertainty = digits * Math.pow(10, power);
        Stated stated = Stated.of(value, uncertainty);
        assertThat(stated.uncertainty().precision()).isEqualTo(2);
        assertThat(stated.uncertainty().doubleValue()).isBetween(uncertainty * 0.95, uncertainty * 1.05);
        assertThat(stated.value().scale()).isEqualTo(stated.uncertainty().scale());
        BigDecimal step = BigDecimal.ONE.scaleByPowerOfTen(-stated.uncertainty().scale());
        assertThat(stated.value().subtract(BigDecimal.valueOf(value)).abs().multiply(BigDecimal.valueOf(2)))
                .isLessThanOrEqualTo(step);
    }

    private static String written(double value, double uncertainty) {
        Stated stated = Stated.of(value, uncertainty);
        return stated.value().toPlainString() + " " + stated.uncertainty().toPlainString();
    }
}
