package rovek.core.route;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * When a route is to be walked.
 *
 * @param everyDays days from one walk to the next, 1 or more
 * @param first when it is due as long as it was never walked
 * @param lastWalked the day of the latest walk
 */
public record DueDates(int everyDays, LocalDate first, Optional<LocalDate> lastWalked) {

    public DueDates {
        if (everyDays < 1) {
            throw new IllegalArgumentException(
                    "A route is walked every day or less often, not every %d days.".formatted(everyDays));
        }
    }

    /** The next day it is due; in the past where it was missed. Counted from the day it was really walked. */
    public LocalDate next() {
        return lastWalked.map(day -> day.plusDays(everyDays)).orElse(first);
    }

    /** Days it is late; 0 where it is not due, or due today. */
    public long daysLate(LocalDate today) {
        return Math.max(0, next().until(today, java.time.temporal.ChronoUnit.DAYS));
    }

    /**
     * The days it falls on in a stretch of days, if each walk is done on its day. One that is overdue falls on today.
     *
     * @param days how many days are looked at, today included
     */
    public List<LocalDate> within(LocalDate today, int days) {
        List<LocalDate> found = new ArrayList<>();
        LocalDate day = next().isBefore(today) ? today : next();
        for (LocalDate end = today.plusDays(days); day.isBefore(end); day = day.plusDays(everyDays)) {
            found.add(day);
        }
        return found;
    }
}
