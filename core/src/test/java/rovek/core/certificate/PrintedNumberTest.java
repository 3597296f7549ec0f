package rovek.core.certificate;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Scale;

class PrintedNumberTest {

    @Example
    void threeDigitsUnlessThatWouldHideTheExcess() {
        assertThat(PrintedNumber.beside(4.8172, 4.5)).isEqualTo("4.82");
        assertThat(PrintedNumber.beside(4.5004, 4.5)).isEqualTo("4.5004");
        assertThat(PrintedNumber.beside(1.9996)).isEqualTo("2.00");
        assertThat(PrintedNumber.beside(12345.6)).isEqualTo("12300");
        assertThat(PrintedNumber.beside(0)).isEqualTo("0");
    }

    @Property
    void thePrintedNumberLiesOnTheSameSideOfTheLimit(
            @ForAll @Scale(7) @DoubleRange(min = 4.499, max = 4.501) double value) {
        double printed = Double.parseDouble(PrintedNumber.beside(value, 4.5));
        assertThat(Math.signum(Double.compare(printed, 4.5))).isEqualTo(Math.signum(Double.compare(value, 4.5)));
    }
}
