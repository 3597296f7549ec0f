package rovek.core.trend;

import java.util.Arrays;

/**
 * A line through points, y = level + slope (x - middle).
 *
 * @param middle the mean of all x, about which level and slope are independent of each other
 * @param scatter standard deviation of the points about the line; robustly estimated for a robust line
 * @param levelError standard error of the level
 * @param slopeError standard error of the slope
 */
public record StraightLine(double middle, double level, double slope, double scatter, double levelError, double slopeError) {

    /** Root of the variance of a median over that of a mean, for normal scatter. */
    private static final double MEDIAN_OVER_MEAN = Math.sqrt(Math.PI / 2);

    public double at(double x) {
        return level + slope * (x - middle);
    }

    /**
     * The line of least squares.
     *
     * @param x at least three, not all equal
     */
    public static StraightLine leastSquares(double[] x, double[] y) {
        int n = require(x, y);
        double middle = Arrays.stream(x).average().orElseThrow();
        double level = Arrays.stream(y).average().orElseThrow();
        double sxx = 0;
        double sxy = 0;
        for (int i = 0; i < n; i++) {
            sxx += (x[i] - middle) * (x[i] - middle);
            sxy += (x[i] - middle) * (y[i] - level);
        }
        double slope = sxy / sxx;
        double squares = 0;
        for (int i = 0; i < n; i++) {
            double off = y[i] - level - slope * (x[i] - middle);
            squares += off * off;
        }
        double scatter = Math.sqrt(squares / (n - 2));
        return new StraightLine(middle, level, slope, scatter, scatter / Math.sqrt(n), scatter / Math.sqrt(sxx));
    }

    /**
     * The line after Theil and Sen: the median of the slopes between all pairs of points, and the median of the levels; almost
     * a third of the points may be wild. The slope's error is taken from Sen's interval of ranks, or from the scatter where that
     * is more.
     *
     * @param x at least three, rising, not all equal
     */
    public static StraightLine theilSen(double[] x, double[] y) {
        int n = require(x, y);
        double[] slopes = slopes(x, y);
        Arrays.sort(slopes);
        double slope = Spread.medianOfSorted(slopes);
        double middle = Arrays.stream(x).average().orElseThrow();
        double[] levels = new double[n];
        for (int i = 0; i < n; i++) {
            levels[i] = y[i] - slope * (x[i] - middle);
        }
        Spread spread = Spread.of(levels);
        // Where more than half of the points lie on the line exactly, as rounded values may, the rest still says how they scatter.
        double about = spread.robustDeviation() > 0 ? spread.robustDeviation() : spread.standardDeviation();
        // Two of the n are spent on the line itself.
        double scatter = about * Math.sqrt(n / (n - 2.0));
        double sxx = Arrays.stream(x).map(one -> (one - middle) * (one - middle)).sum();
        double slopeError = Math.max(slopeError(slopes, n), scatter / Math.sqrt(sxx));
        return new StraightLine(middle, spread.median(), slope, scatter, MEDIAN_OVER_MEAN * scatter / Math.sqrt(n), slopeError);
    }

    private static double[] slopes(double[] x, double[] y) {
        int n = x.length;
        double[] slopes = new double[n * (n - 1) / 2];
        int count = 0;
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                if (x[j] != x[i]) {
                    slopes[count++] = (y[j] - y[i]) / (x[j] - x[i]);
                }
            }
        }
        return Arrays.copyOf(slopes, count);
    }

    /** Half of Sen's 90 % interval over the normal quantile. */
    private static double slopeError(double[] sorted, int n) {
        double reach = NormalDistribution.QUANTILE_95 * Math.sqrt(n * (n - 1.0) * (2 * n + 5) / 18);
        int low = (int) Math.max(0, Math.floor((sorted.length - reach) / 2));
        int high = (int) Math.min(sorted.length - 1, Math.ceil((sorted.length + reach) / 2));
        return (sorted[high] - sorted[low]) / 2 / NormalDistribution.QUANTILE_95;
    }

    private static int require(double[] x, double[] y) {
        if (x.length != y.length || x.length < 3 || Arrays.stream(x).allMatch(one -> one == x[0])) {
            throw new IllegalArgumentException("A line needs at least three points that do not lie above one another.");
        }
        return x.length;
    }
}
