package rovek.core.technique;

/**
 * Between which values a channel should stay; a value on an end is within.
 *
 * @param low negative infinity where there is none
 * @param high infinity where there is none
 */
public record ChannelLimits(double low, double high) {

    public static final ChannelLimits NONE = new ChannelLimits(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);

    public boolean isNone() {
        return Double.isInfinite(low) && Double.isInfinite(high);
    }
}
