package rovek.server.rounds.visit;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import rovek.server.judging.reading.ReadingView;

/**
 * The readings of one check in one visit: one of them counts there. A person's choice counts, else the one that was
 * taken for the stop, else the last. What a skipped stop was measured before it was skipped does not count, unless a
 * person says so.
 *
 * @param standing the one that counts; null where none does
 * @param others in the order they were taken
 */
record StopReadings(@Nullable ReadingView standing, List<ReadingView> others) {

    /**
     * @param all that no later reading repeats, in the order they were taken
     * @param stop of the walk; null where the check was no stop
     */
    static StopReadings of(List<ReadingView> all, @Nullable VisitEntity.Stop stop) {
        boolean isSkipped = stop != null && stop.progress().equals("skipped");
        Predicate<ReadingView> planned = reading -> isPlanned(reading, stop);
        List<ReadingView> counting = all.stream().filter(ReadingView::counts).toList();
        Optional<ReadingView> standing =
                last(counting, reading -> reading.place().chosen());
        if (isSkipped) {
            standing = standing.or(() -> last(counting, planned.negate()));
        } else {
            standing = standing.or(() -> last(counting, planned))
                    .or(() -> last(counting, any -> true))
                    .or(() -> last(all, any -> true));
        }
        ReadingView one = standing.orElse(null);
        return new StopReadings(
                one, all.stream().filter(reading -> reading != one).toList());
    }

    /** Whether a reading was taken for a stop. */
    static boolean isPlanned(ReadingView reading, @Nullable VisitEntity.Stop stop) {
        return stop != null && stop.planned().equals(reading.place().plannedFor());
    }

    private static Optional<ReadingView> last(List<ReadingView> readings, Predicate<ReadingView> wanted) {
        return readings.stream().filter(wanted).reduce((earlier, later) -> later);
    }
}
