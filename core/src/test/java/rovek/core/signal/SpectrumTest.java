package rovek.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class SpectrumTest {

    private static final int N = 4096;
    private static final double RATE = 4096;

    private static Spectrum of(double[] samples, Window window) {
        return Spectrum.of(
                new FourierTransform(N), samples, RATE, window, window.values(N), Integration.NONE, RATE / 2.56);
    }

    @ParameterizedTest
    @EnumSource(Window.class)
    void aToneOnALineShowsItsRmsWhateverTheWindow(Window window) {
        Spectrum spectrum = of(Signals.sampled(N, RATE, Signals.sine(3, 100)), window);
        assertThat(spectrum.rms()[100]).as("analytic: A / sqrt 2").isCloseTo(3 / Math.sqrt(2), within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"RECTANGULAR, 1", "HANN, 1.5", "FLAT_TOP, 3.77"})
    void noiseBandwidthIsTheTextbookValue(Window window, double lines) {
        assertThat(window.noiseBandwidthLines()).isCloseTo(lines, within(0.005));
    }

    @ParameterizedTest
    @EnumSource(Window.class)
    void bandSumOfNoiseIsItsRms(Window window) {
        Random random = new Random(7);
        double[] noise = Signals.sampled(N, RATE, t -> random.nextGaussian());
        double rms = of(noise, window).bandRms(new Band(1, RATE / 2.56));
        assertThat(rms)
                .as("white noise of variance 1, share 2/2.56 of it in the band")
                .isCloseTo(Math.sqrt(2 / 2.56), within(0.05));
    }

    @Test
    void betweenTwoLinesFlatTopLosesNothingAndHannAtMost15Percent() {
        double[] between = Signals.sampled(N, RATE, Signals.sine(1, 100.5));
        double flatTop = of(between, Window.FLAT_TOP).rms()[100];
        double hann = of(between, Window.HANN).rms()[100];
        assertThat(flatTop).isCloseTo(Math.sqrt(0.5), within(0.002));
        assertThat(hann / Math.sqrt(0.5))
                .as("Hann's scalloping, 1.42 dB")
                .isCloseTo(Math.pow(10, -1.42 / 20), within(0.002));
    }
}
