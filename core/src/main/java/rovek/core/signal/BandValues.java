package rovek.core.signal;

/**
 * Overall values of a signal within a band.
 *
 * <p>Taken in the frequency domain over the whole record with a brick-wall band, edges included, 0 Hz excluded; an
 * acceleration is integrated line by line, A/(2 pi f). RMS follows from Parseval's theorem, sqrt(sum w |X|²)/n with w = 2
 * (1 at half the sampling rate). The peak is the largest magnitude of the band-limited signal taken back to time, not a
 * multiple of the RMS.
 *
 * @param rms in the unit of the integrated signal (m/s², m/s or m for an input in m/s²)
 * @param peak in the same unit; never below {@code rms}
 */
public record BandValues(double rms, double peak) {

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
        int n = fourier.length();
        double stepHz = rateHz / n;
        int first = Math.max(1, band.firstLine(stepHz));
        int last = band.lastLine(stepHz);
        if (last > fourier.lastLine()) {
            throw new IllegalArgumentException(
                    "The band reaches %s Hz, above half the sampling rate of %s Hz.".formatted(band.highHz(), rateHz));
        }
        if (last < first) {
            throw new IllegalArgumentException("The record is too short: no line falls into the band.");
        }
        double[] limited = new double[n];
        double sumOfSquares = 0;
        for (int line = first; line <= last; line++) {
            double factor = integration.amplitudeFactor(line * stepHz);
            double re = fourier.re(lines, line) * factor;
            double im = fourier.im(lines, line) * factor;
            sumOfSquares += fourier.weight(line) * (re * re + im * im);
            rotate(fourier, limited, line, re, im, integration.times());
        }
        fourier.inverse(limited);
        double peak = 0;
        for (double value : limited) {
            peak = Math.max(peak, Math.abs(value));
        }
        double rms = Math.sqrt(sumOfSquares) / n;
        // On a constant magnitude the two agree but for rounding; a peak below the RMS would be nonsense on paper.
        return new BandValues(rms, Math.max(peak, rms));
    }

    /** Each integration turns a line by -90 degrees: division by j. */
    private static void rotate(FourierTransform fourier, double[] lines, int line, double re, double im, int times) {
        switch (times) {
            case 0 -> fourier.put(lines, line, re, im);
            case 1 -> fourier.put(lines, line, im, -re);
            default -> fourier.put(lines, line, -re, -im);
        }
    }
}
