package rovek.core.limit;

/** Which deviations are wrong. */
public enum Side {
    UP,
    DOWN,
    BOTH;

    /** The range around a centre that deviates by no more than this. */
    Range around(double centre, double deviation) {
        return new Range(
                this == UP ? Double.NEGATIVE_INFINITY : centre - deviation,
                this == DOWN ? Double.POSITIVE_INFINITY : centre + deviation);
    }
}
