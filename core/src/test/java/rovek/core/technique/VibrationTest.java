package rovek.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import rovek.core.reading.WaveformCapture;
import rovek.core.signal.Signals;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Sentence;

class VibrationTest extends VibrationSamples {

    @Test
    void aPureToneGivesTheAnalyticVelocity() {
        double hz = 159;
        Analysis analysis = ofAcceleration(Signals.sampled(N, RATE, Signals.sine(10, hz)), settings());
        double amplitude = 10 / (2 * Math.PI * hz) * 1000;
        assertThat(value(analysis, "velocity.rms"))
                .as("A / (2 pi f sqrt 2)")
                .isCloseTo(amplitude / Math.sqrt(2), within(amplitude * WINDOWED));
        assertThat(value(analysis, "velocity.peak"))
                .as("A / (2 pi f), to the sampling of a crest")
                .isCloseTo(amplitude, within(amplitude * 0.001));
        Curve.Lines spectrum = (Curve.Lines) analysis.curves().get(0);
        assertThat(spectrum.values()[159]).isCloseTo(amplitude / Math.sqrt(2), within(1e-9));
        assertThat(spectrum.unit().symbol()).isEqualTo("mm/s");
    }

    /**
     * v = sin x + sin 3x / 3 in mm/s has its crest, 2 sqrt 2 / 3, where neither tone has: only with the right phases.
     */
    @Test
    void integrationTurnsEveryToneByAQuarterPeriod() {
        double hz = 64;
        double omega = 2 * Math.PI * hz;
        double[] acceleration =
                Signals.sampled(N, RATE, t -> omega * (Math.cos(omega * t) + Math.cos(3 * omega * t)) / 1000);
        Analysis analysis = ofAcceleration(acceleration, settings());
        assertThat(value(analysis, "velocity.peak"))
                .as("analytic, to the sampling of a crest")
                .isCloseTo(2 * Math.sqrt(2) / 3, within(1e-3));
        assertThat(value(analysis, "velocity.rms")).isCloseTo(Math.sqrt((1 + 1 / 9.0) / 2), within(WINDOWED));
    }

    @Property(tries = 40)
    void anOffsetChangesNothing(
            @ForAll @DoubleRange(min = -1000, max = 1000) double offset,
            @ForAll @IntRange(min = 10, max = 1000) int hz) {
        double[] tone = Signals.sampled(N, RATE, Signals.sine(1, hz));
        double[] lifted = Arrays.stream(tone).map(v -> v + offset).toArray();
        double plain = value(ofAcceleration(tone, settings()), "velocity.rms");
        assertThat(value(ofAcceleration(lifted, settings()), "velocity.rms"))
                .isCloseTo(plain, within(plain * 1e-9 + 1e-9));
    }

    @Property(tries = 40)
    void valuesGrowInProportionAndThePeakIsNeverBelowTheRms(
            @ForAll long seed, @ForAll @DoubleRange(min = 0.01, max = 100) double factor) {
        Random random = new Random(seed);
        double[] noise = Signals.sampled(N, RATE, t -> random.nextGaussian());
        double[] louder = Arrays.stream(noise).map(v -> v * factor).toArray();
        Analysis quiet = ofAcceleration(noise, settings());
        Analysis loud = ofAcceleration(louder, settings());
        assertThat(value(loud, "velocity.rms") / value(quiet, "velocity.rms")).isCloseTo(factor, within(factor * 1e-9));
        assertThat(value(quiet, "velocity.peak")).isGreaterThanOrEqualTo(value(quiet, "velocity.rms"));
    }

    @Test
    void theBandsEdgesBelongToItAndTheNextLinesDoNot() {
        SettingValues band = settings("measure", "acceleration", "bandLowHz", "1000", "bandHighHz", "5000");
        for (int inside : new int[] {1000, 5000}) {
            double rms =
                    value(ofAcceleration(Signals.sampled(N, RATE, Signals.sine(2, inside)), band), "acceleration.rms");
            assertThat(rms).as("tone at the edge, %s Hz", inside).isCloseTo(Math.sqrt(2), within(1e-9));
        }
        for (int outside : new int[] {999, 5001}) {
            double rms =
                    value(ofAcceleration(Signals.sampled(N, RATE, Signals.sine(2, outside)), band), "acceleration.rms");
            assertThat(rms).as("tone past the edge, %s Hz", outside).isCloseTo(0, within(1e-9));
        }
    }

    @Test
    void theUpperEdgeMayLieAtTheEndOfTheUsableRange() {
        SettingValues band = settings("measure", "acceleration", "bandLowHz", "1000", "bandHighHz", "6400");
        double rms = value(ofAcceleration(Signals.sampled(N, RATE, Signals.sine(2, 6400)), band), "acceleration.rms");
        assertThat(rms).isCloseTo(Math.sqrt(2), within(1e-9));
    }

    /** An impact of one sample every 1/64 s: all harmonics of 64 Hz alike, amplitude 2 h / period; analytic. */
    @Test
    void anImpactTrainShowsAPeakFarAboveRootTwoTimesItsRms() {
        int period = N / 64;
        double[] train = new double[N];
        for (int i = 0; i < N; i += period) {
            train[i] = 100;
        }
        SettingValues band = settings("measure", "acceleration", "bandLowHz", "1000", "bandHighHz", "6400");
        Analysis analysis = ofAcceleration(train, band);
        int harmonics = 6400 / 64 - 1000 / 64;
        double amplitude = 2.0 * 100 / period;
        assertThat(value(analysis, "acceleration.rms"))
                .isCloseTo(amplitude / Math.sqrt(2) * Math.sqrt(harmonics), within(1e-9));
        assertThat(value(analysis, "acceleration.peak"))
                .as("all harmonics in phase")
                .isCloseTo(amplitude * harmonics, within(amplitude * harmonics * CREST));
    }

    @Test
    void voltsBecomeAccelerationByTheSensorsSensitivity() {
        double[] volts = Signals.sampled(N, RATE, Signals.sine(0.1, 2000));
        var capture =
                new WaveformCapture(volts, RATE, UnitCatalogue.VOLT, OptionalDouble.of(50), OptionalDouble.empty());
        Analysis analysis = vibration.analyse(
                capture, settings("measure", "acceleration", "bandLowHz", "1000", "bandHighHz", "5000"));
        assertThat(value(analysis, "acceleration.rms"))
                .as("0.1 V at 50 mV/g is 2 g")
                .isCloseTo(2 * 9.80665 / Math.sqrt(2), within(1e-9));
    }

    @Test
    void anOverloadedSensorGivesNumbersButNoVerdict() {
        double[] volts = Signals.sampled(N, RATE, t -> Math.max(-5, Math.min(5, 9 * Math.sin(2 * Math.PI * 50 * t))));
        var capture =
                new WaveformCapture(volts, RATE, UnitCatalogue.VOLT, OptionalDouble.of(100), OptionalDouble.of(5));
        Analysis analysis = vibration.analyse(capture, settings());
        assertThat(analysis.results()).isNotEmpty();
        assertThat(analysis.reasonNotToJudge()).isEqualTo(Sentence.of("vibration.overload"));
    }

    /** The fault that was seen: upwards a converter of 16 bits ends at 32767 of 32768. */
    @Test
    void aSignalThatWasCutOffAtEitherEndIsOverloaded() {
        double fullScale = 32_768;
        assertThat(reaching(32_767, fullScale)).isTrue();
        assertThat(reaching(-32_768, fullScale)).isTrue();
        assertThat(reaching(32_766, fullScale)).as("one step below, once").isFalse();
        double[] cut = Signals.sampled(N, RATE, t -> Math.min(32_760, 40_000 * Math.sin(2 * Math.PI * 50 * t)) / 1.3);
        assertThat(isOverloaded(cut, 32_760 / 1.3 / 0.9995))
                .as("flat just below the full scale")
                .isTrue();
        assertThat(isOverloaded(Signals.sampled(N, RATE, Signals.sine(0.9, 50)), 1))
                .isFalse();
    }

    private static boolean reaching(double value, double fullScale) {
        double[] samples = new double[64];
        samples[17] = value;
        return isOverloaded(samples, fullScale);
    }

    private static boolean isOverloaded(double[] samples, double fullScale) {
        return new WaveformCapture(
                        samples, RATE, UnitCatalogue.VOLT, OptionalDouble.of(100), OptionalDouble.of(fullScale))
                .isOverloaded();
    }

    @Test
    void tooShortOrTooSlowlySampledIsRefusedWithItsReason() {
        double[] short200 = Signals.sampled(200, RATE, Signals.sine(1, 100));
        Analysis tooShort = vibration.analyse(WaveformCapture.ofAcceleration(short200, RATE), settings());
        assertThat(tooShort.results()).isEmpty();
        assertThat(tooShort.reasonNotToJudge().values())
                .containsEntry("periods", 5.0)
                .containsEntry("lowest", "10");
        double[] slow = Signals.sampled(N, 2000, Signals.sine(1, 100));
        Analysis tooSlow = vibration.analyse(WaveformCapture.ofAcceleration(slow, 2000), settings());
        assertThat(tooSlow.reasonNotToJudge().values())
                .containsEntry("usable", 781.25)
                .containsEntry("highest", 1000.0);
    }

    @Test
    void everyFaultInTheSettingsIsNamedAtOnce() {
        assertThatThrownBy(() -> vibration.settingsOf(Map.of("lines", "7", "rateHz", "fast")))
                .isInstanceOfSatisfying(
                        InvalidSettingsException.class,
                        e -> assertThat(e.faults()).hasSize(2));
        assertThatThrownBy(() -> vibration.settingsOf(Map.of("bandLowHz", "2000", "rateHz", "1000")))
                .isInstanceOfSatisfying(
                        InvalidSettingsException.class,
                        e -> assertThat(e.faults()).hasSize(2));
    }

    @Test
    void aBrokenWaveformIsNotAccepted() {
        assertThatThrownBy(() -> WaveformCapture.ofAcceleration(new double[] {1, Double.NaN}, RATE))
                .hasMessageContaining("waveformNotNumbers");
        assertThatThrownBy(() -> WaveformCapture.ofAcceleration(new double[0], RATE))
                .hasMessageContaining("waveformEmpty");
    }

    @Test
    void displacementIsTheSecondIntegral() {
        double hz = 64;
        SettingValues settings = settings("measure", "displacement");
        Analysis analysis = ofAcceleration(Signals.sampled(N, RATE, Signals.sine(10, hz)), settings);
        double amplitude = 10 / Math.pow(2 * Math.PI * hz, 2) * 1e6;
        assertThat(value(analysis, "displacement.rms"))
                .as("A / (2 pi f)² / sqrt 2, in µm")
                .isCloseTo(amplitude / Math.sqrt(2), within(amplitude * WINDOWED));
        assertThat(value(analysis, "displacement.peak")).isCloseTo(amplitude, within(amplitude * 0.001));
        assertThat(vibration.checkName(settings)).isEqualTo("Displacement 10–1000 Hz");
    }

    @Test
    void crestAndKurtosisTellImpactsFromSinesAndNoise() {
        SettingValues high = settings("measure", "acceleration", "bandLowHz", "1000", "bandHighHz", "6400");
        Analysis sine = ofAcceleration(Signals.sampled(N, RATE, Signals.sine(3, 2048)), high);
        assertThat(value(sine, "acceleration.crest")).as("analytic: sqrt 2").isCloseTo(Math.sqrt(2), within(CREST));
        assertThat(value(sine, "acceleration.kurtosis")).as("analytic: 3/2").isCloseTo(1.5, within(1e-3));
        Random random = new Random(3);
        Analysis noise = ofAcceleration(Signals.sampled(N, RATE, t -> random.nextGaussian()), high);
        assertThat(value(noise, "acceleration.kurtosis"))
                .as("3 for a normal distribution, +- 3 standard errors")
                .isCloseTo(3, within(0.2));
        double[] impacts = new double[N];
        for (int i = 0; i < N; i += 1024) {
            impacts[i] = 50;
        }
        assertThat(value(ofAcceleration(impacts, high), "acceleration.kurtosis"))
                .isGreaterThan(50);
        assertThat(ofAcceleration(new double[N], high).results())
                .as("nothing has neither")
                .hasSize(2);
    }
}
