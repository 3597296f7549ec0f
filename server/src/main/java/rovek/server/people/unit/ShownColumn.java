package rovek.server.people.unit;

import java.util.Arrays;
import rovek.core.unit.UnitOfMeasure;

/** Numbers of one unit as a reader is shown them. */
public final class ShownColumn {

    private final UnitOfMeasure stored;
    private final UnitOfMeasure shown;

    ShownColumn(UnitOfMeasure stored, UnitOfMeasure shown) {
        this.stored = stored;
        this.shown = shown;
    }

    /** As it is written beside them. */
    public String unit() {
        return shown.shown();
    }

    /** A result as it is shown, exact to its last digit. */
    public double of(double result) {
        return stored.convert(result, shown);
    }

    /**
     * Samples as they are shown; a gap stays one. There may be millions of them: by factor and offset, which is two
     * roundings from exact, instead of the 8 µs that an exact conversion takes each.
     */
    public double[] of(double[] samples) {
        if (stored.equals(shown)) {
            return samples;
        }
        double factor = stored.convertDifference(1, shown);
        double offset = stored.convert(0, shown);
        return Arrays.stream(samples).map(sample -> factor * sample + offset).toArray();
    }
}
