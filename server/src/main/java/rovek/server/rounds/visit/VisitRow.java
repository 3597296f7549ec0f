package rovek.server.rounds.visit;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import rovek.core.limit.Verdict;
import rovek.core.wording.Sentence;
import rovek.server.judging.verdict.Boundaries;
import rovek.server.judging.verdict.ShownVerdict;

/**
 * A stop with what was found.
 *
 * @param readingId null where nothing was measured
 * @param progress to do, begun, done or skipped
 * @param value of the leading result; null where there is none
 * @param change since the reading before; null where there was none
 * @param repeats how many readings it replaced
 * @param filled what was filled in for it, column to value
 * @param others further readings of the same check in this visit, which do not count here
 */
public record VisitRow(
        @JsonUnwrapped StopPlace place,
        @Nullable UUID readingId,
        String progress,
        @Nullable Double value,
        String unit,
        @JsonUnwrapped Boundaries boundaries,
        @Nullable Double change,
        @JsonUnwrapped ShownVerdict shown,
        String note,
        int repeats,
        @Nullable String discardedBecause,
        @JsonUnwrapped Oddity oddity,
        Map<String, String> filled,
        List<OtherReading> others) {

    public UUID checkId() {
        return place.checkId();
    }

    /** Where a stop is. */
    public record StopPlace(
            UUID checkId, UUID assetId, String assetTag, String assetName, String point, String check) {}

    /**
     * What looks odd about a reading.
     *
     * @param swappedWith what it was perhaps swapped with, in words; blank where nothing looks so,
     *     {@code swappedWithId} null then
     * @param isAccidental whether it looks as if nothing had been measured
     */
    public record Oddity(String swappedWith, @Nullable UUID swappedWithId, boolean isAccidental) {}

    /**
     * A reading that does not count at its stop because another one does.
     *
     * @param isPlanned whether it was taken for the stop
     * @param value of the leading result, in the row's unit; null where there is none
     */
    public record OtherReading(
            UUID readingId,
            String takenAt,
            boolean isPlanned,
            @Nullable Double value,
            Verdict verdict,
            Sentence reason,
            String note,
            @Nullable String discardedBecause) {}
}
