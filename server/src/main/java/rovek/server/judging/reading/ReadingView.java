package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import rovek.core.technique.ResultDefinition;
import rovek.core.unit.Amount;
import rovek.core.wording.Sentence;

/**
 * A reading with its results.
 *
 * @param obstacle why it must not be judged; blank where nothing is in the way
 * @param replaced whether a later reading repeats it
 * @param discardedBecause null unless it was discarded
 * @param overridden a person's verdict; null where nobody gave one
 * @param filled what people filled in, {@link FilledColumn} to value
 * @param calibration of the instrument that took it
 * @param results result id to value, the leading one first
 */
public record ReadingView(
        UUID id,
        ReadingPlace place,
        ReadingSource source,
        String note,
        Sentence obstacle,
        boolean replaced,
        @Nullable String discardedBecause,
        @Nullable VerdictOverride overridden,
        Map<String, String> filled,
        InstrumentCalibration calibration,
        Map<String, Amount> results) {

    /** The check it was placed at; null while it is loose. */
    @Nullable
    public UUID checkId() {
        return place.checkId();
    }

    public UUID visitId() {
        return place.visitId();
    }

    public UUID instrumentId() {
        return source.instrumentId();
    }

    public String technique() {
        return source.technique();
    }

    public Instant takenAt() {
        return source.takenAt();
    }

    public String label() {
        return source.label();
    }

    /** When it was read back. */
    public Instant storedAt() {
        return source.storedAt();
    }

    /** What it came to for a result; empty where there is no such result. */
    public Optional<Amount> value(Optional<ResultDefinition> result) {
        return result.map(ResultDefinition::id).map(results::get);
    }

    /** Clocks differ by hours, and by time zones; not by more than this. */
    private static final Duration AHEAD = Duration.ofDays(1);

    /** Whether it counts: neither repeated nor discarded, nor later than it was read back. */
    public boolean counts() {
        return !replaced && discardedBecause == null && !isDatedAhead(takenAt(), storedAt());
    }

    /**
     * Whether a reading says that it was taken later than it was read back, which cannot be; until a person dates it,
     * it counts nowhere.
     */
    static boolean isDatedAhead(Instant takenAt, Instant storedAt) {
        return takenAt.isAfter(storedAt.plus(AHEAD));
    }
}
