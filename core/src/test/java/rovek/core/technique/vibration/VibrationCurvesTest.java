package rovek.core.technique.vibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import rovek.core.reading.WaveformCapture;
import rovek.core.technique.Curve;
import rovek.core.technique.InvalidSettingsException;
import rovek.core.technique.SettingValues;
import rovek.core.unit.UnitCatalogue;

class VibrationCurvesTest {

    private static final double RATE = 25_600;
    private static final int N = 25_600;

    private final Vibration vibration = new Vibration();

    private List<Curve> curves(double[] samples, Map<String, String> settings, String... look) {
        return curves(WaveformCapture.ofAcceleration(samples, RATE), settings, look);
    }

    private List<Curve> curves(WaveformCapture capture, Map<String, String> settings, String... look) {
        Map<String, String> wanted = new HashMap<>();
        for (int i = 0; i < look.length; i += 2) {
            wanted.put(look[i], look[i + 1]);
        }
        return vibration.curves(
                capture, vibration.settingsOf(settings), SettingValues.of("", vibration.looks(), wanted));
    }

    private static Curve.Lines lines(List<Curve> curves, String name) {
        return (Curve.Lines)
                curves.stream().filter(one -> one.id().equals(name)).findFirst().orElseThrow();
    }

    private static double[] tone(double amplitude, double hz) {
        double[] samples = new double[N];
        Arrays.setAll(samples, i -> amplitude * Math.sin(2 * Math.PI * hz * i / RATE));
        return samples;
    }

    /** Velocity from acceleration is A/(2 pi f), displacement that once more: for any line of the band. */
    @Property(tries = 40)
    void theThreeQuantitiesOfAToneAgree(@ForAll @IntRange(min = 10, max = 900) int hz) {
        double[] samples = tone(5, hz);
        double omega = 2 * Math.PI * hz;
        double acceleration = lines(curves(samples, Map.of(), "quantity", "acceleration"), "spectrum")
                .values()[hz];
        double velocity = lines(curves(samples, Map.of(), "quantity", "velocity"), "spectrum")
                .values()[hz];
        double displacement = lines(curves(samples, Map.of(), "quantity", "displacement"), "spectrum")
                .values()[hz];
        assertThat(acceleration)
                .as("but for what the straight drift takes of a tone")
                .isCloseTo(5 / Math.sqrt(2), within(1e-5));
        assertThat(velocity).isCloseTo(acceleration / omega * 1e3, within(1e-9));
        assertThat(displacement).isCloseTo(acceleration / omega / omega * 1e6, within(1e-6));
    }

    @Example
    void whatIsLookedAtChangesNoResult() {
        double[] samples = new Random(5).doubles(N, -1, 1).toArray();
        WaveformCapture capture = WaveformCapture.ofAcceleration(samples, RATE);
        SettingValues settings = vibration.settingsOf(Map.of());
        var before = vibration.analyse(capture, settings).results();
        curves(samples, Map.of(), "quantity", "displacement", "averages", "16");
        assertThat(vibration.analyse(capture, settings).results()).isEqualTo(before);
    }

    @Example
    void anAccelerationIsShownWithTheVelocityAndTheEnvelope() {
        List<Curve> curves =
                curves(tone(3, 100), Map.of("measure", "acceleration", "bandLowHz", "1000", "bandHighHz", "10000"));
        assertThat(curves).extracting(Curve::id).containsExactly("spectrum", "waveform", "envelope", "velocity");
        assertThat(lines(curves, "spectrum").usualHz())
                .as("what the check is about")
                .isEqualTo(10_000);
        assertThat(lines(curves, "velocity").unit()).isEqualTo(UnitCatalogue.MILLIMETRE_PER_SECOND);
        assertThat(curves(tone(3, 100), Map.of("measure", "acceleration"), "quantity", "velocity"))
                .extracting(Curve::id)
                .as("also while looked at as one")
                .contains("velocity");
        assertThat(curves(tone(3, 100), Map.of()))
                .extracting(Curve::id)
                .as("a velocity is its own")
                .containsExactly("spectrum", "waveform", "envelope");
    }

    /** Ringing at 3 kHz, 80 times a second: seen in the band it rings in, and not in another. */
    @Example
    void theEnvelopeIsThatOfTheBandThatIsChosen() {
        double[] samples = new double[N];
        Arrays.setAll(
                samples, i -> (1 + Math.cos(2 * Math.PI * 80 * i / RATE)) * Math.sin(2 * Math.PI * 3_000 * i / RATE));
        Curve.Lines inside = lines(curves(samples, Map.of(), "envelopeOf", "2–6 kHz"), "envelope");
        Curve.Lines outside = lines(curves(samples, Map.of(), "envelopeOf", "5–10 kHz"), "envelope");
        int line = (int) Math.round(80 / inside.stepHz());
        assertThat(inside.values()[line]).isCloseTo(1 / Math.sqrt(2), within(0.02));
        assertThat(Arrays.stream(outside.values()).max().orElseThrow()).isLessThan(0.01);
        assertThat(inside.how()).hasToString("vibration.envelopeOf {high=6, low=2}");
    }

    @Example
    void aBandThatTheSamplingDoesNotShowIsSaidToBeAnother() {
        Curve.Lines envelope = lines(curves(tone(1, 100), Map.of(), "envelopeOf", "10–20 kHz"), "envelope");
        assertThat(envelope.how().key()).isEqualTo("vibration.envelopeOf");
        assertThat(envelope.how().values())
                .as("up to 10 kHz at this rate")
                .allSatisfy((end, kiloHertz) ->
                        assertThat(((Number) kiloHertz).doubleValue()).isEqualTo(end.equals("low") ? 1 : 10));
    }

    @Example
    void anOverloadedSensorShowsNoEnvelope() {
        double[] volts = new double[N];
        Arrays.setAll(volts, i -> Math.max(-5, Math.min(5, 9 * Math.sin(2 * Math.PI * 50 * i / RATE))));
        WaveformCapture capture =
                new WaveformCapture(volts, RATE, UnitCatalogue.VOLT, OptionalDouble.of(100), OptionalDouble.of(5));
        assertThat(curves(capture, Map.of()))
                .extracting(Curve::id)
                .as("clipping rings like a bearing")
                .containsExactly("spectrum", "waveform");
    }

    @Example
    void whatIsTooShortShowsNothingAndNoOtherWordIsALook() {
        assertThat(curves(WaveformCapture.ofAcceleration(new double[200], RATE), Map.of()))
                .isEmpty();
        assertThatThrownBy(() -> curves(tone(1, 100), Map.of(), "averages", "3"))
                .isInstanceOf(InvalidSettingsException.class)
                .hasMessageContaining("Averages");
    }

    @Property(tries = 20)
    void linesBelowTheBandAreLeftOutOfWhatIsIntegrated(@ForAll @IntRange(min = 1, max = 9) int hz) {
        Curve.Lines velocity = lines(curves(tone(1, hz), Map.of()), "spectrum");
        assertThat(Arrays.stream(velocity.values(), 0, 10).max().orElseThrow()).isZero();
    }
}
