package rovek.core.reading;

import java.util.Arrays;

/** Readings taken with nothing measured: the sensor in the air, the key pressed twice. */
public final class AccidentalReading {

    private static final double SHARE_OF_USUAL = 0.02;

    /** Below what any instrument can tell from nothing, in whatever unit. */
    private static final double NOTHING = 1e-6;

    private AccidentalReading() {}

    /**
     * Whether a value is as good as nothing.
     *
     * @param history of the check; what is nothing there is known only from enough of it
     */
    public static boolean looksSo(double value, double[] history) {
        if (Math.abs(value) < NOTHING) {
            return true;
        }
        double[] sizes = Arrays.stream(history).map(Math::abs).sorted().toArray();
        return sizes.length >= Usual.LEAST && Math.abs(value) < SHARE_OF_USUAL * sizes[sizes.length / 2];
    }
}
