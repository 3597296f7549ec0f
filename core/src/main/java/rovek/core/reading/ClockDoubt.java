package rovek.core.reading;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Whether the times on readings can be true. Instruments lose their clock with their battery and begin anew at some birth date. */
public final class ClockDoubt {

    private static final Duration TOLERANCE = Duration.ofMinutes(2);
    private static final Duration LONGEST_KEPT = Duration.ofDays(3 * 365);

    private ClockDoubt() {}

    /**
     * Why the times cannot be true, as a sentence; empty where nothing speaks against them.
     *
     * @param taken times of readings of one visit
     * @param storedAt when they were read back
     * @param calibratedOn when their instrument was calibrated last, where it is known
     */
    public static Optional<String> of(List<Instant> taken, Instant storedAt, Optional<LocalDate> calibratedOn) {
        Optional<Instant> newest = taken.stream().max(Comparator.naturalOrder());
        Optional<Instant> oldest = taken.stream().min(Comparator.naturalOrder());
        if (newest.filter(time -> time.isAfter(storedAt.plus(TOLERANCE))).isPresent()) {
            return Optional.of("A reading says %s, later than it was read back.".formatted(day(newest.get())));
        }
        if (oldest.isPresent() && calibratedOn.filter(calibrated -> day(oldest.get()).isBefore(calibrated)).isPresent()) {
            return Optional.of("A reading says %s, before the instrument was calibrated last: its clock was probably reset.".formatted(day(oldest.get())));
        }
        if (oldest.filter(time -> time.isBefore(storedAt.minus(LONGEST_KEPT))).isPresent()) {
            return Optional.of("A reading says %s, years before it was read back: the instrument's clock was probably reset.".formatted(day(oldest.get())));
        }
        return Optional.empty();
    }

    private static LocalDate day(Instant time) {
        return LocalDate.ofInstant(time, ZoneOffset.UTC);
    }
}
