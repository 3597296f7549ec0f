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
 * Judges a result of a check over time: each value under the limit that counted at its time, with the baseline, the value
 * before and the sister assets as they were then. What came later never changes a verdict.
 *
 * @param values rising in time, all in one unit
 * @param sisters the same of each sister asset, rising in time, in the same unit
 */
public record SeriesJudge(List<TimedValue> values, UnitOfMeasure unit, LimitLayers limits, Baselines baselines, List<List<TimedValue>> sisters) {

    /** A sister's reading older than this says nothing about now. */
    static final Duration SISTERS_LAST = Duration.ofDays(100);

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
            judged.add(judge(i, stretch, choice.at(at), i == stretch ? Verdict.NOT_JUDGED : judged.get(i - 1).outcome().verdict()));
        }
        return judged;
    }

    /** @param stretch where the readings since the last new start begin */
    private Judged judge(int i, int stretch, Optional<LimitLayers.InForce> counting, Verdict before) {
        TimedValue value = values.get(i);
        if (counting.isEmpty()) {
            return new Judged(value, counting, new Limit.Outcome(Verdict.NOT_JUDGED, Judgement.NO_LIMIT, List.of()));
        }
        Limit limit = counting.get().limit();
        Background background = limit.needsHistory() ? background(i, stretch, limit) : Background.NOTHING;
        return new Judged(value, counting, limit.judge(new Amount(value.value(), unit), before, background));
    }

    private Background background(int i, int stretch, Limit limit) {
        TimedValue value = values.get(i);
        int end = baselines.endOfBaseline(values, stretch, i);
        double[] baseline = values.subList(stretch, end).stream().mapToDouble(TimedValue::value).toArray();
        double days = i == stretch ? 0 : Duration.between(values.get(i - 1).at(), value.at()).toMillis() / 1000.0 / SECONDS_A_DAY;
        OptionalDouble before = days > 0 ? OptionalDouble.of(values.get(i - 1).value()) : OptionalDouble.empty();
        double[] beside = limit.needsSisters()
                ? sisters.stream().flatMap(sister -> newest(sister, value.at()).stream()).mapToDouble(TimedValue::value).toArray()
                : new double[0];
        return new Background(baseline, baselines.wantedAt(value.at()), i < end, before, days, beside);
    }

    /** The last value at or before a time that is not too old to be compared with. */
    private static Optional<TimedValue> newest(List<TimedValue> sister, Instant at) {
        int found = Collections.binarySearch(sister, new TimedValue(at, 0), Comparator.comparing(TimedValue::at));
        int last = found >= 0 ? found : -found - 2;
        return last < 0 || sister.get(last).at().isBefore(at.minus(SISTERS_LAST)) ? Optional.empty() : Optional.of(sister.get(last));
    }
}
