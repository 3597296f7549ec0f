package rovek.core.unit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Numbers and units as people and foreign instruments write them. */
class WrittenTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "4.2|4.2|bar",
                "4,2|4.2|bar",
                "4,2 mbar|4.2|mbar",
                "-0.5|-0.5|bar",
                "1 234,5|1234.5|bar",
                "1,234.5 kPa|1234.5|kPa",
                "1.234,5|1234.5|bar",
                "+7|7|bar",
                "1e3|1000|bar",
                "\u22122|-2|bar",
                "21C|21|°C",
                "70 degF|70|°F",
                "12 m3/h|12|m³/h",
                "5 RPM|5|1/min",
                ".5|0.5|bar"
            })
    void aNumberIsReadWithItsUnit(String written, double value, String unit) {
        Amount read = WrittenAmount.read(written, UnitCatalogue.BAR);
        assertThat(read.value()).isEqualTo(value);
        assertThat(read.unit().symbol()).isEqualTo(unit);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "abc|unit.notANumber",
                "' '|unit.noNumber",
                "1,2,3|unit.notANumber",
                "4 foo|unit.unknown {symbol=foo}",
                "1.2.3|unit.notANumber",
                "1e999|unit.notANumber"
            })
    void whatIsNoNumberIsSaid(String written, String sentence) {
        assertThatThrownBy(() -> WrittenAmount.read(written, UnitCatalogue.BAR))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(sentence);
    }

    /** Of ten thousand digits and something behind a line break every beginning would be tried. */
    @Test
    void whatIsTooLongForANumberIsNotSearched() {
        String hostile = "1".repeat(10_000) + "\n1";
        assertThatThrownBy(() -> WrittenAmount.read(hostile, UnitCatalogue.BAR))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("unit.longAmount {most=100}");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "m/s2|m/s²",
                "m/s^2|m/s²",
                "G|g",
                "ips|in/s",
                "in/s|in/s",
                "rpm|1/min",
                "CPM|1/min",
                "l/min|l/min",
                "lpm|l/min",
                "Ohm|Ω",
                "ohms|Ω",
                "MOhm|MΩ",
                "mOhm|mΩ",
                "kohm|kΩ",
                "C|°C",
                "degF|°F",
                "dB|dB",
                "N m|N·m",
                "Nm|N·m",
                "mils|mil",
                "um|µm",
                "m3/h|m³/h",
                "uA|µA",
                "sec|s",
                "percent|%"
            })
    void unitsMayBeWrittenInTheUsualWays(String written, String symbol) {
        assertThat(WrittenUnit.find(written).orElseThrow().symbol()).isEqualTo(symbol);
    }

    @Test
    void whatIsNoUnitOfOursIsNotGuessed() {
        assertThat(WrittenUnit.find("nm")).as("a nanometre is no newton metre").isEmpty();
        assertThat(UnitCatalogue.DECIBEL.isComparableTo(UnitCatalogue.ONE))
                .as("a level converts into nothing")
                .isFalse();
        assertThat(UnitCatalogue.INCH_PER_SECOND.convert(1, UnitCatalogue.MILLIMETRE_PER_SECOND))
                .as("ISO 80000-3: 25.4 exactly")
                .isEqualTo(25.4);
        assertThat(UnitCatalogue.MIL.convert(2, UnitCatalogue.MICROMETRE)).isEqualTo(50.8);
        assertThat(UnitCatalogue.MEGAOHM.convert(1, UnitCatalogue.MILLIOHM)).isEqualTo(1e9);
    }

    /** Millivolt and megavolt differ by nothing but a letter's size: no guessing there. */
    @Test
    void unitsAreFoundByTheirUsualOtherSpellingsOnly() {
        assertThat(WrittenUnit.find("PSI")).contains(UnitCatalogue.POUND_PER_SQUARE_INCH);
        assertThat(WrittenUnit.find("\u03BCm")).contains(UnitCatalogue.MICROMETRE);
        assertThat(WrittenUnit.find("a"))
                .as("one letter is taken only as it is")
                .isEmpty();
        assertThat(WrittenUnit.find("furlong")).isEmpty();
    }

    @Test
    void theUnitsOfOtherCountriesConvert() {
        assertThat(UnitCatalogue.DEGREE_FAHRENHEIT.convert(212, UnitCatalogue.DEGREE_CELSIUS))
                .isCloseTo(100, within(1e-9));
        assertThat(UnitCatalogue.DEGREE_FAHRENHEIT.convert(-40, UnitCatalogue.DEGREE_CELSIUS))
                .isCloseTo(-40, within(1e-9));
        assertThat(UnitCatalogue.POUND_PER_SQUARE_INCH.convert(14.503773773, UnitCatalogue.BAR))
                .isCloseTo(1, within(1e-9));
        assertThat(UnitCatalogue.KELVIN.convert(273.15, UnitCatalogue.DEGREE_CELSIUS))
                .isCloseTo(0, within(1e-9));
    }

    /** Whatever a program writes with either mark is read back as what it was. */
    @Test
    void everyNumberIsReadBackUnderTheMarkItWasWrittenWith() {
        Random random = new Random(20261123);
        for (int i = 0; i < 2_000; i++) {
            double value = Math.round(random.nextGaussian() * Math.pow(10, random.nextInt(7)) * 1000) / 1000.0;
            String plain = String.format(Locale.ROOT, "%.3f", value);
            String grouped = String.format(Locale.ROOT, "%,.3f", value);
            String comma = grouped.replace(',', '#').replace('.', ',').replace('#', '.');
            assertThat(DecimalMark.POINT.read(plain)).hasValue(value);
            assertThat(DecimalMark.POINT.read(grouped)).hasValue(value);
            assertThat(DecimalMark.COMMA.read(comma)).hasValue(value);
            assertThat(DecimalMark.COMMA.read(plain.replace('.', ','))).hasValue(value);
        }
        assertThat(DecimalMark.POINT.read("1,5"))
                .as("a comma parts thousands there")
                .isEmpty();
        assertThat(DecimalMark.COMMA.read("1.5")).isEmpty();
    }
}
