package rovek.server.reading;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;

/**
 * All of a reading that a person can change; what the instrument gave is not among it.
 *
 * @param checkId null while it is loose
 * @param takenAt when it was taken, as is held true
 * @param discardedBecause null unless it does not count
 * @param filled what was filled in for it, {@link FilledColumn} to value
 */
public record ReadingState(
        @Nullable UUID checkId, UUID visitId, Instant takenAt, @Nullable String discardedBecause, Map<String, String> filled) {

    public ReadingState on(@Nullable UUID check) {
        return new ReadingState(check, visitId, takenAt, discardedBecause, filled);
    }

    public ReadingState in(UUID visit) {
        return new ReadingState(checkId, visit, takenAt, discardedBecause, filled);
    }

    public ReadingState at(Instant time) {
        return new ReadingState(checkId, visitId, time, discardedBecause, filled);
    }

    /** @param reason null where it counts again */
    public ReadingState discarded(@Nullable String reason) {
        return new ReadingState(checkId, visitId, takenAt, reason, filled);
    }

    public ReadingState filledWith(Map<String, String> values) {
        return new ReadingState(checkId, visitId, takenAt, discardedBecause, values);
    }
}
