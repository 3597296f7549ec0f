package rovek.core.trend;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * How a series goes since its last new start: a robust line (Theil and Sen) over true dates, believed only where the test of
 * Mann and Kendall finds it significant. Where the values were level first, the line begins where they began to change.
 * A growth that grows itself is described as one by a share of the value, where that describes it better.
 */
public final class Trend {

    /** Fewer values than this show no trend. */
    public static final int LEAST_READINGS = 6;

    /** A trend is significant below. */
    public static final double SIGNIFICANT = 0.05;

    private static final int MOST_POINTS = 400;
    private static final double MILLIS_A_DAY = 86_400_000;
    /** A growth must leave clearly less than a straight line to be believed. */
    private static final double BETTER = 0.85;

    /** Later than this nobody can say anything. */
    private static final double FURTHEST_DAYS = 3_652;

    private final Instant origin;
    private final StraightLine line;
    private final boolean isGrowth;
    private final double probability;
    private final Instant since;
    private final Instant last;
    private final int readings;

    private Trend(Instant origin, StraightLine line, boolean isGrowth, double probability, Instant since, Instant last, int readings) {
        this.origin = origin;
        this.line = line;
        this.isGrowth = isGrowth;
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
        StraightLine straight = StraightLine.theilSen(behindX, behindY);
        double[] logarithms = Arrays.stream(behindY).map(Math::log).toArray();
        boolean isGrowth = false;
        StraightLine line = straight;
        if (Arrays.stream(behindY).allMatch(value -> value > 0)) {
            StraightLine growth = StraightLine.theilSen(behindX, logarithms);
            isGrowth = left(behindX, behindY, growth, true) < BETTER * left(behindX, behindY, straight, false);
            line = isGrowth ? growth : straight;
        }
        return Optional.of(new Trend(
                origin, line, isGrowth, MannKendall.probability(behindY), some.get(from).at(), some.get(some.size() - 1).at(), behindX.length));
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

    private static double left(double[] x, double[] y, StraightLine line, boolean isGrowth) {
        double sum = 0;
        for (int i = 0; i < x.length; i++) {
            sum += Math.abs(y[i] - (isGrowth ? Math.exp(line.at(x[i])) : line.at(x[i])));
        }
        return sum;
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

    /** Whether it grows by a share of itself rather than by an amount. */
    public boolean isGrowth() {
        return isGrowth;
    }

    /** The slope: units a day, or for a growth the share a day (0.01 is 1 %). */
    public double perDay() {
        return isGrowth ? Math.expm1(line.slope()) : line.slope();
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
        double value = line.at(days(origin, time));
        return isGrowth ? Math.exp(value) : value;
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
        if (!isSignificant() || line.slope() == 0 || (isGrowth && limit <= 0)) {
            return Optional.empty();
        }
        double gap = (isGrowth ? Math.log(limit) : limit) - line.level();
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
        return Optional.of(new Reaching(time(at), time(Math.max(now, Math.min(earliest, at))), isFar ? Optional.empty() : Optional.of(time(latest))));
    }

    private Instant time(double days) {
        return origin.plusMillis(Math.round((days + line.middle()) * MILLIS_A_DAY));
    }
}
