package rovek.core.trend;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * What describes a series: a straight line, a growth by a share - a line through the logarithms of what the values are
 * above a level, or below it - or neither.
 *
 * <p>A line is believed unless a parabola is significantly better (1 %, against the scatter that is left). Only what
 * bends away from where it was, faster and faster, can be a growth, and only where its own line through the logarithms
 * does not bend in turn; what slows down never is. Where the whole is neither, it may have been level first: then what
 * lies behind the bend is looked at alone.
 *
 * @param kind of the shape
 * @param line through the values, or through the logarithms of {@code sign * (value - level)}
 * @param level of a growth; 0 for a straight line
 * @param sign 1, or -1 for a growth downwards
 * @param from index of the first value it goes by
 * @param perhaps a growth that the scatter does not let tell from the straight line: it may be as well
 */
record TrendShape(Kind kind, StraightLine line, double level, int sign, int from, Optional<TrendShape> perhaps) {

    enum Kind {
        LINE,
        GROWTH,
        NEITHER
    }

    /** A line is given up where a parabola is better than chance would make it in 1 of 100 series on either side. */
    private static final double BENDS = 0.01;

    private static final double LOGARITHMS_BEND = 0.005;

    /** From here on a growth is thought of beside the line. */
    private static final double MAY_BEND = 0.2;

    static TrendShape of(double[] x, double[] y) {
        TrendShape whole = behind(x, y, 0, Optional.empty());
        if (whole.kind != Kind.NEITHER) {
            return whole;
        }
        OptionalInt onset = Onset.of(x, y);
        return onset.isEmpty()
                ? whole
                : behind(x, y, onset.getAsInt(), Optional.of(Spread.of(Arrays.copyOf(y, onset.getAsInt()))));
    }

    /** @param before the values before, where they were level; empty where there are none */
    private static TrendShape behind(double[] allX, double[] allY, int from, Optional<Spread> before) {
        double[] x = Arrays.copyOfRange(allX, from, allX.length);
        double[] y = Arrays.copyOfRange(allY, from, allY.length);
        StraightLine line = StraightLine.theilSen(x, y);
        double bend = bend(x, y, line) * Math.signum(line.slope());
        Optional<TrendShape> growth = bend <= 0 ? Optional.empty() : growth(x, y, line.slope(), from, before);
        if (Math.abs(bend) <= critical(BENDS, x)) {
            return new TrendShape(Kind.LINE, line, 0, 1, from, growth.filter(one -> bend > critical(MAY_BEND, x)));
        }
        return growth.orElseGet(() -> new TrendShape(Kind.NEITHER, line, 0, 1, from, Optional.empty()));
    }

    private static double bend(double[] x, double[] y, StraightLine line) {
        return Curvature.of(x, y, StraightLine.within(x, y, line.slope()));
    }

    private static double critical(double probability, double[] x) {
        return Distributions.studentAbove(probability, Math.max(3, x.length - 3));
    }

    /**
     * Growth of the values themselves, or of what they are beyond the level before: whichever leaves less, of those
     * that do not bend themselves.
     */
    private static Optional<TrendShape> growth(
            double[] x, double[] y, double slope, int from, Optional<Spread> before) {
        Optional<TrendShape> whole = slope > 0 && Arrays.stream(y).allMatch(value -> value > 0)
                ? growth(x, y, 0, 1, 0, from)
                : Optional.empty();
        Optional<TrendShape> beyond = before.filter(level -> level.robustDeviation() > 0)
                .flatMap(level -> growth(x, y, level.median(), slope > 0 ? 1 : -1, level.robustDeviation(), from));
        return beyond.isPresent()
                        && (whole.isEmpty()
                                || beyond.get().left(x, y) < whole.get().left(x, y))
                ? beyond
                : whole;
    }

    /** @param least what is not beyond the level by more is not known better than that */
    private static Optional<TrendShape> growth(double[] x, double[] y, double level, int sign, double least, int from) {
        double[] logarithms = Arrays.stream(y)
                .map(value -> Math.log(Math.max(least, sign * (value - level))))
                .toArray();
        StraightLine line = StraightLine.theilSen(x, logarithms);
        boolean isStraight = line.slope() > 0 && Math.abs(bend(x, logarithms, line)) <= critical(LOGARITHMS_BEND, x);
        return isStraight
                ? Optional.of(new TrendShape(Kind.GROWTH, line, level, sign, from, Optional.empty()))
                : Optional.empty();
    }

    double at(double x) {
        return kind == Kind.GROWTH ? level + sign * Math.exp(line.at(x)) : line.at(x);
    }

    double slopeAt(double x) {
        return kind == Kind.GROWTH ? (at(x) - level) * line.slope() : line.slope();
    }

    private double left(double[] x, double[] y) {
        double sum = 0;
        for (int i = 0; i < x.length; i++) {
            sum += Math.abs(y[i] - at(x[i]));
        }
        return sum;
    }

    /** Days, as the line counts them. */
    record Crossing(double at, double earliest, double latest) {}

    /**
     * Where it meets a limit, by Fieller's theorem: where the band about the line (90 %) meets it.
     *
     * @param last the newest day
     * @param readings the line goes by
     * @return {@code latest} infinite where the slope's own interval holds 0; empty where it leads away, or is past it
     */
    Optional<Crossing> crossing(double limit, double last, int readings) {
        if (kind == Kind.NEITHER
                || line.slope() == 0
                || !Double.isFinite(line.slopeError())
                || (kind == Kind.GROWTH && sign * (limit - level) <= 0)) {
            return Optional.empty();
        }
        double gap = (kind == Kind.GROWTH ? Math.log(sign * (limit - level)) : limit) - line.level();
        double at = gap / line.slope();
        double now = last - line.middle();
        if (at <= now) {
            return Optional.empty();
        }
        double q = Distributions.studentAbove(0.05, Math.max(3, readings - 2));
        double a = line.slope() * line.slope() - q * q * line.slopeError() * line.slopeError();
        double b = -2 * line.slope() * gap;
        double c = gap * gap - q * q * line.levelError() * line.levelError();
        double root = Math.sqrt(Math.max(0, b * b - 4 * a * c));
        double one = (-b - root) / (2 * a);
        double other = (-b + root) / (2 * a);
        double earliest = a > 0 ? Math.min(one, other) : Math.max(one, other);
        double latest = a > 0 ? Math.max(one, other) : Double.POSITIVE_INFINITY;
        double soonest = perhaps.flatMap(growth -> growth.crossing(limit, last, readings))
                .map(Crossing::earliest)
                .orElse(Double.POSITIVE_INFINITY);
        return Optional.of(new Crossing(
                at + line.middle(),
                Math.min(Math.max(now, Math.min(earliest, at)) + line.middle(), soonest),
                latest + line.middle()));
    }
}
