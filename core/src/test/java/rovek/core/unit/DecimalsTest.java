package rovek.core.unit;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.BigRange;
import net.jqwik.api.constraints.Scale;

class DecimalsTest {

    /** Against decimal arithmetic itself. */
    @Property
    void sumsAndComparisonsAreThoseOfTheWrittenNumbers(
            @ForAll @BigRange(min = "-9999", max = "9999") @Scale(4) BigDecimal one,
            @ForAll @BigRange(min = "-9999", max = "9999") @Scale(4) BigDecimal other) {
        double sum = one.add(other).doubleValue();
        assertThat(Decimals.sum(one.doubleValue(), other.doubleValue())).isEqualTo(sum);
        assertThat(Decimals.compare(one.doubleValue() + other.doubleValue(), sum))
                .isZero();
        assertThat(Integer.signum(Decimals.compare(one.doubleValue(), other.doubleValue())))
                .isEqualTo(one.compareTo(other));
    }

    @Example
    void tinyHugeAndInfiniteNumbers() {
        assertThat(Decimals.compare(0.1 + 0.2, 0.3)).isZero();
        assertThat(Decimals.compare(1e-300, 2e-300)).isNegative();
        assertThat(Decimals.compare(1e300 * 1.0000000001, 1e300)).isPositive();
        assertThat(Decimals.compare(0, -0.0)).isZero();
        assertThat(Decimals.compare(Double.NEGATIVE_INFINITY, -1e308)).isNegative();
        assertThat(Decimals.compare(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY))
                .isZero();
        assertThat(Decimals.sum(Double.POSITIVE_INFINITY, -1)).isEqualTo(Double.POSITIVE_INFINITY);
    }
}
