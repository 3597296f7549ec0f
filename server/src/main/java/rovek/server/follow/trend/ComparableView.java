package rovek.server.follow.trend;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import rovek.core.limit.Verdict;
import rovek.core.wording.Sentence;

/**
 * What readings of a check can be laid beside.
 *
 * @param own its own readings, the newest first
 * @param sisters the newest reading of the same check on each sister asset
 * @param calculatedOtherwise how many of its own were calculated otherwise than the check is set now
 */
public record ComparableView(List<Comparable> own, List<Comparable> sisters, int calculatedOtherwise) {

    /** @param assetTag of the asset it was taken on, its name where it has no tag */
    public record Comparable(UUID readingId, String at, String assetTag) {}

    /**
     * One result of a reading.
     *
     * @param watch boundary in the result's unit, null where there is none; likewise the others
     */
    public record ResultLine(
            String resultId,
            Sentence name,
            double value,
            String unit,
            @Nullable Double watch,
            @Nullable Double fail,
            @Nullable Double watchLow,
            @Nullable Double failLow,
            boolean isLower,
            Verdict verdict) {}
}
