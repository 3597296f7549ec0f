package rovek.core.limit;

/**
 * What few readings know of their own scatter. The median absolute deviation of five normal values is often far too
 * small by chance: of further readings 8 in 100 would lie more than 3 x 1.4826 MAD above their median, not 1 in 1,000.
 * The factors widen a boundary so that of further readings with the same normal scatter no more than 1 in 100 lies past
 * k = 3. Those of the MAD are found by simulation; those of the standard deviation follow from Student's t for a
 * further value, t(0.99, n - 1) sqrt(1 + 1/n) / 3.
 */
final class SmallSample {

    private static final int FIRST = 5;

    /** For 5, 6, ... readings. */
    private static final double[] ROBUST = {
        3.4, 2.07, 2.0, 1.6, 1.56, 1.37, 1.34, 1.24, 1.23, 1.16, 1.15, 1.11, 1.1, 1.06, 1.06, 1.03, 1.03, 1.01, 1.01
    };

    private static final double[] CLASSICAL = {1.37, 1.21, 1.12, 1.06, 1.02};

    private SmallSample() {}

    /** @return what k is multiplied by for a boundary of median and k 1.4826 MAD; 1 from some twenty readings on */
    static double robust(int readings) {
        return factor(ROBUST, readings);
    }

    /** @return the same for one of mean and k s; 1 from ten readings on */
    static double classical(int readings) {
        return factor(CLASSICAL, readings);
    }

    private static double factor(double[] factors, int readings) {
        return readings - FIRST >= factors.length ? 1 : factors[Math.max(0, readings - FIRST)];
    }
}
