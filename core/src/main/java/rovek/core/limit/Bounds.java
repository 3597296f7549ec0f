package rovek.core.limit;

import rovek.core.unit.UnitOfMeasure;

/**
 * The boundaries that hold for one value, in one unit.
 *
 * @param watch past it is watch
 * @param fail past it is fail
 * @param isForbidden whether the ranges are where a value must not be, rather than where it must
 */
public record Bounds(Range watch, Range fail, boolean isForbidden) {

    /** Within the ranges is right; a range without a boundary is {@link Range#ALL}. */
    public static Bounds within(Range watch, Range fail) {
        return new Bounds(watch, fail, false);
    }

    /** Within the ranges is wrong; a range without a boundary is {@link Range#NONE}. */
    public static Bounds outside(Range watch, Range fail) {
        return new Bounds(watch, fail, true);
    }

    /**
     * Simple acceptance, no allowance for uncertainty.
     *
     * @param before the verdict on the value before; only watch and fail matter
     * @param hysteresis how far a value must come back within a boundary it was past, 0 or more
     * @param boundaryIsPast whether a value on a boundary is past it
     */
    Verdict judge(double value, Verdict before, double hysteresis, boolean boundaryIsPast) {
        if (isPast(fail, value, before == Verdict.FAIL ? hysteresis : 0, boundaryIsPast)) {
            return Verdict.FAIL;
        }
        boolean wasPastWatch = before == Verdict.FAIL || before == Verdict.WATCH;
        return isPast(watch, value, wasPastWatch ? hysteresis : 0, boundaryIsPast) ? Verdict.WATCH : Verdict.PASS;
    }

    /** The same in another unit. */
    Bounds in(UnitOfMeasure from, UnitOfMeasure to) {
        return from.equals(to) ? this : new Bounds(in(watch, from, to), in(fail, from, to), isForbidden);
    }

    private static Range in(Range range, UnitOfMeasure from, UnitOfMeasure to) {
        return new Range(in(range.low(), from, to), in(range.high(), from, to));
    }

    private static double in(double end, UnitOfMeasure from, UnitOfMeasure to) {
        return Double.isInfinite(end) ? end : from.convert(end, to);
    }

    private boolean isPast(Range range, double value, double margin, boolean boundaryIsPast) {
        double past = isForbidden ? -range.outside(value) : range.outside(value);
        return past > -margin || (past == 0 && boundaryIsPast);
    }
}
