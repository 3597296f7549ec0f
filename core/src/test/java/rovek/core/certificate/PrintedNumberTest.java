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
        assertThat(PrintedNumber.beside(4.81726543, 4.5)).isEqualTo("4.82");
        assertThat(PrintedNumber.beside(4.5004, 4.5)).isEqualTo("4.5004");
        assertThat(PrintedNumber.beside(1.99961234)).isEqualTo("2.00");
        assertThat(PrintedNumber.beside(12345.6789)).isEqualTo("12300");
        assertThat(PrintedNumber.beside(0)).isEqualTo("0");
    }

    @Example
    void aNumberThatWasGivenKeepsItsDigits() {
        assertThat(PrintedNumber.beside(13.605)).isEqualTo("13.605");
        assertThat(PrintedNumber.beside((double) 13.605f))
                .as("in single precision")
                .isEqualTo("13.605");
        assertThat(PrintedNumber.beside(4.5)).isEqualTo("4.50");
        assertThat(PrintedNumber.beside(1482.5)).isEqualTo("1482.5");
        assertThat(PrintedNumber.beside(2.0E-5)).isEqualTo("0.0000200");
        assertThat(PrintedNumber.beside(4.505, 4.5)).isEqualTo("4.505");
    }

    @Property
    void thePrintedNumberLiesOnTheSameSideOfTheLimit(
            @ForAll @Scale(7) @DoubleRange(min = 4.499, max = 4.501) double value) {
        double printed = Double.parseDouble(PrintedNumber.beside(value, 4.5));
        assertThat(Math.signum(Double.compare(printed, 4.5))).isEqualTo(Math.signum(Double.compare(value, 4.5)));
    }
}
