package rovek.core.unit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.OptionalInt;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Scale;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

class ShownNumberTest {

    /** The front end is held to the same list. */
    @ParameterizedTest
    @CsvFileSource(resources = "/shown-numbers.csv", numLinesToSkip = 1)
    void numbersAreShownAsListed(String kind, double value, Integer decimals, String boundaries, String shown) {
        OptionalInt chosen = decimals == null ? OptionalInt.empty() : OptionalInt.of(decimals);
        double[] beside = boundaries == null
                ? new double[0]
                : Arrays.stream(boundaries.split(" "))
                        .mapToDouble(Double::parseDouble)
                        .toArray();
        assertThat(kind.equals("limit") ? ShownNumber.limit(value, chosen) : ShownNumber.beside(value, chosen, beside))
                .isEqualTo(shown);
    }

    @Property
    void theShownNumberLiesOnTheSameSideOfTheLimit(
            @ForAll @Scale(7) @DoubleRange(min = 4.499, max = 4.501) double value) {
        double shown = Double.parseDouble(ShownNumber.beside(value, 4.5));
        assertThat(Math.signum(Double.compare(shown, 4.5))).isEqualTo(Math.signum(Double.compare(value, 4.5)));
    }

    @Property
    void nothingIsShownAsNothingOnlyWhereItIs(@ForAll @Scale(11) @DoubleRange(min = -1, max = 1) double value) {
        double shown = Double.parseDouble(ShownNumber.beside(value, OptionalInt.of(1)));
        assertThat(shown == 0).isEqualTo(value == 0);
    }
}
