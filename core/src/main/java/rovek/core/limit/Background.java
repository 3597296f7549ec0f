package rovek.core.limit;

import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;

/**
 * What a reading is compared with besides fixed numbers, all in one unit.
 *
 * @param baseline values of the baseline in force; the array is not copied
 * @param baselineWanted how many it takes to be complete
 * @param isOfBaseline whether the reading is one of them
 * @param before the newest value since the last repair that was taken long enough before to tell a rate from
 * @param daysSince how long before, at least half a day where there is one
 * @param sisters the newest values of the same check on the sister assets; the array is not copied
 */
public record Background(
        double[] baseline,
        int baselineWanted,
        boolean isOfBaseline,
        OptionalDouble before,
        double daysSince,
        double[] sisters) {

    /** Nothing is known but the value itself. */
    public static final Background NOTHING =
            new Background(new double[0], 1, false, OptionalDouble.empty(), 0, new double[0]);

    /** The same in another unit. */
    Background in(DoubleUnaryOperator unit) {
        return new Background(
                converted(baseline, unit),
                baselineWanted,
                isOfBaseline,
                before.isPresent() ? OptionalDouble.of(unit.applyAsDouble(before.getAsDouble())) : before,
                daysSince,
                converted(sisters, unit));
    }

    private static double[] converted(double[] values, DoubleUnaryOperator unit) {
        return java.util.Arrays.stream(values).map(unit).toArray();
    }
}
