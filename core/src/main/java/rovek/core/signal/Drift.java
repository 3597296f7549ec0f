package rovek.core.signal;

/**
 * What a sensor adds of its own: an offset and a straight drift. They are fitted by least squares weighted with a
 * window: an unweighted line follows a tone that has no whole number of periods in the record, and its remainder would
 * be integrated without measure.
 */
public final class Drift {

    private Drift() {}

    /**
     * @param samples any unit; changed in place
     * @param weights a window as long, 0 or more, alike from both ends
     */
    public static void remove(double[] samples, double[] weights) {
        double middle = (samples.length - 1) / 2.0;
        double weight = 0;
        double sum = 0;
        double sxx = 0;
        double sx = 0;
        double sxy = 0;
        for (int i = 0; i < samples.length; i++) {
            double x = i - middle;
            weight += weights[i];
            sum += weights[i] * samples[i];
            sx += weights[i] * x;
            sxx += weights[i] * x * x;
            sxy += weights[i] * x * samples[i];
        }
        double determinant = weight * sxx - sx * sx;
        double slope = determinant > 0 ? (weight * sxy - sx * sum) / determinant : 0;
        double atMiddle = weight > 0 ? (sum - slope * sx) / weight : 0;
        for (int i = 0; i < samples.length; i++) {
            samples[i] -= atMiddle + slope * (i - middle);
        }
    }
}
