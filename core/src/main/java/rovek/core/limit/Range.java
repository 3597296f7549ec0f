package rovek.core.limit;

/**
 * A stretch of values, both ends included.
 *
 * @param low negative infinity where it has no lower end
 * @param high positive infinity where it has no upper end
 */
public record Range(double low, double high) {

    public static final Range ALL = new Range(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);

    /** Holds no value at all. */
    public static final Range NONE = new Range(Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY);

    public Range {
        if (Double.isNaN(low) || Double.isNaN(high)) {
            throw new IllegalArgumentException("A range ends at numbers.");
        }
    }

    /** How far a value lies outside; 0 on an end, negative inside. */
    double outside(double value) {
        return Math.max(low - value, value - high);
    }

    boolean encloses(Range other) {
        return low <= other.low && other.high <= high;
    }
}
