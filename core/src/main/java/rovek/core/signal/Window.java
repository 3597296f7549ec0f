package rovek.core.signal;

/**
 * Windows with their correction factors, as cosine sums (periodic form). Coherent gain is the mean of the window, noise
 * bandwidth n sum w² / (sum w)². Flat-top coefficients after ISO 18431-2.
 */
public enum Window {
    RECTANGULAR(1, 1),
    HANN(2, 0.5, -0.5),
    FLAT_TOP(5, 1, -1.933, 1.286, -0.388, 0.0322);

    private final int mainLobe;
    private final double[] coefficients;

    Window(int mainLobe, double... coefficients) {
        this.mainLobe = mainLobe;
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

    /**
     * Lines from the top of a tone's main lobe to its end, on each side. Two tones nearer to each other than this are
     * not told apart.
     */
    public int mainLobeLines() {
        return mainLobe;
    }

    /**
     * Second moment of the squared lines that it makes of a tone, in lines²: 1/3 for Hann; 0 where it does not exist,
     * as for rectangular.
     */
    public double secondMoment() {
        double slopes = 0;
        double squares = coefficients[0] * coefficients[0];
        for (int k = 1; k < coefficients.length; k++) {
            slopes += k * k * coefficients[k] * coefficients[k] / 2;
            squares += coefficients[k] * coefficients[k] / 2;
        }
        return slopes / squares;
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
