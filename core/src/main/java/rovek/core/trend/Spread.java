package rovek.core.trend;

import java.util.Arrays;

/**
 * Where values lie and how they scatter, classically and robustly.
 *
 * @param standardDeviation of a sample, with n - 1; 0 for a single value
 * @param robustDeviation 1.4826 times the median absolute deviation, which estimates the same for normal scatter
 */
public record Spread(double mean, double standardDeviation, double median, double robustDeviation) {

    /** Makes the median absolute deviation agree with the standard deviation of a normal distribution. */
    public static final double MAD_TO_DEVIATION = 1.4826;

    /** @throws IllegalArgumentException for no values */
    public static Spread of(double[] values) {
        if (values.length == 0) {
            throw new IllegalArgumentException("Nothing scatters about nothing.");
        }
        double mean = Arrays.stream(values).sum() / values.length;
        double squares = Arrays.stream(values)
                .map(value -> (value - mean) * (value - mean))
                .sum();
        double median = median(values);
        double mad = median(
                Arrays.stream(values).map(value -> Math.abs(value - median)).toArray());
        return new Spread(
                mean, values.length < 2 ? 0 : Math.sqrt(squares / (values.length - 1)), median, MAD_TO_DEVIATION * mad);
    }

    /** The middle value, or the mean of the middle two. */
    public static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return medianOfSorted(sorted);
    }

    static double medianOfSorted(double[] sorted) {
        int middle = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    }
}
