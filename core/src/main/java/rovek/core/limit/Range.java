package rovek.core.limit;

import rovek.core.unit.Decimals;

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

    /** Whether a value lies within or on an end, as written in decimals. */
    boolean holds(double value) {
        return Decimals.compare(value, low) >= 0 && Decimals.compare(value, high) <= 0;
    }

    /** @param by how far each end is moved outwards, inwards where negative: it may then hold no value at all */
    Range wider(double by) {
        return new Range(Decimals.sum(low, -by), Decimals.sum(high, by));
    }

    boolean encloses(Range other) {
        return low <= other.low && other.high <= high;
    }
}
