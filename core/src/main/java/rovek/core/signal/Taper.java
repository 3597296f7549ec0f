package rovek.core.signal;

/**
 * A taper that fades a record in and out by half a cosine at each end (Tukey), so that a record which is cut anywhere
 * has no jump where its end meets its beginning. With ends of half the record it is a Hann window.
 *
 * @param values one a sample, from 0 to 1; the array is not copied
 * @param ends samples that fade at each end, from 1 to half the record
 */
public record Taper(double[] values, int ends) {

    /** Where a taper lets less through than this, a signal is not taken back from it: noise and rounding would grow. */
    private static final double LEAST = 0.5;

    /**
     * @param length of the record, at least 4
     * @param ends samples that fade at each end; more than half the record means half
     */
    public static Taper of(int length, int ends) {
        int fading = Math.max(1, Math.min(ends, length / 2));
        double[] values = new double[length];
        for (int i = 0; i < length; i++) {
            values[i] = at(i, length, fading);
        }
        return new Taper(values, fading);
    }

    private static double at(double sample, int length, int ends) {
        double fromEnd = Math.min(sample, length - sample);
        return fromEnd >= ends ? 1 : fromEnd <= 0 ? 0 : 0.5 - 0.5 * Math.cos(Math.PI * fromEnd / ends);
    }

    /**
     * The taper between two samples.
     *
     * @param slope its first derivative, a sample
     * @param curvature its second derivative, a sample²
     */
    record Place(double value, double slope, double curvature) {}

    private static final Place FLAT = new Place(1, 0, 0);

    Place place(double sample) {
        double fromEnd = Math.min(sample, values.length - sample);
        if (fromEnd > ends) {
            return FLAT;
        }
        double cos = Math.cos(Math.PI * Math.max(0, fromEnd) / ends);
        double steep = Math.PI / (2.0 * ends) * Math.sqrt(Math.max(0, 1 - cos * cos));
        return new Place(
                0.5 - 0.5 * cos,
                sample <= values.length / 2.0 ? steep : -steep,
                Math.PI * Math.PI / (2.0 * ends * ends) * cos);
    }

    /** Where a signal can be taken back from it, as a sample; likewise {@link #lastTrusted}. */
    double firstTrusted() {
        return Math.acos(1 - 2 * LEAST) / Math.PI * ends;
    }

    double lastTrusted() {
        return values.length - firstTrusted();
    }

    /** How many lines it spreads a tone over on each side. */
    int reachLines() {
        return (int) Math.ceil((double) values.length / ends);
    }
}
