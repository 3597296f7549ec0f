package rovek.core.trend;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * How a series goes since its last new start: a robust line (Theil and Sen) over true dates, believed only where the
 * test of Mann and Kendall finds it significant. Where the values were level first, the line begins where they began to
 * change. What changes faster and faster is described as a growth by a share, and what is neither has no date;
 * {@link TrendShape} decides.
 */
public final class Trend {

    /** Fewer values than this show no trend. */
    public static final int LEAST_READINGS = 6;

    /** A trend is significant below. */
    public static final double SIGNIFICANT = 0.05;

    private static final int MOST_POINTS = 200;
    private static final double MILLIS_A_DAY = 86_400_000;

    /** Later than this nobody can say anything. */
    private static final double FURTHEST_DAYS = 3_652;

    private final Instant origin;
    private final TrendShape shape;
    private final double probability;
    private final Instant since;
    private final Instant last;
    private final int readings;

    private Trend(Instant origin, TrendShape shape, double probability, Instant since, Instant last, int readings) {
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
        if (some.size() < LEAST_READINGS
                || some.get(0).at().equals(some.get(some.size() - 1).at())) {
            return Optional.empty();
        }
        Instant origin = some.get(0).at();
        double[] x =
                some.stream().mapToDouble(value -> days(origin, value.at())).toArray();
        double[] y = some.stream().mapToDouble(TimedValue::value).toArray();
        TrendShape shape = TrendShape.of(x, y);
        int from = shape.from();
        double probability =
                MannKendall.probability(Arrays.copyOfRange(x, from, x.length), Arrays.copyOfRange(y, from, y.length));
        return Optional.of(new Trend(
                origin,
                shape,
                probability,
                some.get(from).at(),
                some.get(some.size() - 1).at(),
                x.length - from));
    }

    /** Of very many values the medians of stretches: the line goes by the whole, not by each. */
    private static List<TimedValue> thinned(List<TimedValue> values) {
        if (values.size() <= MOST_POINTS) {
            return values;
        }
        return java.util.stream.IntStream.range(0, MOST_POINTS)
                .mapToObj(bucket -> {
                    List<TimedValue> stretch = values.subList((int) ((long) bucket * values.size() / MOST_POINTS), (int)
                            ((long) (bucket + 1) * values.size() / MOST_POINTS));
                    double median = Spread.median(
                            stretch.stream().mapToDouble(TimedValue::value).toArray());
                    return new TimedValue(stretch.get(stretch.size() / 2).at(), median);
                })
                .toList();
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

    /**
     * Whether it changes faster and faster: by a share of the value, or of what the value is beyond its level before.
     */
    public boolean isGrowth() {
        return shape.kind() == TrendShape.Kind.GROWTH;
    }

    /** Whether it changes neither along a line nor faster and faster, so that nothing says how it goes on. */
    public boolean isUneven() {
        return shape.kind() == TrendShape.Kind.NEITHER;
    }

    /** The slope at the newest value, units a day. */
    public double perDay() {
        return shape.slopeAt(days(origin, last));
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
     * @param earliest with {@code latest} the interval that holds the true date with 90 % probability, as far as the
     *     values go on as they did
     * @param latest empty where it may well never be reached
     */
    public record Reaching(Instant at, Instant earliest, Optional<Instant> latest) {}

    /**
     * The date by Fieller's theorem: where the band about the line (90 %) meets the limit. Where a growth is as likely
     * as the line, the interval begins where that would reach it.
     *
     * @return empty where there is no significant trend or it is uneven, where it leads away from the limit or is past
     *     it already, or would take longer than ten years
     */
    public Optional<Reaching> reaching(double limit) {
        double now = days(origin, last);
        return Optional.of(shape)
                .filter(any -> isSignificant())
                .flatMap(any -> any.crossing(limit, now, readings))
                .filter(crossing -> crossing.at() - now <= FURTHEST_DAYS)
                .map(crossing -> new Reaching(
                        time(crossing.at()),
                        time(crossing.earliest()),
                        crossing.latest() - now > FURTHEST_DAYS
                                ? Optional.empty()
                                : Optional.of(time(crossing.latest()))));
    }

    private Instant time(double days) {
        return origin.plusMillis(Math.round(days * MILLIS_A_DAY));
    }
}
