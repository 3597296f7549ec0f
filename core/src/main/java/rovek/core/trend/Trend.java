package rovek.core.trend;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * How a series goes since its last new start: a robust line (Theil and Sen) over true dates, believed only where the test of
 * Mann and Kendall finds it significant. Where the values were level first, the line begins where they began to change.
 * What changes faster and faster is described as a growth by a share - of the value, or of what it is above its level before -
 * where that describes it clearly better.
 */
public final class Trend {

    /** Fewer values than this show no trend. */
    public static final int LEAST_READINGS = 6;

    /** A trend is significant below. */
    public static final double SIGNIFICANT = 0.05;

    private static final int MOST_POINTS = 200;
    private static final double MILLIS_A_DAY = 86_400_000;
    /** A growth must leave clearly less than a straight line to be believed. */
    private static final double BETTER = 0.85;

    /** Later than this nobody can say anything. */
    private static final double FURTHEST_DAYS = 3_652;

    private final Instant origin;
    private final Shape shape;
    private final double probability;
    private final Instant since;
    private final Instant last;
    private final int readings;

    private Trend(Instant origin, Shape shape, double probability, Instant since, Instant last, int readings) {
        this.origin = origin;
        this.shape = shape;
        this.probability = probability;
        this.since = since;
        this.last = last;
        this.readings = readings;
    }

    /**
     * @param values rising in time, all since the last new start
     * @return empty where they are too few
     */
    public static Optional<Trend> of(List<TimedValue> values) {
        List<TimedValue> some = thinned(values);
        if (some.size() < LEAST_READINGS || some.get(0).at().equals(some.get(some.size() - 1).at())) {
            return Optional.empty();
        }
        Instant origin = some.get(0).at();
        double[] x = some.stream().mapToDouble(value -> days(origin, value.at())).toArray();
        double[] y = some.stream().mapToDouble(TimedValue::value).toArray();
        OptionalInt onset = Onset.of(x, y);
        int from = onset.orElse(0);
        double[] behindX = Arrays.copyOfRange(x, from, x.length);
        double[] behindY = Arrays.copyOfRange(y, from, y.length);
        Shape straight = new Shape(StraightLine.theilSen(behindX, behindY), false, 0);
        Shape shape = straight;
        for (Shape growth : growths(behindX, behindY, onset.isPresent() ? Spread.of(Arrays.copyOf(y, from)) : null)) {
            boolean isBetter = growth.left(behindX, behindY) < (shape == straight ? BETTER : 1) * shape.left(behindX, behindY);
            shape = isBetter ? growth : shape;
        }
        return Optional.of(new Trend(
                origin, shape, MannKendall.probability(behindY), some.get(from).at(), some.get(some.size() - 1).at(), behindX.length));
    }

    /**
     * A line, or a growth: a line through the logarithms of what the values are above a level.
     *
     * @param level 0 for a straight line
     */
    private record Shape(StraightLine line, boolean isGrowth, double level) {

        double at(double x) {
            return isGrowth ? level + Math.exp(line.at(x)) : line.at(x);
        }

        double left(double[] x, double[] y) {
            double sum = 0;
            for (int i = 0; i < x.length; i++) {
                sum += Math.abs(y[i] - at(x[i]));
            }
            return sum;
        }
    }

    /** Growth of the values themselves, and of what they are above the level they had before they changed. */
    private static List<Shape> growths(double[] x, double[] y, Spread before) {
        List<Shape> growths = new ArrayList<>();
        if (Arrays.stream(y).allMatch(value -> value > 0)) {
            growths.add(new Shape(StraightLine.theilSen(x, Arrays.stream(y).map(Math::log).toArray()), true, 0));
        }
        if (before != null && before.robustDeviation() > 0) {
            // What is not above the level by more than its scatter is not known better than that.
            double[] above = Arrays.stream(y).map(value -> Math.log(Math.max(before.robustDeviation(), value - before.median()))).toArray();
            growths.add(new Shape(StraightLine.theilSen(x, above), true, before.median()));
        }
        return growths;
    }

    /** Of very many values the medians of stretches: the line goes by the whole, not by each. */
    private static List<TimedValue> thinned(List<TimedValue> values) {
        if (values.size() <= MOST_POINTS) {
            return values;
        }
        return java.util.stream.IntStream.range(0, MOST_POINTS).mapToObj(bucket -> {
            List<TimedValue> stretch = values.subList(
                    (int) ((long) bucket * values.size() / MOST_POINTS), (int) ((long) (bucket + 1) * values.size() / MOST_POINTS));
            double median = Spread.median(stretch.stream().mapToDouble(TimedValue::value).toArray());
            return new TimedValue(stretch.get(stretch.size() / 2).at(), median);
        }).toList();
    }

    private static double days(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / MILLIS_A_DAY;
    }

    public boolean isSignificant() {
        return probability < SIGNIFICANT;
    }

    /** Of so clear an order without any trend, from 0 to 1. */
    public double probability() {
        return probability;
    }

    /** Whether it changes faster and faster: by a share of the value, or of what the value is above its level before. */
    public boolean isGrowth() {
        return shape.isGrowth();
    }

    /** The slope at the newest value, units a day. */
    public double perDay() {
        double now = days(origin, last);
        return shape.isGrowth() ? (shape.at(now) - shape.level()) * shape.line().slope() : shape.line().slope();
    }

    /** The first value the line goes by. */
    public Instant since() {
        return since;
    }

    /** How many values it goes by; of very many, how many stretches. */
    public int readings() {
        return readings;
    }

    /** The line's value at a time. */
    public double at(Instant time) {
        return shape.at(days(origin, time));
    }

    /**
     * When the line reaches a limit.
     *
     * @param at the likeliest date
     * @param earliest with {@code latest} the interval that holds the true date with 90 % probability, as far as the values go on
     *     as they did
     * @param latest empty where it may well never be reached
     */
    public record Reaching(Instant at, Instant earliest, Optional<Instant> latest) {}

    /**
     * The date by Fieller's theorem: where the band about the line (90 %) meets the limit.
     *
     * @return empty where there is no significant trend, where it leads away from the limit or is past it already, or would
     *     take longer than ten years
     */
    public Optional<Reaching> reaching(double limit) {
        StraightLine line = shape.line();
        if (!isSignificant() || line.slope() == 0 || (shape.isGrowth() && limit <= shape.level())) {
            return Optional.empty();
        }
        double gap = (shape.isGrowth() ? Math.log(limit - shape.level()) : limit) - line.level();
        double at = gap / line.slope();
        double now = days(origin, last) - line.middle();
        if (at <= now || at - now > FURTHEST_DAYS) {
            return Optional.empty();
        }
        double q = NormalDistribution.studentQuantile95(Math.max(3, readings - 2));
        double a = line.slope() * line.slope() - q * q * line.slopeError() * line.slopeError();
        double b = -2 * line.slope() * gap;
        double c = gap * gap - q * q * line.levelError() * line.levelError();
        double root = Math.sqrt(Math.max(0, b * b - 4 * a * c));
        double one = (-b - root) / (2 * a);
        double other = (-b + root) / (2 * a);
        boolean isClosed = a > 0;
        double earliest = isClosed ? Math.min(one, other) : Math.max(one, other);
        double latest = Math.max(one, other);
        boolean isFar = !isClosed || latest - now > FURTHEST_DAYS;
        return Optional.of(new Reaching(time(at, line), time(Math.max(now, Math.min(earliest, at)), line), isFar ? Optional.empty() : Optional.of(time(latest, line))));
    }

    private Instant time(double days, StraightLine line) {
        return origin.plusMillis(Math.round((days + line.middle()) * MILLIS_A_DAY));
    }
}
