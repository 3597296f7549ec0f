package rovek.core.unit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Units that a company makes itself, and which units a kind of quantity is shown in. */
class OwnUnitTest {

    private static final OwnUnit HECTOLITRE = new OwnUnit("hl/h", UnitCatalogue.LITRE_PER_MINUTE, "100/60", "0");

    @Example
    void aUnitIsMadeOfAnotherByAFraction() {
        UnitOfMeasure hectolitre = HECTOLITRE.unit();
        assertThat(UnitCatalogue.LITRE_PER_MINUTE.convert(125, hectolitre)).isEqualTo(75);
        assertThat(hectolitre.convert(75, UnitCatalogue.LITRE_PER_MINUTE)).isEqualTo(125);
        assertThat(hectolitre.convert(10, UnitCatalogue.CUBIC_METRE_PER_HOUR)).isEqualTo(1);
    }

    /** The scale of Réaumur: 80 degrees between ice and steam. */
    @Example
    void aUnitMayBeginElsewhere() {
        UnitOfMeasure reaumur = new OwnUnit("°Ré", UnitCatalogue.DEGREE_CELSIUS, "1.25", "0").unit();
        assertThat(reaumur.convert(80, UnitCatalogue.DEGREE_CELSIUS)).isEqualTo(100);
        UnitOfMeasure tank = new OwnUnit("tank", UnitCatalogue.METRE, "0,5", "1,2").unit();
        assertThat(tank.convert(0, UnitCatalogue.METRE)).isEqualTo(1.2);
        assertThat(tank.convert(2, UnitCatalogue.METRE)).isEqualTo(2.2);
        assertThat(UnitCatalogue.MILLIMETRE.convert(1_700, tank)).isEqualTo(1);
        assertThat(tank.convertDifference(2, UnitCatalogue.METRE)).isEqualTo(1);
    }

    @Property
    void thereAndBackIsTheSameNumber(
            @ForAll @IntRange(min = 1, max = 100_000) int over,
            @ForAll @IntRange(min = 1, max = 100_000) int under,
            @ForAll @IntRange(min = -1_000_000, max = 1_000_000) int thousandths) {
        UnitOfMeasure unit = new OwnUnit("mine", UnitCatalogue.BAR, over + "/" + under, "0").unit();
        double value = thousandths / 1000.0;
        assertThat(unit.convert(UnitCatalogue.BAR.convert(value, unit), UnitCatalogue.BAR))
                .isEqualTo(value);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "4x|1|0|unit.symbol",
                "averyverylongsymbol|1|0|unit.symbol {most=16}",
                "hl|0|0|unit.factor",
                "hl|1/0|0|unit.zeroFraction",
                "hl|1e5|0|unit.notAFraction",
                "hl|1//2|0|unit.notAFraction",
                "hl|1234567890123456789012|0|unit.tooManyDigits {most=20}",
                "hl|1000000000000000000|0|unit.factor",
                "hl|1|abc|unit.notAFraction"
            })
    void whatCannotBeIsRefusedWithASentence(String symbol, String factor, String offset, String sentence) {
        assertThatThrownBy(() -> new OwnUnit(symbol, UnitCatalogue.BAR, factor, offset))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(sentence);
    }

    @Example
    void itCanBeTypedWhereItIsKnown() {
        KnownUnits known = new KnownUnits(List.of(HECTOLITRE.unit()));
        Amount typed = WrittenAmount.read("40 hl/h", UnitCatalogue.LITRE_PER_MINUTE, known);
        assertThat(typed.in(UnitCatalogue.LITRE_PER_HOUR).value()).isEqualTo(4_000);
        assertThatThrownBy(() -> WrittenAmount.read("40 hl/h", UnitCatalogue.LITRE_PER_MINUTE))
                .hasMessageContaining("unit.unknown {symbol=hl/h}");
    }

    /** Degrees that are typed into a field for a difference are steps of their scale. */
    @Example
    void aDifferenceOfTemperaturesIsReadAsOne() {
        assertThat(WrittenAmount.read("5 °C", UnitCatalogue.KELVIN)
                        .in(UnitCatalogue.KELVIN)
                        .value())
                .isEqualTo(5);
        assertThat(WrittenAmount.read("9 °F", UnitCatalogue.KELVIN)
                        .in(UnitCatalogue.KELVIN)
                        .value())
                .isEqualTo(5);
        assertThat(WrittenAmount.read("50 °F", UnitCatalogue.DEGREE_CELSIUS)
                        .in(UnitCatalogue.DEGREE_CELSIUS)
                        .value())
                .as("a temperature is not one")
                .isEqualTo(10);
    }

    /** Whatever is stored belongs to one kind at most, and every kind can be shown in what it is stored in. */
    @Example
    void eachUnitBelongsToOneKind() {
        for (String symbol : UnitCatalogue.symbols()) {
            UnitOfMeasure unit = UnitCatalogue.get(symbol);
            assertThat(Arrays.stream(KindOfQuantity.values())
                            .filter(kind -> kind.stored().contains(unit)))
                    .as(symbol)
                    .hasSizeLessThan(2);
            KindOfQuantity.of(unit)
                    .ifPresent(
                            kind -> assertThat(kind.isShownIn(unit)).as(symbol).isTrue());
        }
        assertThat(KindOfQuantity.find("loop-current")).contains(KindOfQuantity.LOOP_CURRENT);
        assertThat(KindOfQuantity.of(UnitCatalogue.PERCENT)).isEmpty();
    }

    @Example
    void aDifferenceIsNeverShownOnAShiftedScale() {
        KindOfQuantity difference = KindOfQuantity.TEMPERATURE_DIFFERENCE;
        assertThat(difference.isShownIn(UnitCatalogue.FAHRENHEIT_DIFFERENCE)).isTrue();
        assertThat(difference.isShownIn(UnitCatalogue.DEGREE_CELSIUS)).isFalse();
        assertThat(difference.isShownIn(UnitCatalogue.DEGREE_FAHRENHEIT)).isFalse();
        assertThat(KindOfQuantity.TEMPERATURE.isShownIn(UnitCatalogue.FAHRENHEIT_DIFFERENCE))
                .isFalse();
        assertThat(KindOfQuantity.TEMPERATURE.isShownIn(UnitCatalogue.KELVIN)).isTrue();
    }
}
