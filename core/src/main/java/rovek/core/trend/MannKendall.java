package rovek.core.trend;

import java.util.Arrays;

/**
 * The test of Mann and Kendall for a trend: whether later values tend to be larger, or smaller, than earlier ones; it
 * asks neither for even dates nor for normal scatter. Values of one instant have no order among them: a pair of them
 * says nothing. Ties of times and of values are corrected for (Kendall, Rank Correlation Methods, 1970), and so is the
 * step from counts to the normal distribution.
 */
public final class MannKendall {

    private MannKendall() {}

    /**
     * How probable so clear an order is where there is no trend, either way.
     *
     * @param x times, in any order
     * @param y values, one a time
     * @return from 0 to 1; 1 for fewer than three values, or where all times or all values are equal
     */
    public static double probability(double[] x, double[] y) {
        int n = y.length;
        if (n < 3) {
            return 1;
        }
        double s = 0;
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                s += Math.signum(x[j] - x[i]) * Math.signum(y[j] - y[i]);
            }
        }
        Ties times = Ties.of(x);
        Ties values = Ties.of(y);
        double variance = (n * (n - 1.0) * (2 * n + 5) - times.fives() - values.fives()) / 18
                + times.triples() * values.triples() / (9.0 * n * (n - 1) * (n - 2))
                + times.pairs() * values.pairs() / (2.0 * n * (n - 1));
        return variance <= 0 || s == 0 ? 1 : Distributions.twoSided((Math.abs(s) - 1) / Math.sqrt(variance));
    }

    /** Sums over groups of t equal numbers: t (t-1) (2t+5), t (t-1) (t-2) and t (t-1). */
    private record Ties(double fives, double triples, double pairs) {

        static Ties of(double[] numbers) {
            double[] sorted = numbers.clone();
            Arrays.sort(sorted);
            double fives = 0;
            double triples = 0;
            double pairs = 0;
            for (int from = 0; from < sorted.length; ) {
                int to = from;
                while (to < sorted.length && sorted[to] == sorted[from]) {
                    to++;
                }
                double count = to - from;
                fives += count * (count - 1) * (2 * count + 5);
                triples += count * (count - 1) * (count - 2);
                pairs += count * (count - 1);
                from = to;
            }
            return new Ties(fives, triples, pairs);
        }
    }
}
