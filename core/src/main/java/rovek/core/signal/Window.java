package rovek.core.signal;

/**
 * Windows with their correction factors, as cosine sums (periodic form). Coherent gain is the mean of the window, noise
 * bandwidth n sum w² / (sum w)². Flat-top coefficients after ISO 18431-2.
 */
public enum Window {
    RECTANGULAR(1),
    HANN(0.5, -0.5),
    FLAT_TOP(1, -1.933, 1.286, -0.388, 0.0322);

    private final double[] coefficients;

    Window(double... coefficients) {
        this.coefficients = coefficients;
    }

    public double coherentGain() {
        return coefficients[0];
    }

    /** In lines: 1 for rectangular, 1.5 for Hann, about 3.77 for flat-top. */
    public double noiseBandwidthLines() {
        double sum = coefficients[0] * coefficients[0];
        for (int k = 1; k < coefficients.length; k++) {
            sum += coefficients[k] * coefficients[k] / 2;
        }
        return sum / (coefficients[0] * coefficients[0]);
    }

    /** The window's values for a record of this length. */
    public double[] values(int length) {
        double[] values = new double[length];
        for (int i = 0; i < length; i++) {
            double sum = coefficients[0];
            for (int k = 1; k < coefficients.length; k++) {
                sum += coefficients[k] * Math.cos(2 * Math.PI * k * i / length);
            }
            values[i] = sum;
        }
        return values;
    }
}
