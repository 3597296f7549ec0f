package rovek.server.people.unit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;

/** Expected numbers: 0 °C is 32 °F, 100 °C is 212 °F; an inch is 25.4 mm. */
class ShownColumnTest {

    private static ShownColumn column(String stored, String shown) {
        return new ShownColumn(UnitCatalogue.get(stored), UnitCatalogue.get(shown));
    }

    @Test
    void aResultIsTheExactNumber() {
        ShownColumn inches = column("mm/s", "in/s");
        assertThat(inches.unit()).isEqualTo("in/s");
        // 36.6 * 1.8 + 32 in doubles is not.
        assertThat(inches.of(71.12)).isEqualTo(2.8);
        assertThat(column("°C", "°F").of(36.6)).isEqualTo(97.88);
    }

    @Test
    void samplesKeepTheirGapsAndTheirZero() {
        double[] shown = column("°C", "°F").of(new double[] {0, 100, Double.NaN, -40});
        assertThat(shown[0]).isEqualTo(32, within(1e-12));
        assertThat(shown[1]).isEqualTo(212, within(1e-12));
        assertThat(shown[2]).isNaN();
        assertThat(shown[3]).isEqualTo(-40, within(1e-12));
    }

    @Test
    void whatIsNotConvertedKeepsItsLastDigit() {
        UnitOfMeasure bar = UnitCatalogue.get("bar");
        double[] samples = {0.1 + 0.2};
        assertThat(new ShownColumn(bar, bar).of(samples)).containsExactly(0.1 + 0.2);
        assertThat(new ShownColumn(bar, bar).of(0.1 + 0.2)).isEqualTo(0.1 + 0.2);
    }
}
