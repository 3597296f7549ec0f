package rovek.core.signal;

import java.util.function.IntFunction;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * The envelope of a signal within a band: the magnitude of its analytic signal, which an impact's ringing swells and
 * fades with.
 *
 * <p>The lines of the band alone are taken back to time, without their mirror image (Gabor's analytic signal); moved
 * down to 0 Hz, which changes no magnitude, they need no more points than twice their number.
 *
 * @param rateHz points a second
 * @param values at least 0, in the signal's unit; the array is not copied
 */
public record Envelope(double rateHz, double[] values) {

    /**
     * @param fourier for the signal's length
     * @param lines the signal's lines as {@link FourierTransform#forward} leaves them; not changed
     * @param transforms for any length
     * @throws IllegalArgumentException when the band reaches above half the sampling rate or holds no line
     */
    public static Envelope of(
            FourierTransform fourier,
            double[] lines,
            double rateHz,
            Band band,
            IntFunction<FourierTransform> transforms) {
        int n = fourier.length();
        double stepHz = rateHz / n;
        int first = band.firstLine(stepHz);
        int last = band.lastLine(stepHz);
        if (last > fourier.lastLine()) {
            throw new Refused(Sentence.of("vibration.bandBeyondHalf", "high", band.highHz(), "rate", rateHz));
        }
        if (last < first) {
            throw new Refused(Sentence.of("vibration.noLineInBand"));
        }
        int points = Math.max(2, Integer.highestOneBit(2 * (last - first + 1) - 1) * 2);
        double[] analytic = new double[2 * points];
        for (int line = first; line <= last; line++) {
            analytic[2 * (line - first)] = 2 * fourier.re(lines, line) / n;
            analytic[2 * (line - first) + 1] = 2 * fourier.im(lines, line) / n;
        }
        transforms.apply(points).complexInverse(analytic);
        double[] values = new double[points];
        for (int i = 0; i < points; i++) {
            double re = analytic[2 * i];
            double im = analytic[2 * i + 1];
            values[i] = Math.sqrt(re * re + im * im);
        }
        return new Envelope(stepHz * points, values);
    }
}
