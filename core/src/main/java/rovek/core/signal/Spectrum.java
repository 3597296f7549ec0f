package rovek.core.signal;

/**
 * An amplitude spectrum: the RMS of the sine that a line stands for, amplitude-corrected for the window.
 *
 * @param stepHz distance between lines; line i lies at i * stepHz
 * @param rms one value a line, from 0 Hz on; the array is not copied
 * @param window the window it was made with
 */
public record Spectrum(double stepHz, double[] rms, Window window) {

    /**
     * @param samples in m/s², mean already removed; not changed
     * @param window values of {@code kind} for this length
     * @param highestHz lines above this are left out
     */
    public static Spectrum of(
            FourierTransform fourier,
            double[] samples,
            double rateHz,
            Window kind,
            double[] window,
            Integration integration,
            double highestHz) {
        int n = fourier.length();
        double[] lines = new double[n];
        for (int i = 0; i < n; i++) {
            lines[i] = samples[i] * window[i];
        }
        fourier.forward(lines);
        double stepHz = rateHz / n;
        int count = Math.min(fourier.lastLine(), (int) Math.floor(highestHz / stepHz * (1 + 1e-9))) + 1;
        double[] rms = new double[count];
        double scale = 1 / (n * kind.coherentGain());
        for (int line = 1; line < count; line++) {
            double re = fourier.re(lines, line);
            double im = fourier.im(lines, line);
            double magnitude = Math.sqrt(re * re + im * im) * scale;
            double amplitudeToRms = fourier.weight(line) == 2 ? Math.sqrt(2) : 1;
            rms[line] = magnitude * amplitudeToRms * integration.amplitudeFactor(line * stepHz);
        }
        return new Spectrum(stepHz, rms, kind);
    }

    /** RMS over a band: the root of the lines' squares, divided by the window's noise bandwidth. */
    public double bandRms(Band band) {
        double sum = 0;
        int last = Math.min(band.lastLine(stepHz), rms.length - 1);
        for (int line = Math.max(1, band.firstLine(stepHz)); line <= last; line++) {
            sum += rms[line] * rms[line];
        }
        return Math.sqrt(sum / window.noiseBandwidthLines());
    }
}
