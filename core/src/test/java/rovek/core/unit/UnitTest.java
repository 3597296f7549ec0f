package rovek.core.unit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;

class UnitTest {

    @Example
    void standardGravityIsExact() {
        assertThat(Amount.of(1, "g").in(UnitCatalogue.METRE_PER_SQUARE_SECOND).value())
                .as("ISO 80000-3")
                .isEqualTo(9.80665);
        assertThat(Amount.of(4.5, "mm/s").in(UnitCatalogue.METRE_PER_SECOND).value())
                .isCloseTo(0.0045, within(1e-15));
    }

    @Property
    void thereAndBackIsTheSame(@ForAll @DoubleRange(min = -1e6, max = 1e6) double value) {
        Amount there = Amount.of(value, "g").in(UnitCatalogue.METRE_PER_SQUARE_SECOND);
        assertThat(there.in(UnitCatalogue.STANDARD_GRAVITY).value())
                .isCloseTo(value, within(Math.abs(value) * 1e-14 + 1e-14));
    }

    @Example
    void anUnknownUnitOrAnEndlessNumberIsRefused() {
        assertThatThrownBy(() -> Amount.of(1, "furlong")).hasMessageContaining("unit.unknown {symbol=furlong}");
        assertThatThrownBy(() -> Amount.of(Double.POSITIVE_INFINITY, "g")).hasMessageContaining("unit.notFinite");
    }
}
