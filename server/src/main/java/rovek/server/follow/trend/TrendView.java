package rovek.server.follow.trend;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import rovek.core.limit.Verdict;
import rovek.core.wording.Sentence;
import rovek.server.judging.reading.ResultCourse.Stretch;
import rovek.server.judging.verdict.ShownResult;
import rovek.server.judging.verdict.VerdictNotes;
import rovek.server.plant.event.PlantEvent;

/**
 * A result of a check over time.
 *
 * @param lines the boundaries as they held over time
 * @param baselines the stretches of time that make baselines
 * @param events what happened meanwhile
 * @param course where it is going; null where that was not asked, or nothing was measured
 * @param others the check's other results that can be followed
 * @param sisters the same check on the sister assets
 * @param zone time zone of the site
 */
public record TrendView(
        UUID checkId,
        String title,
        String assetTag,
        @JsonUnwrapped ShownResult shown,
        @JsonUnwrapped Measured measured,
        List<LimitStep> lines,
        List<BaselinePeriod> baselines,
        List<PlantEvent> events,
        @Nullable Course course,
        List<NamedResult> others,
        List<Sister> sisters,
        String zone) {

    /**
     * What was measured in a period.
     *
     * @param points as they were taken, oldest first; empty where there are too many to be told one by one
     * @param stretches the same, thinned without losing any least or largest value; empty where the points are told
     * @param readings how many there are in the period
     * @param firstAt when the first of all was taken, whatever the period; null where there is none; likewise
     *     {@code lastAt}
     */
    public record Measured(
            List<TrendPoint> points,
            List<Stretch> stretches,
            long readings,
            @Nullable String firstAt,
            @Nullable String lastAt) {}

    /** One reading. */
    public record TrendPoint(
            UUID readingId,
            String at,
            double value,
            Verdict verdict,
            Sentence reason,
            @Nullable VerdictNotes notes) {}

    /**
     * Boundaries that held for a while.
     *
     * @param from null where they held from the beginning
     * @param to null where they still hold
     * @param said the limit in words; blank where there was none
     */
    public record LimitStep(
            @Nullable String from,
            @Nullable String to,
            @Nullable Double watch,
            @Nullable Double fail,
            @Nullable Double watchLow,
            @Nullable Double failLow,
            String said) {}

    /** A stretch of time. */
    public record BaselinePeriod(String from, String to) {}

    /** A further result. */
    public record NamedResult(String id, Sentence name) {}

    /** A sister asset's check. */
    public record Sister(UUID checkId, String assetTag, String assetName) {}

    /**
     * Where the values are going.
     *
     * @param finding {@code TOO_FEW} readings to say, {@code NONE} (no significant trend), or {@code TREND}
     * @param since the first reading the line goes by; null where there is no line; likewise the others
     * @param isGrowth whether it changes faster and faster
     * @param isUneven whether it changes neither along a line nor faster and faster: there is no path and no date
     * @param perDay at the newest reading, in the unit a day
     * @param probability of so clear an order without any trend
     * @param path the line, from {@code since} up to the newest reading or the date of reaching
     * @param reaching when the line reaches the next boundary; null where it does not
     */
    public record Course(
            Finding finding,
            int readings,
            @Nullable String since,
            boolean isGrowth,
            boolean isUneven,
            double perDay,
            double probability,
            List<PathPoint> path,
            @Nullable Reaching reaching) {}

    /** What can be said of a course. */
    public enum Finding {
        TOO_FEW,
        NONE,
        TREND
    }

    /** A point of the line. */
    public record PathPoint(String at, double value) {}

    /**
     * When a boundary is reached.
     *
     * @param boundary {@code WATCH} or {@code FAIL}
     * @param latest null where it may well never be reached
     */
    public record Reaching(
            Verdict boundary,
            double value,
            String at,
            String earliest,
            @Nullable String latest) {}
}
