package rovek.core.signal;

/** What is made of an acceleration: itself, or its first or second integral over time. */
public enum Integration {
    NONE(0),
    TO_VELOCITY(1),
    TO_DISPLACEMENT(2);

    private final int times;

    Integration(int times) {
        this.times = times;
    }

    /** The factor on an amplitude at this frequency: 1, 1/(2 pi f) or 1/(2 pi f)². */
    public double amplitudeFactor(double hz) {
        double omega = 2 * Math.PI * hz;
        return switch (times) {
            case 0 -> 1;
            case 1 -> 1 / omega;
            default -> 1 / (omega * omega);
        };
    }

    public int times() {
        return times;
    }
}
