package rovek.server.people.unit;

import java.util.Arrays;

/**
 * Numbers of one unit as a reader is shown them.
 *
 * @param unit as it is written beside them
 * @param factor shown = factor * stored + offset
 */
public record ShownColumn(String unit, double factor, double offset) {

    /** A number as it is shown; what is not converted keeps its last digit. */
    public double of(double stored) {
        return factor == 1 && offset == 0 ? stored : factor * stored + offset;
    }

    public double[] of(double[] stored) {
        return factor == 1 && offset == 0
                ? stored
                : Arrays.stream(stored).map(this::of).toArray();
    }
}
