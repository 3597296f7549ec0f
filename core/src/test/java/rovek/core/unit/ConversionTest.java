package rovek.core.unit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.offset;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Numbers go from unit to unit, and back, without losing anything that was written. */
class ConversionTest {

    record Pair(UnitOfMeasure one, UnitOfMeasure other) {}

    @Provide
    Arbitrary<Pair> comparable() {
        List<Pair> pairs = new ArrayList<>();
        for (String one : UnitCatalogue.symbols()) {
            for (String other : UnitCatalogue.symbols()) {
                if (UnitCatalogue.get(one).isComparableTo(UnitCatalogue.get(other))) {
                    pairs.add(new Pair(UnitCatalogue.get(one), UnitCatalogue.get(other)));
                }
            }
        }
        return Arbitraries.of(pairs);
    }

    /** As instruments and people write numbers: up to twelve digits, the point anywhere. */
    @Provide
    Arbitrary<Double> written() {
        Arbitrary<Long> digits = Arbitraries.longs().between(-999_999_999_999L, 999_999_999_999L);
        Arbitrary<Integer> decimals = Arbitraries.integers().between(0, 9);
        return Combinators.combine(digits, decimals)
                .as((all, after) -> BigDecimal.valueOf(all, after).doubleValue());
    }

    @Property(tries = 5_000)
    void thereAndBackIsTheSameNumber(@ForAll("comparable") Pair pair, @ForAll("written") double value) {
        boolean isShifted =
                pair.one().scale().offset().compareTo(pair.other().scale().offset()) != 0;
        double there = pair.one().convert(value, pair.other());
        double back = pair.other().convert(there, pair.one());
        // What is written finer than a double holds of the shifted number cannot come back.
        double lost = isShifted ? Math.ulp(Math.max(Math.abs(value), 500)) * 4 : 0;
        assertThat(back).isCloseTo(value, offset(lost));
    }

    /**
     * Their results are so near to a number of 12 digits that a double is the same for both, and are not that number.
     */
    @Example
    void aResultThatLooksWrittenAndIsNotComesBackToo() {
        for (double value : new double[] {55065.8, 5021588.9, 7277096.00574, 91064325.4062}) {
            double there = UnitCatalogue.METRE_PER_SQUARE_SECOND.convert(value, UnitCatalogue.STANDARD_GRAVITY);
            assertThat(UnitCatalogue.STANDARD_GRAVITY.convert(there, UnitCatalogue.METRE_PER_SQUARE_SECOND))
                    .isEqualTo(value);
        }
    }

    @Property(tries = 2_000)
    void aTemperatureOfFourDecimalsComesBackExactly(@ForAll("degrees") double degrees) {
        for (UnitOfMeasure other : List.of(UnitCatalogue.DEGREE_CELSIUS, UnitCatalogue.KELVIN)) {
            double there = UnitCatalogue.DEGREE_FAHRENHEIT.convert(degrees, other);
            assertThat(other.convert(there, UnitCatalogue.DEGREE_FAHRENHEIT)).isEqualTo(degrees);
        }
    }

    @Provide
    Arbitrary<Double> degrees() {
        return Arbitraries.integers()
                .between(-4_596_700, 50_000_000)
                .map(all -> BigDecimal.valueOf(all, 4).doubleValue());
    }

    /** The difference of two converted numbers is the converted difference: no scale's beginning is in it. */
    @Property(tries = 2_000)
    void differencesAreNotShifted(
            @ForAll("comparable") Pair pair, @ForAll("degrees") double one, @ForAll("degrees") double other) {
        double converted = pair.one().convertDifference(one - other, pair.other());
        double apart = pair.one().convert(one, pair.other()) - pair.one().convert(other, pair.other());
        double size = Math.abs(pair.one().convert(one, pair.other()))
                + Math.abs(pair.one().convert(other, pair.other()))
                + Math.abs(converted)
                + Math.abs(pair.one().convert(0, pair.other()));
        assertThat(converted).isCloseTo(apart, offset(size * 1e-14));
        assertThat(pair.one().convertDifference(0, pair.other())).isZero();
    }

    @Example
    void aChangeOfNineFahrenheitIsOneOfFiveCelsius() {
        assertThat(UnitCatalogue.DEGREE_FAHRENHEIT.convertDifference(9, UnitCatalogue.DEGREE_CELSIUS))
                .isEqualTo(5);
        assertThat(UnitCatalogue.KELVIN.convertDifference(5, UnitCatalogue.FAHRENHEIT_DIFFERENCE))
                .isEqualTo(9);
        assertThat(UnitCatalogue.DEGREE_CELSIUS.convertDifference(20, UnitCatalogue.KELVIN))
                .isEqualTo(20);
        assertThatThrownBy(() -> UnitCatalogue.BAR.convertDifference(1, UnitCatalogue.VOLT))
                .isInstanceOf(IncomparableUnitsException.class);
        assertThatThrownBy(() -> UnitCatalogue.BAR.convert(1, UnitCatalogue.VOLT))
                .isInstanceOf(IncomparableUnitsException.class)
                .hasMessageContaining("unit.incomparable {other=V, unit=bar}");
    }

    /** Factors as NIST Special Publication 811, appendix B.8, prints them, to its digits. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "psi|Pa|6894.757|0.0005",
                "mmHg|Pa|133.3224|0.00005",
                "inH2O (4 °C)|Pa|249.082|0.0005",
                "inH2O (60 °F)|Pa|248.84|0.005",
                "in/s|m/s|0.0254|0",
                "mil|µm|25.4|0",
                "in|mm|25.4|0",
                "g|m/s²|9.80665|0",
                "l/min|m³/h|0.06|0",
                "1/min|Hz|0.01666666666666667|0.00000000000000001",
                "kΩ·cm|Ω·m|10|0",
                "GΩ|MΩ|1000|0",
                "µΩ|mΩ|0.001|0",
                "MPa|bar|10|0"
            })
    void factorsAreThoseOfTheTables(String from, String to, double factor, double within) {
        assertThat(UnitCatalogue.get(from).convert(1, UnitCatalogue.get(to))).isCloseTo(factor, offset(within));
    }

    /** A cubic metre of water at 20 °C is 998.2 kg (IAPWS), so an inch of it 248.64 Pa. */
    @Example
    void waterIsLighterWhenWarm() {
        double cold = UnitCatalogue.INCH_OF_WATER_AT_4_DEGREES.convert(1, UnitCatalogue.PASCAL);
        double mild = UnitCatalogue.INCH_OF_WATER_AT_60_FAHRENHEIT.convert(1, UnitCatalogue.PASCAL);
        double warm = UnitCatalogue.INCH_OF_WATER_AT_20_DEGREES.convert(1, UnitCatalogue.PASCAL);
        assertThat(warm).isCloseTo(248.64, offset(0.005)).isLessThan(mild);
        assertThat(mild).isLessThan(cold);
        assertThat(WrittenUnit.find("inH2O"))
                .as("at which temperature is not guessed")
                .isEmpty();
    }

    @Property(tries = 500)
    void tinyAndHugeNumbersStayFinite(@ForAll("comparable") Pair pair) {
        for (double value : new double[] {0, -0.0, Double.MIN_VALUE, 1e-300, 1e290, -1e290}) {
            assertThat(pair.one().convert(value, pair.other())).isFinite();
        }
    }
}
