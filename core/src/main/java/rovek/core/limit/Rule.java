package rovek.core.limit;

import java.util.Optional;
import rovek.core.trend.Spread;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** One way to say what is right. Every rule comes down to the boundaries that hold for a reading at its time. */
public sealed interface Rule {

    /** What it comes to, in the unit of the background. */
    Yardstick yardstick(Background background);

    /** Whether it asks for more than the value itself. */
    default boolean needsBackground() {
        return true;
    }

    /** Whether it asks for the sister assets. */
    default boolean needsSisters() {
        return false;
    }

    /**
     * A value must lie within: an upper limit, a lower one, or a band. A range without a boundary is {@link Range#ALL}.
     */
    record Within(Range watch, Range fail) implements Rule {

        public Within {
            requireAny(!watch.equals(Range.ALL) || !fail.equals(Range.ALL));
            requireOrder(fail.encloses(watch) || watch.equals(Range.ALL) || leavesFailOpen(watch, fail), watch, fail);
            requireRising(watch);
            requireRising(fail);
        }

        /**
         * A side without watch boundary may have a fail boundary: the fail range need not enclose the watch range
         * there.
         */
        private static boolean leavesFailOpen(Range watch, Range fail) {
            boolean low = watch.low() == Double.NEGATIVE_INFINITY || fail.low() <= watch.low();
            boolean high = watch.high() == Double.POSITIVE_INFINITY || fail.high() >= watch.high();
            return low && high;
        }

        public static Within above(Optional<Double> watch, Optional<Double> fail) {
            return new Within(upTo(watch), upTo(fail));
        }

        public static Within below(Optional<Double> watch, Optional<Double> fail) {
            return new Within(from(watch), from(fail));
        }

        private static Range upTo(Optional<Double> high) {
            return new Range(Double.NEGATIVE_INFINITY, high.orElse(Double.POSITIVE_INFINITY));
        }

        private static Range from(Optional<Double> low) {
            return new Range(low.orElse(Double.NEGATIVE_INFINITY), Double.POSITIVE_INFINITY);
        }

        @Override
        public Yardstick yardstick(Background background) {
            return Yardstick.of(Bounds.within(watch, fail));
        }

        @Override
        public boolean needsBackground() {
            return false;
        }
    }

    /** A value must not lie within, e.g. a speed at a resonance. A range without a boundary is {@link Range#NONE}. */
    record Outside(Range watch, Range fail) implements Rule {

        public Outside {
            requireAny(!watch.equals(Range.NONE) || !fail.equals(Range.NONE));
            requireOrder(watch.equals(Range.NONE) || fail.equals(Range.NONE) || watch.encloses(fail), watch, fail);
            for (Range range : new Range[] {watch, fail}) {
                if (!range.equals(Range.NONE)) {
                    requireRising(range);
                }
            }
        }

        @Override
        public Yardstick yardstick(Background background) {
            return Yardstick.of(Bounds.outside(watch, fail));
        }

        @Override
        public boolean needsBackground() {
            return false;
        }
    }

    /** A value must lie about a target, by so much at the most. */
    record Target(double target, Allowed allowed) implements Rule {

        public Target {
            if (!Double.isFinite(target)) {
                throw new Refused(Sentence.of("limit.targetNumber"));
            }
        }

        @Override
        public Yardstick yardstick(Background background) {
            return Yardstick.of(allowed.around(target, 1));
        }

        @Override
        public boolean needsBackground() {
            return false;
        }
    }

    /**
     * A value must not have changed from the median of its baseline by more.
     *
     * @param isShare whether the deviations are shares of the median in %, rather than amounts
     */
    record FromBaseline(Allowed allowed, boolean isShare) implements Rule {

        @Override
        public Yardstick yardstick(Background background) {
            Optional<Sentence> obstacle = baselineObstacle(background);
            return obstacle.isPresent()
                    ? Yardstick.missing(obstacle.get())
                    : ofMedian(
                            Spread.of(background.baseline()).median(),
                            allowed,
                            isShare,
                            Sentence.of("limit.theBaseline"));
        }
    }

    /** A value must not have changed faster, per day since the newest reading half a day or more before. */
    record PerDay(Allowed allowed) implements Rule {

        @Override
        public Yardstick yardstick(Background background) {
            return background.before().isEmpty()
                    ? Yardstick.missing(Sentence.of("limit.noReadingBefore"))
                    : Yardstick.of(allowed.around(background.before().getAsDouble(), background.daysSince()));
        }
    }

    /** A value must not be further from the median of the sister assets. */
    record FromSisters(Allowed allowed, boolean isShare) implements Rule {

        @Override
        public Yardstick yardstick(Background background) {
            return background.sisters().length == 0
                    ? Yardstick.missing(Sentence.of("limit.noSister"))
                    : ofMedian(
                            Spread.of(background.sisters()).median(),
                            allowed,
                            isShare,
                            Sentence.of("limit.theSisters"));
        }

        @Override
        public boolean needsSisters() {
            return true;
        }
    }

    /**
     * A value must not stand out of its baseline's scatter: median + k 1.4826 MAD, or mean + k s (the robust and the
     * classical form of a control limit); of a small baseline k is multiplied after {@link SmallSample}.
     *
     * @param isRobust whether by median and MAD, rather than by mean and standard deviation
     */
    record Statistical(Allowed allowed, boolean isRobust) implements Rule {

        @Override
        public Yardstick yardstick(Background background) {
            Optional<Sentence> obstacle = baselineObstacle(background);
            if (obstacle.isPresent()) {
                return Yardstick.missing(obstacle.get());
            }
            Spread spread = Spread.of(background.baseline());
            int readings = background.baseline().length;
            double scale = isRobust
                    ? spread.robustDeviation() * SmallSample.robust(readings)
                    : spread.standardDeviation() * SmallSample.classical(readings);
            return scale == 0
                    ? Yardstick.missing(Sentence.of("limit.noScatter"))
                    : Yardstick.of(allowed.around(isRobust ? spread.median() : spread.mean(), scale));
        }
    }

    private static Optional<Sentence> baselineObstacle(Background background) {
        if (background.baseline().length < background.baselineWanted()) {
            return Optional.of(Sentence.of(
                    "limit.baselineShort",
                    "readings",
                    background.baseline().length,
                    "wanted",
                    background.baselineWanted()));
        }
        return background.isOfBaseline() ? Optional.of(Sentence.of("limit.ofBaseline")) : Optional.empty();
    }

    private static Yardstick ofMedian(double median, Allowed allowed, boolean isShare, Sentence what) {
        if (isShare && median == 0) {
            return Yardstick.missing(Sentence.of("limit.shareOfZero", "what", what));
        }
        return Yardstick.of(allowed.around(median, isShare ? Math.abs(median) / 100 : 1));
    }

    private static void requireAny(boolean any) {
        if (!any) {
            throw new Refused(Sentence.of("limit.noBoundary"));
        }
    }

    private static void requireOrder(boolean ordered, Range watch, Range fail) {
        if (!ordered) {
            throw new Refused(
                    Sentence.of("limit.wrongOrder", "watch", LimitText.ends(watch), "fail", LimitText.ends(fail)));
        }
    }

    private static void requireRising(Range range) {
        if (range.low() >= range.high()) {
            throw new Refused(Sentence.of("limit.bandFalls", "band", LimitText.ends(range)));
        }
    }
}
