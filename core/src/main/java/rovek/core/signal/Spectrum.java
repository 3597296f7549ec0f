package rovek.core.signal;

/**
 * An amplitude spectrum: the RMS of the sine that a line stands for, amplitude-corrected for the window.
 *
 * @param stepHz distance between lines; line i lies at i * stepHz
 * @param rms one value a line, from 0 Hz on; the array is not copied
 * @param window the window it was made with
 * @param integration what was made of the signal
 */
public record Spectrum(double stepHz, double[] rms, Window window, Integration integration) {

    /**
     * @param samples in m/s², mean already removed; not changed
     * @param window values of {@code kind} for this length
     * @param highestHz lines above this are left out, but for those that a tone there is spread over
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
        int count =
                Math.min(fourier.lastLine(), (int) Math.floor(highestHz / stepHz * (1 + 1e-9)) + kind.mainLobeLines())
                        + 1;
        double[] rms = new double[count];
        double scale = 1 / (n * kind.coherentGain());
        for (int line = 1; line < count; line++) {
            double re = fourier.re(lines, line);
            double im = fourier.im(lines, line);
            double magnitude = Math.sqrt(re * re + im * im) * scale;
            double amplitudeToRms = fourier.weight(line) == 2 ? Math.sqrt(2) : 1;
            rms[line] = magnitude * amplitudeToRms * integration.amplitudeFactor(line * stepHz);
        }
        return new Spectrum(stepHz, rms, kind, integration);
    }

    /** The narrowest band whose RMS can be told: as wide as a tone's main lobe from its top to its end. */
    public static double narrowestHz(double stepHz, Window window) {
        return stepHz * window.mainLobeLines();
    }

    /**
     * RMS over a band: the root of the squares of its lines, divided by the window's noise bandwidth. Which lines those
     * are says {@link BandLines}. Windowing before integrating makes a tone larger, by its
     * {@linkplain Window#secondMoment second moment} over the line's square; that is corrected.
     *
     * @throws IllegalArgumentException where the band holds no line
     */
    public double bandRms(Band band) {
        BandLines lines = lines(band);
        double spread = integration.times() * (2 * integration.times() + 1) * window.secondMoment();
        double sum = 0;
        for (int line = lines.first(); line <= lines.last(); line++) {
            sum += rms[line] * rms[line] * Math.max(0, 1 - spread / ((double) line * line));
        }
        return Math.sqrt(sum / window.noiseBandwidthLines());
    }

    /** The lines of a band. */
    public BandLines lines(Band band) {
        return BandLines.of(
                band,
                stepHz,
                rms.length - 1,
                window.mainLobeLines(),
                line -> line == 0 ? 0 : rms[line] / integration.amplitudeFactor(line * stepHz));
    }

    /** The same in another unit, from one frequency to another: lines below are 0, those above left out. */
    public Spectrum shown(double scale, double fromHz, double toHz) {
        double[] shown = new double[Math.min(rms.length, (int) Math.floor(toHz / stepHz * (1 + 1e-9)) + 1)];
        for (int line = Math.max(1, (int) Math.ceil(fromHz / stepHz * (1 - 1e-9))); line < shown.length; line++) {
            shown[line] = rms[line] * scale;
        }
        return new Spectrum(stepHz, shown, window, integration);
    }
}
