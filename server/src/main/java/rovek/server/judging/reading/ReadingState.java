package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;

/**
 * All of a reading that a person can change; what the instrument gave is not among it.
 *
 * @param checkId null while it is loose
 * @param takenAt when it was taken, as is held true
 * @param discardedBecause null unless it does not count
 * @param filled what was filled in for it, {@link FilledColumn} to value
 * @param chosen whether a person chose it to count at its stop
 * @param overridden a person's verdict; null where nobody gave one
 */
public record ReadingState(
        @Nullable UUID checkId,
        UUID visitId,
        Instant takenAt,
        @Nullable String discardedBecause,
        Map<String, String> filled,
        @Nullable VerdictOverride overridden,
        boolean chosen) {

    /** A verdict on one machine is none on another, and what was chosen at one stop is not at another. */
    public ReadingState on(@Nullable UUID check) {
        boolean isThere = Objects.equals(check, checkId);
        return new ReadingState(
                check, visitId, takenAt, discardedBecause, filled, isThere ? overridden : null, isThere && chosen);
    }

    public ReadingState in(UUID visit) {
        return new ReadingState(
                checkId, visit, takenAt, discardedBecause, filled, overridden, visit.equals(visitId) && chosen);
    }

    public ReadingState at(Instant time) {
        return new ReadingState(checkId, visitId, time, discardedBecause, filled, overridden, chosen);
    }

    /** @param reason null where it counts again */
    public ReadingState discarded(@Nullable String reason) {
        return new ReadingState(checkId, visitId, takenAt, reason, filled, overridden, chosen);
    }

    public ReadingState filledWith(Map<String, String> values) {
        return new ReadingState(checkId, visitId, takenAt, discardedBecause, values, overridden, chosen);
    }

    /** @param verdictOverride null where the computed verdict counts again */
    public ReadingState overriddenBy(@Nullable VerdictOverride verdictOverride) {
        return new ReadingState(checkId, visitId, takenAt, discardedBecause, filled, verdictOverride, chosen);
    }

    public ReadingState chosen(boolean counts) {
        return new ReadingState(checkId, visitId, takenAt, discardedBecause, filled, overridden, counts);
    }
}
