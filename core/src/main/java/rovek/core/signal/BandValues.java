package rovek.core.signal;

/**
 * Overall values of a signal within a band.
 *
 * <p>The RMS is that of the spectrum under a Hann window, see {@link Spectrum#bandRms}. The peak is the largest
 * magnitude of the band-limited signal over time, between its points by a parabola, never a multiple of the RMS. The
 * kurtosis is the signal's fourth moment over the square of its second, E x⁴ / (E x²)² with a mean of 0: 1.5 for a
 * sine, 3 for noise with a normal distribution, more where impacts stand out.
 *
 * @param rms in the unit of the integrated signal (m/s², m/s or m for an input in m/s²)
 * @param peak in the same unit; never below {@code rms}
 * @param kurtosis a mere number; NaN for a signal of zero
 */
public record BandValues(double rms, double peak, double kurtosis) {

    /** A point that is not the largest may stand beside a higher crest: by cos(pi / 8) at the most. */
    private static final double NEARLY = 0.92;

    /** Crest factor, peak over RMS; NaN for a signal of zero. */
    public double crest() {
        return peak / rms;
    }

    /** @param rms of the same band and signal */
    public static BandValues of(double rms, BandLimited limited) {
        double[] signal = limited.signal();
        double sumOfSquares = 0;
        double sumOfFourths = 0;
        for (double value : signal) {
            double square = value * value;
            sumOfSquares += square;
            sumOfFourths += square * square;
        }
        double kurtosis =
                sumOfFourths / signal.length / (sumOfSquares / signal.length * (sumOfSquares / signal.length));
        // On a constant magnitude the two agree but for rounding; a peak below the RMS would be nonsense on paper.
        return new BandValues(rms, Math.max(largest(signal), rms), kurtosis);
    }

    /** The largest magnitude, between the points by a parabola through three of them. */
    private static double largest(double[] signal) {
        double largest = 0;
        double crest = 0;
        for (int i = 0; i < signal.length; i++) {
            double magnitude = Math.abs(signal[i]);
            if (magnitude >= largest * NEARLY) {
                crest = Math.max(crest, i == 0 || i == signal.length - 1 ? magnitude : crest(signal, i));
                largest = Math.max(largest, magnitude);
            }
        }
        return crest;
    }

    private static double crest(double[] signal, int at) {
        double sign = Math.signum(signal[at]);
        double middle = Math.abs(signal[at]);
        double left = sign * signal[at - 1];
        double right = sign * signal[at + 1];
        double curve = left - 2 * middle + right;
        boolean isTop = middle >= left && middle >= right;
        return isTop && curve < 0 ? middle - (left - right) * (left - right) / (8 * curve) : middle;
    }
}
