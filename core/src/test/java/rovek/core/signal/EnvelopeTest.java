package rovek.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;

class EnvelopeTest {

    private static final double RATE = 8_192;
    private static final int N = 8_192;
    private static final double[] HANN = Window.HANN.values(1_024);

    private static double[] signal(java.util.function.DoubleUnaryOperator of) {
        double[] samples = new double[N];
        for (int i = 0; i < N; i++) {
            samples[i] = of.applyAsDouble(i / RATE);
        }
        return samples;
    }

    private static Envelope envelope(double[] samples, Band band) {
        FourierTransform fourier = new FourierTransform(N);
        double[] lines = samples.clone();
        fourier.forward(lines);
        return Envelope.of(fourier, lines, RATE, band, FourierTransform::new);
    }

    @Property(tries = 60)
    void aSinesEnvelopeIsItsAmplitudeAndWhatIsOutsideTheBandIsGone(
            @ForAll @DoubleRange(min = 0.1, max = 50) double amplitude,
            @ForAll @IntRange(min = 600, max = 1_900) int hz) {
        double[] samples =
                signal(t -> amplitude * Math.sin(2 * Math.PI * hz * t + 0.3) + 100 * Math.sin(2 * Math.PI * 50 * t));
        for (double value : envelope(samples, new Band(500, 2_000)).values()) {
            assertThat(value).isCloseTo(amplitude, within(1e-9 * amplitude));
        }
    }

    @Property(tries = 40)
    void aModulationIsSeenAtItsFrequencyWithItsDepth(
            @ForAll @IntRange(min = 5, max = 200) int modulation,
            @ForAll @DoubleRange(min = 0.1, max = 0.9) double depth) {
        double[] samples = signal(
                t -> 3 * (1 + depth * Math.cos(2 * Math.PI * modulation * t)) * Math.sin(2 * Math.PI * 1_200 * t));
        Envelope envelope = envelope(samples, new Band(500, 2_000));
        assertThat(envelope.rateHz()).as("no more points than it takes").isEqualTo(4_096);
        FourierTransform fourier = new FourierTransform(envelope.values().length);
        Spectrum spectrum = Spectrum.of(
                fourier,
                centred(envelope.values()),
                envelope.rateHz(),
                Window.HANN,
                Window.HANN.values(envelope.values().length),
                Integration.NONE,
                500);
        SpectralPeaks.Peak peak = SpectralPeaks.of(spectrum, 1, 0).get(0);
        assertThat(peak.hz()).isCloseTo(modulation, within(0.05));
        assertThat(peak.rms()).isCloseTo(3 * depth / Math.sqrt(2), within(0.01));
    }

    private static double[] centred(double[] values) {
        double mean = java.util.Arrays.stream(values).average().orElseThrow();
        return java.util.Arrays.stream(values).map(value -> value - mean).toArray();
    }

    @Example
    void aBandThatTheRecordDoesNotShowIsRefused() {
        double[] silence = new double[N];
        assertThatThrownBy(() -> envelope(silence, new Band(500, 5_000)))
                .hasMessageContaining("vibration.bandBeyondHalf");
        assertThatThrownBy(() -> envelope(silence, new Band(500.2, 500.3)))
                .hasMessageContaining("vibration.noLineInBand");
    }

    @Property(tries = 40)
    void aPeakIsFoundBetweenTheLines(@ForAll @DoubleRange(min = 100.0, max = 900) double hz) {
        double[] samples = signal(t -> 2 * Math.sin(2 * Math.PI * hz * t));
        Spectrum spectrum = Spectrum.of(
                new FourierTransform(N), samples, RATE, Window.HANN, Window.HANN.values(N), Integration.NONE, 3_000);
        List<SpectralPeaks.Peak> peaks = SpectralPeaks.of(spectrum, 3, 10);
        assertThat(peaks.get(0).hz()).isCloseTo(hz, within(0.1));
        assertThat(SpectralPeaks.near(spectrum, hz + 2, 3).orElseThrow().hz()).isCloseTo(hz, within(0.1));
    }

    @Example
    void averagingKeepsThePowerOfNoiseAndPeakHoldKeepsWhatCameOnce() {
        Random chance = new Random(3);
        double[] noise = signal(t -> chance.nextGaussian());
        Spectrum whole = Averaging.LINEAR.of(
                noise, RATE, new FourierTransform(1_024), 0.5, Window.HANN, HANN, Integration.NONE, 3_000);
        assertThat(whole.bandRms(new Band(100, 3_000))).isCloseTo(Math.sqrt(2_900 / 4_096.0), within(0.03));
        double[] burst = signal(t -> t > 0.5 && t < 0.6 ? 10 * Math.sin(2 * Math.PI * 800 * t) : 0);
        Spectrum mean = Averaging.LINEAR.of(
                burst, RATE, new FourierTransform(1_024), 0.5, Window.HANN, HANN, Integration.NONE, 3_000);
        Spectrum held = Averaging.PEAK_HOLD.of(
                burst, RATE, new FourierTransform(1_024), 0.5, Window.HANN, HANN, Integration.NONE, 3_000);
        assertThat(held.rms()[100]).isGreaterThan(2 * mean.rms()[100]);
        double[] steady = signal(t -> 10 * Math.sin(2 * Math.PI * 800 * t));
        for (Averaging averaging : Averaging.values()) {
            Spectrum spectrum = averaging.of(
                    steady, RATE, new FourierTransform(1_024), 0.5, Window.HANN, HANN, Integration.NONE, 3_000);
            assertThat(spectrum.rms()[100])
                    .as("a steady sine is the same either way")
                    .isCloseTo(10 / Math.sqrt(2), within(1e-9));
        }
        assertThatThrownBy(() -> Averaging.LINEAR.of(
                        new double[10],
                        RATE,
                        new FourierTransform(16),
                        0.5,
                        Window.HANN,
                        new double[16],
                        Integration.NONE,
                        100))
                .hasMessageContaining("not longer than the record");
    }
}
