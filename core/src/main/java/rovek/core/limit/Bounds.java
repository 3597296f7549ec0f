package rovek.core.limit;

import rovek.core.unit.Decimals;
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
     * Which boundaries a value is past, each by itself: a hysteresis keeps a value past a boundary that it was past,
     * and no other. Of a range that is forbidden both ends are one boundary.
     */
    public record Passed(boolean watchLow, boolean watchHigh, boolean failLow, boolean failHigh) {

        /** Nothing is. */
        public static final Passed NONE = new Passed(false, false, false, false);

        Verdict verdict() {
            return failLow || failHigh ? Verdict.FAIL : watchLow || watchHigh ? Verdict.WATCH : Verdict.PASS;
        }
    }

    /**
     * Simple acceptance, no allowance for uncertainty; compared as written in decimals.
     *
     * @param before what the value before was past of the same rule
     * @param hysteresis how far a value must come back within a boundary it was past, 0 or more
     * @param boundaryIsPast whether a value on a boundary is past it
     */
    Passed passed(double value, Passed before, double hysteresis, boolean boundaryIsPast) {
        if (isForbidden) {
            boolean isInWatch = isInside(watch, value, before.watchLow ? hysteresis : 0, boundaryIsPast);
            boolean isInFail = isInside(fail, value, before.failLow ? hysteresis : 0, boundaryIsPast);
            return new Passed(isInWatch, isInWatch, isInFail, isInFail);
        }
        return new Passed(
                isPast(value, watch.low(), -1, before.watchLow ? hysteresis : 0, boundaryIsPast),
                isPast(value, watch.high(), 1, before.watchHigh ? hysteresis : 0, boundaryIsPast),
                isPast(value, fail.low(), -1, before.failLow ? hysteresis : 0, boundaryIsPast),
                isPast(value, fail.high(), 1, before.failHigh ? hysteresis : 0, boundaryIsPast));
    }

    private static boolean isInside(Range range, double value, double margin, boolean boundaryIsPast) {
        return !range.equals(Range.NONE)
                && isPast(value, range.low(), 1, margin, boundaryIsPast)
                && isPast(value, range.high(), -1, margin, boundaryIsPast);
    }

    /** @param upwards 1 where what is above the end is past it, -1 where what is below */
    private static boolean isPast(double value, double end, int upwards, double margin, boolean boundaryIsPast) {
        int beyond = upwards * Decimals.compare(value, Decimals.sum(end, -upwards * margin));
        return beyond > 0 || (beyond == 0 && margin == 0 && boundaryIsPast);
    }

    /** The same in another unit. */
    public Bounds in(UnitOfMeasure from, UnitOfMeasure to) {
        return from.equals(to)
                ? this
                : new Bounds(LimitUnits.in(watch, from, to), LimitUnits.in(fail, from, to), isForbidden);
    }
}
