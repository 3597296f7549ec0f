package rovek.core.limit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rovek.core.technique.Sense;
import rovek.core.unit.Amount;
import rovek.core.unit.IncomparableUnitsException;
import rovek.core.unit.UnitCatalogue;

/** A limit says the same in whichever unit its numbers are. */
class LimitUnitsTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "10/50 °C|50.0/122.0 °F",
                "below -40/-50 °C|below -40.0/-58.0 °F",
                "within 10..20/0..50 °C|within 50.0..68.0/32.0..122.0 °F",
                "outside 0..50/10..20 °C|outside 32.0..122.0/50.0..68.0 °F",
                "target 20 ±5/±10 °C|target 68.0 ±9.0/±18.0 °F",
                "baseline +5/+10 °C|baseline +9.0/+18.0 °F",
                "baseline +25/+50 %|baseline +25.0/+50.0 %",
                "rate +5/+10 °C a day|rate +9.0/+18.0 °F a day",
                "sisters +5/- °C|sisters +9.0/- °F",
                "scatter +3/+5 MAD|scatter +3.0/+5.0 MAD",
                "-/50 °C, hysteresis 5 °C, boundary is past|-/122.0 °F, hysteresis 9.0 °F, boundary is past"
            })
    void deviationsAreConvertedAsDifferencesAndBoundariesAsTemperatures(String celsius, String fahrenheit) {
        Limit limit = LimitText.parse(celsius, Sense.HIGHER_IS_WORSE).orElseThrow();
        Limit converted = limit.in(UnitCatalogue.DEGREE_FAHRENHEIT);
        assertThat(LimitText.write(converted, Sense.HIGHER_IS_WORSE)).isEqualTo(fahrenheit);
        assertThat(converted.in(UnitCatalogue.DEGREE_CELSIUS)).isEqualTo(limit);
    }

    @Test
    void verdictsDoNotDependOnTheUnit() {
        Limit limit = LimitText.parse("target 20 ±5/±10 °C & rate +2/+4 °C a day", Sense.HIGHER_IS_WORSE)
                .orElseThrow();
        Limit converted = limit.in(UnitCatalogue.DEGREE_FAHRENHEIT);
        Background before = new Background(new double[0], 1, false, OptionalDouble.of(18), 1, new double[0]);
        for (double degrees = 0; degrees <= 40; degrees += 0.5) {
            Amount value = new Amount(degrees, UnitCatalogue.DEGREE_CELSIUS);
            assertThat(converted.judge(value, List.of(), before).verdict())
                    .as("%s °C", degrees)
                    .isEqualTo(limit.judge(value, List.of(), before).verdict());
        }
    }

    @Test
    void anotherKindOfQuantityIsRefused() {
        Limit limit = LimitText.parse("10/50 °C", Sense.HIGHER_IS_WORSE).orElseThrow();
        assertThatThrownBy(() -> limit.in(UnitCatalogue.BAR)).isInstanceOf(IncomparableUnitsException.class);
    }
}
