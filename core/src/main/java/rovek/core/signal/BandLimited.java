package rovek.core.signal;

/**
 * What of a signal lies within a band, integrated or not, taken back to time.
 *
 * <p>Taken in the frequency domain over the whole record with a brick-wall band, edges included, 0 Hz excluded; an
 * acceleration is integrated line by line, A/(2 pi f). The RMS follows from Parseval's theorem, sqrt(sum w |X|²)/n with w = 2
 * (1 at half the sampling rate).
 *
 * @param signal as many values as the signal had, in the unit of the integrated signal (m/s², m/s or m for an input in m/s²)
 * @param rms in the same unit
 */
public record BandLimited(double[] signal, double rms) {

    /**
     * @param fourier for the signal's length
     * @param lines the signal's lines as {@link FourierTransform#forward} leaves them; not changed
     * @param rateHz sampling rate
     * @throws IllegalArgumentException when the band reaches above half the sampling rate or holds no line
     */
    public static BandLimited of(FourierTransform fourier, double[] lines, double rateHz, Band band, Integration integration) {
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
        return new BandLimited(limited, Math.sqrt(sumOfSquares) / n);
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
