package rovek.core.signal;

import org.jtransforms.fft.DoubleFFT_1D;

/**
 * The discrete Fourier transform of real signals of one length; its tables are made once. Safe for use by many threads.
 *
 * <p>Lines are packed as the library does: for even n, {@code [Re 0, Re n/2, Re 1, Im 1, Re 2, Im 2, ...]}; for odd n
 * the second place holds {@code Im (n-1)/2}. This class hides that behind {@link #re} and {@link #im}.
 */
public final class FourierTransform {

    private final int length;
    private final DoubleFFT_1D transform;

    public FourierTransform(int length) {
        this.length = length;
        this.transform = new DoubleFFT_1D(length);
    }

    public int length() {
        return length;
    }

    /** Index of the highest line: n/2 for even n, (n-1)/2 for odd. */
    public int lastLine() {
        return length / 2;
    }

    /** Replaces samples by their lines (unscaled). */
    public void forward(double[] samples) {
        transform.realForward(samples);
    }

    /** Replaces lines by samples, scaled so that it undoes {@link #forward}. */
    public void inverse(double[] lines) {
        transform.realInverse(lines, true);
    }

    /**
     * Replaces complex lines, twice this length with real and imaginary parts in turn, by complex samples; unscaled.
     */
    void complexInverse(double[] lines) {
        transform.complexInverse(lines, false);
    }

    public double re(double[] lines, int line) {
        return line == length / 2 && length % 2 == 0 ? lines[1] : lines[2 * line];
    }

    public double im(double[] lines, int line) {
        if (line == 0 || (line == length / 2 && length % 2 == 0)) {
            return 0;
        }
        return length % 2 == 1 && line == (length - 1) / 2 && length > 1 ? lines[1] : lines[2 * line + 1];
    }

    /** Stores a line; the imaginary part of the lines at 0 and n/2 does not exist and is dropped. */
    public void put(double[] lines, int line, double re, double im) {
        if (line == length / 2 && length % 2 == 0) {
            lines[1] = re;
        } else if (length % 2 == 1 && line == (length - 1) / 2 && length > 1) {
            lines[2 * line] = re;
            lines[1] = im;
        } else {
            lines[2 * line] = re;
            if (line > 0) {
                lines[2 * line + 1] = im;
            }
        }
    }

    /** How often a line counts in a sum over all lines: twice, but once at 0 Hz and at half the sampling rate. */
    public int weight(int line) {
        return line == 0 || (line == length / 2 && length % 2 == 0) ? 1 : 2;
    }
}
