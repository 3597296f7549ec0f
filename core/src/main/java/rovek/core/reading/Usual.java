package rovek.core.reading;

import java.util.Arrays;
import java.util.OptionalDouble;

/**
 * What values a check usually has: the median of its history and, as spread, 1.4826 times the median absolute
 * deviation, which is the standard deviation where values are normally distributed. The spread is at least a tenth of
 * the median, since a few alike values say little about how much they may differ.
 */
final class Usual {

    /** Fewer values than this are no history. */
    static final int LEAST = 4;

    private static final double MAD_TO_DEVIATION = 1.4826;
    private static final double LEAST_SHARE = 0.1;

    private final double median;
    private final double spread;

    private Usual(double median, double spread) {
        this.median = median;
        this.spread = spread;
    }

    /**
     * How many spreads a value lies from the median, without its sign; empty where there is no history.
     *
     * @param history values that are numbers, in any order
     */
    static OptionalDouble distance(double value, double[] history) {
        if (history.length < LEAST) {
            return OptionalDouble.empty();
        }
        Usual usual = of(history);
        return usual.spread == 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(Math.abs(value - usual.median) / usual.spread);
    }

    private static Usual of(double[] history) {
        double median = median(history.clone());
        double deviation = median(
                Arrays.stream(history).map(value -> Math.abs(value - median)).toArray());
        return new Usual(median, Math.max(MAD_TO_DEVIATION * deviation, LEAST_SHARE * Math.abs(median)));
    }

    private static double median(double[] values) {
        Arrays.sort(values);
        int middle = values.length / 2;
        return values.length % 2 == 1 ? values[middle] : (values[middle - 1] + values[middle]) / 2;
    }
}
