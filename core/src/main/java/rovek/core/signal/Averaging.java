package rovek.core.signal;

import java.util.Arrays;

/** Spectra of overlapping stretches of a record, made into one. */
public enum Averaging {
    /** The root of the mean of the squares: the power as it is on average. */
    LINEAR,
    /** The largest value of each line. */
    PEAK_HOLD;

    /**
     * @param samples in m/s², mean already removed; not changed
     * @param fourier for the length of one stretch, not longer than the record
     * @param window values of {@code kind} for that length
     * @param overlap of one stretch with the next, 0 up to below 1
     * @param highestHz lines above this are left out
     */
    public Spectrum of(
            double[] samples,
            double rateHz,
            FourierTransform fourier,
            double overlap,
            Window kind,
            double[] window,
            Integration integration,
            double highestHz) {
        int length = fourier.length();
        if (length > samples.length || !(overlap >= 0 && overlap < 1)) {
            throw new IllegalArgumentException(
                    "Stretches are not longer than the record, and overlap by less than the whole.");
        }
        int step = Math.max(1, (int) Math.round(length * (1 - overlap)));
        double[] gathered = {};
        int count = 0;
        double stepHz = 0;
        for (int from = 0; from + length <= samples.length; from += step) {
            Spectrum one = Spectrum.of(
                    fourier,
                    Arrays.copyOfRange(samples, from, from + length),
                    rateHz,
                    kind,
                    window,
                    integration,
                    highestHz);
            gathered = count == 0 ? new double[one.rms().length] : gathered;
            stepHz = one.stepHz();
            for (int line = 0; line < gathered.length; line++) {
                double value = one.rms()[line];
                gathered[line] = this == LINEAR ? gathered[line] + value * value : Math.max(gathered[line], value);
            }
            count++;
        }
        if (this == LINEAR) {
            for (int line = 0; line < gathered.length; line++) {
                gathered[line] = Math.sqrt(gathered[line] / count);
            }
        }
        return new Spectrum(stepHz, gathered, kind, integration);
    }
}
