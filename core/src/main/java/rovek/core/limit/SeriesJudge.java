package rovek.core.limit;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import rovek.core.trend.TimedValue;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitOfMeasure;

/**
 * Judges a result of a check over time: each value under the limit that counted at its time, with the baseline, the
 * value before and the sister assets as they were then. What came later never changes a verdict.
 *
 * @param values rising in time, all in one unit
 * @param sisters the same of each sister asset, rising in time, in the same unit
 */
public record SeriesJudge(
        List<TimedValue> values,
        UnitOfMeasure unit,
        LimitLayers limits,
        Baselines baselines,
        List<List<TimedValue>> sisters) {

    /** A sister's reading older than this says nothing about now. */
    static final Duration SISTERS_LAST = Duration.ofDays(100);

    /** A rate a day is taken over half a day at the least: a daily round is never quite a day apart. */
    static final Duration LEAST_SPAN = Duration.ofHours(12);

    private static final double SECONDS_A_DAY = 86_400;

    /**
     * A value with what came of it.
     *
     * @param limit the one that counted; empty where there was none
     */
    public record Judged(TimedValue value, Optional<LimitLayers.InForce> limit, Limit.Outcome outcome) {}

    public List<Judged> judged() {
        return judged(limits::at);
    }

    /** Which limit counts at a time. */
    @FunctionalInterface
    public interface Choice {
        Optional<LimitLayers.InForce> at(Instant time);
    }

    /** Under other limits than those that count: to see what they would have said. */
    public List<Judged> judged(Choice choice) {
        List<Judged> judged = new ArrayList<>();
        int stretch = 0;
        for (int i = 0; i < values.size(); i++) {
            Instant at = values.get(i).at();
            stretch = i > 0 && baselines.isOneStretch(values.get(i - 1).at(), at) ? stretch : i;
            Optional<LimitLayers.InForce> counting = choice.at(at);
            // Another limit has other boundaries: what was past one of the last limit's was not past one of these.
            boolean goesOn = i > stretch && judged.get(i - 1).limit().equals(counting);
            judged.add(judge(
                    i, stretch, counting, goesOn ? judged.get(i - 1).outcome().passed() : List.of()));
        }
        return judged;
    }

    /** @param stretch where the readings since the last new start begin */
    private Judged judge(int i, int stretch, Optional<LimitLayers.InForce> counting, List<Bounds.Passed> before) {
        TimedValue value = values.get(i);
        if (counting.isEmpty()) {
            return new Judged(
                    value,
                    counting,
                    Limit.Outcome.notJudged(limits.haveLimit() ? Judgement.NO_LIMIT_THEN : Judgement.NO_LIMIT));
        }
        Limit limit = counting.get().limit();
        Background background = limit.needsHistory() ? background(i, stretch, limit) : Background.NOTHING;
        return new Judged(value, counting, limit.judge(new Amount(value.value(), unit), before, background));
    }

    private Background background(int i, int stretch, Limit limit) {
        TimedValue value = values.get(i);
        int end = baselines.endOfBaseline(values, stretch, i);
        double[] baseline = values.subList(stretch, end).stream()
                .mapToDouble(TimedValue::value)
                .toArray();
        Optional<TimedValue> before = before(i, stretch);
        double days = before.map(one -> Duration.between(one.at(), value.at()).toMillis() / 1000.0 / SECONDS_A_DAY)
                .orElse(0.0);
        double[] beside = limit.needsSisters()
                ? sisters.stream()
                        .flatMap(sister -> newest(sister, value.at()).stream())
                        .mapToDouble(TimedValue::value)
                        .toArray()
                : new double[0];
        return new Background(
                baseline,
                baselines.wantedAt(value.at()),
                i < end,
                before.map(one -> OptionalDouble.of(one.value())).orElse(OptionalDouble.empty()),
                days,
                beside);
    }

    /**
     * What the rate of change is taken from: the newest value that was taken long enough before. Two readings of one
     * moment, or a minute apart, would make a rate of what is only their scatter.
     */
    private Optional<TimedValue> before(int i, int stretch) {
        Instant latest = values.get(i).at().minus(LEAST_SPAN);
        int low = stretch;
        int high = i;
        while (low < high) {
            int middle = (low + high) / 2;
            if (values.get(middle).at().isAfter(latest)) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low == stretch ? Optional.empty() : Optional.of(values.get(low - 1));
    }

    /** The last value at or before a time that is not too old to be compared with. */
    private static Optional<TimedValue> newest(List<TimedValue> sister, Instant at) {
        int found = Collections.binarySearch(sister, new TimedValue(at, 0), Comparator.comparing(TimedValue::at));
        int last = found >= 0 ? found : -found - 2;
        return last < 0 || sister.get(last).at().isBefore(at.minus(SISTERS_LAST))
                ? Optional.empty()
                : Optional.of(sister.get(last));
    }
}
