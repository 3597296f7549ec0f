package rovek.fieldsim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import rovek.core.reading.WaveformCapture;
import rovek.core.technique.Curve;
import rovek.core.technique.vibration.Vibration;
import rovek.core.unit.UnitCatalogue;
import rovek.fieldsim.SimulatedPlant.Place;

class SimulatedPlantTest {

    private static final Instant START = Instant.parse("2025-11-23T09:00:00Z");
    private static final Place WEARING = new Place("P-102", "Drive end");
    private final SimulatedPlant plant = new SimulatedPlant(START, 1);
    private final Vibration vibration = new Vibration();

    private float[] after(Place place, int days) {
        return plant.measure(place, START.plus(Duration.ofDays(days)), 0, 16_384, 25_600, 100);
    }

    private rovek.core.technique.Analysis analysed(float[] volts, String measure) {
        double[] samples = new double[volts.length];
        for (int i = 0; i < volts.length; i++) {
            samples[i] = volts[i];
        }
        boolean velocity = measure.equals("velocity");
        return vibration.analyse(
                new WaveformCapture(samples, 25_600, UnitCatalogue.VOLT, OptionalDouble.of(100), OptionalDouble.of(5)),
                vibration.settingsOf(Map.of(
                        "measure",
                        measure,
                        "bandLowHz",
                        velocity ? "10" : "1000",
                        "bandHighHz",
                        velocity ? "1000" : "10000")));
    }

    private double rms(Place place, int days, String measure) {
        return analysed(after(place, days), measure)
                .result(measure + ".rms")
                .orElseThrow()
                .value()
                .value();
    }

    @Test
    void theSamePlaceAndTimeGiveTheSameSamples() {
        assertThat(after(WEARING, 100)).isEqualTo(after(WEARING, 100));
        assertThat(after(WEARING, 100)).isNotEqualTo(after(WEARING, 101));
    }

    @Test
    void aDefectiveBearingGetsLouderAtHighFrequencyAndAHealthyOneDoesNot() {
        assertThat(rms(WEARING, 360, "acceleration") / rms(WEARING, 30, "acceleration"))
                .isGreaterThan(3);
        Place healthy = new Place("P-101", "Drive end");
        assertThat(rms(healthy, 360, "acceleration") / rms(healthy, 30, "acceleration"))
                .isBetween(0.7, 1.4);
    }

    @Test
    void unbalanceStandsInTheSpectrumAtShaftSpeedDespiteTheOffset() {
        Curve.Lines spectrum =
                (Curve.Lines) analysed(after(WEARING, 10), "velocity").curves().get(0);
        int highest = 0;
        for (int i = 0; i < spectrum.values().length; i++) {
            highest = spectrum.values()[i] > spectrum.values()[highest] ? i : highest;
        }
        assertThat(highest * spectrum.stepHz()).isCloseTo(24.67, within(1.6));
    }
}
