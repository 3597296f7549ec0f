package rovek.core.limit;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import rovek.core.trend.TimedValue;

/**
 * The baselines of a check over time: the first readings, and those after each new start, e.g. a repair.
 *
 * @param starts rising
 */
public record Baselines(List<Start> starts) {

    /** How many readings make a baseline that names no end. */
    public static final int USUAL_READINGS = 5;

    /**
     * A new start.
     *
     * @param until the end of the baseline, itself included; empty where its first readings make it
     */
    public record Start(Instant at, Optional<Instant> until) {}

    public static final Baselines FIRST_READINGS = new Baselines(List.of());

    public Baselines {
        starts = starts.stream().sorted(Comparator.comparing(Start::at)).toList();
    }

    /** The last start at or before a time; empty before the first. */
    public Optional<Start> before(Instant time) {
        return starts.stream().filter(start -> !start.at().isAfter(time)).reduce((earlier, later) -> later);
    }

    /** Whether two times, the earlier first, lie in one and the same stretch without a new start. */
    boolean isOneStretch(Instant earlier, Instant later) {
        return before(earlier).equals(before(later));
    }

    /**
     * Where the baseline of a stretch ends, as far as it was known at one of its values.
     *
     * @param values rising in time
     * @param stretch index of the first value of the stretch
     * @param last index of the value, in the same stretch
     * @return index behind the last value of the baseline, above {@code stretch}
     */
    int endOfBaseline(List<TimedValue> values, int stretch, int last) {
        Optional<Instant> until = before(values.get(stretch).at()).flatMap(Start::until);
        int end = until.isPresent() ? stretch : Math.min(stretch + USUAL_READINGS, last + 1);
        while (until.isPresent() && end <= last && !values.get(end).at().isAfter(until.get())) {
            end++;
        }
        return end;
    }

    /** The values of one stretch that make its baseline. */
    public List<TimedValue> ofStretch(List<TimedValue> stretch) {
        return stretch.isEmpty() ? List.of() : stretch.subList(0, endOfBaseline(stretch, 0, stretch.size() - 1));
    }

    int wantedAt(Instant time) {
        return before(time).flatMap(Start::until).isPresent() ? 1 : USUAL_READINGS;
    }
}
