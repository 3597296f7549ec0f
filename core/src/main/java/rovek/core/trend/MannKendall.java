package rovek.core.trend;

import java.util.Arrays;

/**
 * The test of Mann and Kendall for a trend: whether later values tend to be larger, or smaller, than earlier ones; it asks
 * neither for even dates nor for normal scatter. Ties are corrected for, and the step from counts to the normal distribution.
 */
public final class MannKendall {

    private MannKendall() {}

    /**
     * How probable so clear an order is where there is no trend, either way.
     *
     * @param y in the order they were taken
     * @return from 0 to 1; 1 for fewer than three values or for all equal ones
     */
    public static double probability(double[] y) {
        int n = y.length;
        if (n < 3) {
            return 1;
        }
        double s = 0;
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                s += Math.signum(y[j] - y[i]);
            }
        }
        double variance = (n * (n - 1.0) * (2 * n + 5) - ties(y)) / 18;
        return variance <= 0 || s == 0 ? 1 : NormalDistribution.twoSided((Math.abs(s) - 1) / Math.sqrt(variance));
    }

    private static double ties(double[] y) {
        double[] sorted = y.clone();
        Arrays.sort(sorted);
        double sum = 0;
        for (int from = 0; from < sorted.length; ) {
            int to = from;
            while (to < sorted.length && sorted[to] == sorted[from]) {
                to++;
            }
            double count = to - from;
            sum += count * (count - 1) * (2 * count + 5);
            from = to;
        }
        return sum;
    }
}
