package rovek.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import rovek.core.reading.WaveformCapture;
import rovek.core.signal.Signals;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Sentence;

/** Named bands, and looking at a record otherwise than its check asks for. */
class VibrationBandsTest extends VibrationSamples {

    @Test
    void aNamedBandHasAResultOfItsOwn() {
        SettingValues settings = settings("bandsHz", "running speed: 40..60; mesh: 400..500");
        double hz = 48;
        Analysis analysis = ofAcceleration(Signals.sampled(N, RATE, Signals.sine(10, hz)), settings);
        double rms = 10 / (2 * Math.PI * hz) * 1000 / Math.sqrt(2);
        assertThat(value(analysis, "velocity.band.running speed"))
                .as("A / (2 pi f sqrt 2)")
                .isCloseTo(rms, within(rms * 0.001));
        assertThat(value(analysis, "velocity.band.mesh")).isCloseTo(0, within(1e-6));
        assertThat(vibration.results(settings))
                .extracting(ResultDefinition::name)
                .containsExactly(
                        "velocity RMS", "velocity peak", "velocity in \"running speed\"", "velocity in \"mesh\"");
        assertThat(vibration.result("velocity.band.mesh"))
                .isEqualTo(vibration.results(settings).get(3));
        assertThatThrownBy(() -> settings("bandsHz", "1/2 x: 40..60"))
                .isInstanceOf(InvalidSettingsException.class)
                .hasMessageContaining("bandName {band=1/2 x}");
        assertThatThrownBy(() -> settings("bandsHz", "low: 2..8"))
                .isInstanceOf(InvalidSettingsException.class)
                .hasMessageContaining("bandOutside {band=low, high=6400, low=10}");
    }

    /** The fault that was seen: 400 lines, a tone within the band, no line within: 0.0, and passed. */
    @Test
    void aBandThatTheLinesDoNotTellIsRefusedOrHasNoValue() {
        String[] narrow = {"bandsHz", "mesh: 140..146", "lines", "400"};
        assertThat(vibration.unsuited(settings(narrow)))
                .singleElement()
                .asString()
                .startsWith("vibration.bandTooNarrow {band=mesh")
                .contains("narrowest=32")
                .contains("width=6");
        assertThat(vibration.unsuited(settings("bandsHz", "mesh: 140..172", "lines", "400")))
                .as("on the boundary")
                .isEmpty();
        SettingValues fine = settings("bandsHz", "mesh: 140..146");
        double[] shorter = Signals.sampled(2_048, RATE, Signals.sine(10, 143));
        Analysis analysis = vibration.analyse(
                WaveformCapture.ofAcceleration(shorter, RATE),
                settings("bandsHz", "mesh: 140..146", "bandLowHz", "50"));
        assertThat(analysis.result("velocity.band.mesh")).isEmpty();
        assertThat(analysis.remarks())
                .extracting(Remark::sentence)
                .containsExactly(Sentence.of("vibration.bandUntold", "band", "mesh", "narrowest", "16"));
        assertThat(analysis.result("velocity.rms")).isPresent();
        double whole =
                value(ofAcceleration(Signals.sampled(N, RATE, Signals.sine(10, 143.3)), fine), "velocity.band.mesh");
        assertThat(whole)
                .as("the same tone where the lines tell it")
                .isCloseTo(10_000 / (2 * Math.PI * 143.3) / Math.sqrt(2), within(1e-3));
    }

    /** A band of few lines: the main lobe of a tone counts whole within, and not at all beside it. */
    @Property(tries = 200)
    void aBandOfFewLinesHoldsTheToneWithinAndNotTheOneBeside(
            @ForAll @DoubleRange(min = 140, max = 144) double within,
            @ForAll @DoubleRange(min = 0, max = 6.28) double phase,
            @ForAll @IntRange(min = 0, max = 2) int kind) {
        String window = List.of("Hann", "flat-top", "Hann").get(kind);
        SettingValues settings = settings(
                "measure",
                "acceleration",
                "bandsHz",
                "mesh: 140..144",
                "window",
                window,
                "rateHz",
                "8192",
                "lines",
                "6400");
        double[] inside = Signals.sampled(N, 8_192, t -> Math.sin(2 * Math.PI * within * t + phase));
        assertThat(value(
                        vibration.analyse(WaveformCapture.ofAcceleration(inside, 8_192), settings),
                        "acceleration.band.mesh"))
                .isCloseTo(Math.sqrt(0.5), org.assertj.core.api.Assertions.within(0.002));
        double past = within + 4.4;
        double[] beside = Signals.sampled(N, 8_192, t -> Math.sin(2 * Math.PI * past * t + phase));
        assertThat(value(
                        vibration.analyse(WaveformCapture.ofAcceleration(beside, 8_192), settings),
                        "acceleration.band.mesh"))
                .isLessThan(0.02);
    }

    private Curve curve(double[] samples, String name, String... look) {
        Map<String, String> wanted = new HashMap<>();
        for (int i = 0; i < look.length; i += 2) {
            wanted.put(look[i], look[i + 1]);
        }
        return vibration
                .curves(
                        WaveformCapture.ofAcceleration(samples, RATE),
                        settings(),
                        SettingValues.of("", vibration.looks(), wanted))
                .stream()
                .filter(one -> one.id().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void theWaveformIsLookedAtInAnyQuantity() {
        double omega = 2 * Math.PI * 64;
        double[] samples = Signals.sampled(N, RATE, t -> 10 * Math.cos(omega * t));
        Curve.Series velocity = (Curve.Series) curve(samples, "waveform");
        Curve.Series displacement = (Curve.Series) curve(samples, "waveform", "quantity", "displacement");
        assertThat(velocity.startSeconds())
                .as("the first quarter is faded in, the last faded out")
                .isEqualTo(0.25);
        assertThat(velocity.values()).hasSize(N / 2 + 1);
        for (int i = 0; i < 500; i++) {
            double t = velocity.startSeconds() + i * velocity.stepSeconds();
            assertThat(velocity.values()[i])
                    .as("a cosine's integral is the sine over omega")
                    .isCloseTo(10_000 / omega * Math.sin(omega * t), within(1e-4 * 10_000 / omega));
            assertThat(displacement.values()[i])
                    .isCloseTo(-1e7 / omega / omega * Math.cos(omega * t), within(1e-4 * 1e7 / omega / omega));
        }
        assertThat(displacement.unit()).isEqualTo(UnitCatalogue.MICROMETRE);
        assertThat(((Curve.Series) curve(samples, "waveform", "quantity", "acceleration")).values()[0])
                .isCloseTo(10, within(1e-9));
    }

    @Test
    void averagingMakesFewerLinesOfTheSameTone() {
        double[] tone = Signals.sampled(N, RATE, Signals.sine(10, 256));
        Curve.Lines once = (Curve.Lines) curve(tone, "spectrum", "quantity", "acceleration");
        Curve.Lines eight = (Curve.Lines) curve(
                tone,
                "spectrum",
                "quantity",
                "acceleration",
                "averages",
                "8",
                "window",
                "flat-top",
                "averaging",
                "peak hold");
        assertThat(eight.stepHz()).isGreaterThan(4 * once.stepHz());
        assertThat(Arrays.stream(eight.values()).max().orElseThrow())
                .as("a flat-top keeps the amplitude between lines")
                .isCloseTo(10 / Math.sqrt(2), within(0.01));
        assertThat(eight.how()).hasToString("vibration.averaged {averaging=peak hold, stretches=8, window=flat-top}");
    }
}
