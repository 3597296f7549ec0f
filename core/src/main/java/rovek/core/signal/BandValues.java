package rovek.core.signal;

/**
 * Overall values of a signal within a band.
 *
 * <p>The peak is the largest magnitude of the band-limited signal taken back to time, not a multiple of the RMS. The kurtosis is its fourth
 * moment over the square of its second, E x⁴ / (E x²)² with the mean at nought: 1.5 for a sine, 3 for noise with a normal distribution, more where
 * impacts stand out.
 *
 * @param rms in the unit of the integrated signal (m/s², m/s or m for an input in m/s²)
 * @param peak in the same unit; never below {@code rms}
 * @param kurtosis a mere number; NaN for a signal of zero
 */
public record BandValues(double rms, double peak, double kurtosis) {

    /** Crest factor, peak over RMS; NaN for a signal of zero. */
    public double crest() {
        return peak / rms;
    }

    /**
     * @param fourier for the signal's length
     * @param lines the signal's lines as {@link FourierTransform#forward} leaves them; not changed
     * @param rateHz sampling rate
     * @throws IllegalArgumentException when the band reaches above half the sampling rate or holds no line
     */
    public static BandValues of(
            FourierTransform fourier, double[] lines, double rateHz, Band band, Integration integration) {
        BandLimited limited = BandLimited.of(fourier, lines, rateHz, band, integration);
        double peak = 0;
        double sumOfFourths = 0;
        for (double value : limited.signal()) {
            peak = Math.max(peak, Math.abs(value));
            sumOfFourths += value * value * (value * value);
        }
        double rms = limited.rms();
        // On a constant magnitude the two agree but for rounding; a peak below the RMS would be nonsense on paper.
        return new BandValues(rms, Math.max(peak, rms), sumOfFourths / limited.signal().length / (rms * rms * (rms * rms)));
    }
}
