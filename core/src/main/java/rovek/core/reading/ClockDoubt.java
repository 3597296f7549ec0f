package rovek.core.reading;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import rovek.core.wording.Sentence;

/**
 * Whether the times on readings can be true. Instruments lose their clock with their battery and begin again at some
 * birth date.
 */
public final class ClockDoubt {

    private static final Duration TOLERANCE = Duration.ofMinutes(2);
    private static final Duration LONGEST_KEPT = Duration.ofDays(3 * 365);

    private ClockDoubt() {}

    /** When a reading was taken, and when it was read back: a visit may be filled in several goes. */
    public record Taken(Instant at, Instant storedAt) {}

    /**
     * Why the times cannot be true, as a sentence; empty where nothing speaks against them.
     *
     * @param taken readings of one visit
     * @param calibratedOn when their instrument was calibrated last, where it is known
     */
    public static Optional<Sentence> of(List<Taken> taken, Optional<LocalDate> calibratedOn) {
        Optional<Instant> ahead = taken.stream()
                .filter(one -> one.at().isAfter(one.storedAt().plus(TOLERANCE)))
                .map(Taken::at)
                .max(Comparator.naturalOrder());
        if (ahead.isPresent()) {
            return Optional.of(Sentence.of("reading.later", "day", day(ahead.get())));
        }
        Optional<Instant> oldest = taken.stream().map(Taken::at).min(Comparator.naturalOrder());
        if (oldest.isPresent()
                && calibratedOn
                        .filter(calibrated -> day(oldest.get()).isBefore(calibrated))
                        .isPresent()) {
            return Optional.of(Sentence.of("reading.beforeCalibration", "day", day(oldest.get())));
        }
        Optional<Instant> forgotten = taken.stream()
                .filter(one -> one.at().isBefore(one.storedAt().minus(LONGEST_KEPT)))
                .map(Taken::at)
                .min(Comparator.naturalOrder());
        return forgotten.map(at -> Sentence.of("reading.yearsBefore", "day", day(at)));
    }

    private static LocalDate day(Instant time) {
        return LocalDate.ofInstant(time, ZoneOffset.UTC);
    }
}
