package rovek.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

class FourierTransformTest {

    /** Against the definition of the transform, for even and odd lengths alike. */
    @Property(tries = 60)
    void agreesWithTheDefinition(@ForAll @IntRange(min = 1, max = 65) int n, @ForAll long seed) {
        double[] samples = new Random(seed).doubles(n, -1, 1).toArray();
        double[] lines = samples.clone();
        FourierTransform fourier = new FourierTransform(n);
        fourier.forward(lines);
        for (int line = 0; line <= fourier.lastLine(); line++) {
            double re = 0;
            double im = 0;
            for (int i = 0; i < n; i++) {
                re += samples[i] * Math.cos(2 * Math.PI * line * i / n);
                im -= samples[i] * Math.sin(2 * Math.PI * line * i / n);
            }
            assertThat(fourier.re(lines, line)).isCloseTo(re, within(1e-10));
            assertThat(fourier.im(lines, line)).isCloseTo(im, within(1e-10));
        }
    }

    @Property(tries = 60)
    void linesPutBackGiveTheSamplesAgain(@ForAll @IntRange(min = 2, max = 300) int n, @ForAll long seed) {
        double[] samples = new Random(seed).doubles(n, -1, 1).toArray();
        double[] lines = samples.clone();
        FourierTransform fourier = new FourierTransform(n);
        fourier.forward(lines);
        double[] copy = new double[n];
        for (int line = 0; line <= fourier.lastLine(); line++) {
            fourier.put(copy, line, fourier.re(lines, line), fourier.im(lines, line));
        }
        fourier.inverse(copy);
        assertThat(copy).containsExactly(samples, within(1e-12));
    }
}
