package rovek.server.intake.entry;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import rovek.server.base.web.LongText;

/**
 * What somebody wrote down.
 *
 * @param walkId of this round, chosen by the caller: sent again it is the same round
 * @param routeId null where no route was walked
 */
public record WrittenRound(
        UUID walkId, @Nullable UUID routeId, List<WrittenReading> readings, List<SkippedStop> skipped) {

    /**
     * One thing that was written down.
     *
     * @param id chosen by the caller: sent again it is the same reading
     * @param takenAt ISO 8601 with its offset
     * @param written a number, yes or no, or words, as the check asks
     */
    public record WrittenReading(
            UUID id, UUID checkId, String takenAt, String written, String note, List<WrittenPhoto> photos) {}

    /** @param base64 of a PNG or JPEG file */
    public record WrittenPhoto(@LongText String base64) {}

    /** A stop that was left out, and why. */
    public record SkippedStop(UUID checkId, String reason) {}
}
