package rovek.core.signal;

/**
 * A range of frequencies, both edges included.
 *
 * @param lowHz above 0
 * @param highHz above {@code lowHz}
 */
public record Band(double lowHz, double highHz) {

    /** Relative room at the edges, so that a line that lies on an edge but for rounding is inside. */
    private static final double EDGE = 1e-9;

    public Band {
        if (!(lowHz > 0) || !(highHz > lowHz) || Double.isInfinite(highHz)) {
            throw new IllegalArgumentException(
                    "A band runs from above 0 Hz up to a higher frequency, not from %s to %s Hz."
                            .formatted(lowHz, highHz));
        }
    }

    /** The first line at or above the lower edge, for lines {@code stepHz} apart starting at 0 Hz. */
    public int firstLine(double stepHz) {
        return (int) Math.ceil(lowHz / stepHz * (1 - EDGE));
    }

    /** The last line at or below the upper edge, for lines {@code stepHz} apart starting at 0 Hz. */
    public int lastLine(double stepHz) {
        return (int) Math.floor(highHz / stepHz * (1 + EDGE));
    }
}
