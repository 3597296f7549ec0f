package rovek.core.reading;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What is known of an instrument's clock when it is read back: how wrong it is now, and how wrong it was when it was last looked at. Where somebody has
 * set it in between, what was taken before is corrected by the old difference, and what was taken after by the new one.
 *
 * @param now how wrong it is
 * @param before how wrong it was; empty where nobody has set it since it was last looked at, or that is not known
 * @param readAt true time of reading back
 */
public record ClockState(ClockCorrection now, Optional<Earlier> before, Instant readAt) {

    /**
     * An earlier look.
     *
     * @param seenAt true time of the look
     */
    public record Earlier(ClockCorrection difference, Instant seenAt) {}

    /** A reading as the instrument numbered and dated it. */
    public record Written(String id, Instant at) {}

    /** Times that need no correction, or that nobody can correct. */
    public static ClockState right(Instant readAt) {
        return new ClockState(ClockCorrection.NONE, Optional.empty(), readAt);
    }

    /** With an earlier look at it, which says something where the clock was set since. */
    public static ClockState of(ClockCorrection now, Optional<Earlier> earlier, Instant readAt) {
        return new ClockState(now, earlier.filter(one -> isSet(one.difference(), now)), readAt);
    }

    /** Whether a clock was set between two looks: it differs by more than what asking takes. */
    public static boolean isSet(ClockCorrection before, ClockCorrection now) {
        return before.instrumentAhead().minus(now.instrumentAhead()).abs().compareTo(ClockCorrection.TOLERANCE.multipliedBy(2)) > 0;
    }

    /**
     * The times of some readings as they truly were.
     *
     * @param takenBefore ids of readings that were taken before the clock was set
     * @param doubt why that is not certain for some; blank where it is, or nothing was set
     */
    public record Times(ClockCorrection now, ClockCorrection before, Set<String> takenBefore, String doubt) {

        public Times {
            takenBefore = Set.copyOf(takenBefore);
        }

        public static final Times AS_WRITTEN = new Times(ClockCorrection.NONE, ClockCorrection.NONE, Set.of(), "");

        public Instant correct(String id, Instant written) {
            return (takenBefore.contains(id) ? before : now).correct(written);
        }

        /** How wrong the clock was on the readings, the earlier ones where it was set between them. */
        public Duration instrumentAhead() {
            return (takenBefore.isEmpty() ? now : before).instrumentAhead();
        }
    }

    /**
     * Finds out which readings were taken before the clock was set: numbered as they were taken, true times never fall, nothing was taken after it was read
     * back, and nothing with the new difference before it was last seen with the old one. Where that leaves more than one answer, as few as possible
     * are taken to be from before, and the doubt is told.
     *
     * @param readings all of one package, in any order
     */
    public Times times(List<Written> readings) {
        if (before.isEmpty() || readings.isEmpty()) {
            return new Times(now, ClockCorrection.NONE, Set.of(), "");
        }
        List<Written> inOrder = readings.stream()
                .sorted(Comparator.comparingInt((Written one) -> one.id().length()).thenComparing(Written::id))
                .toList();
        int fewest = -1;
        int most = -1;
        for (int count = 0; count <= inOrder.size(); count++) {
            if (isPossible(inOrder, count)) {
                fewest = fewest < 0 ? count : fewest;
                most = count;
            }
        }
        if (fewest < 0) {
            return new Times(now, ClockCorrection.NONE, Set.of(), "Somebody has set the instrument's clock, and the times of its readings contradict each other.");
        }
        Set<String> taken = new HashSet<>();
        inOrder.subList(0, fewest).forEach(one -> taken.add(one.id()));
        String doubt = most == fewest ? "" : "Somebody has set the instrument's clock since it was last looked at. Of %d %s it is not certain whether before or after."
                .formatted(most - fewest, most - fewest == 1 ? "reading" : "readings");
        return new Times(now, before.get().difference(), taken, doubt);
    }

    /** Whether the first so many can have been taken before the clock was set, and the others after. */
    private boolean isPossible(List<Written> inOrder, int count) {
        Earlier earlier = before.orElseThrow();
        Instant latest = readAt.plus(ClockCorrection.TOLERANCE);
        Instant last = earlier.seenAt();
        for (int i = 0; i < inOrder.size(); i++) {
            boolean isAfter = i >= count;
            Instant at = (isAfter ? now : earlier.difference()).correct(inOrder.get(i).at());
            boolean isTooSoon = isAfter && at.isBefore(earlier.seenAt().minus(ClockCorrection.TOLERANCE));
            // Differences are known as well as asking takes no time.
            boolean isBackwards = i > 0 && at.isBefore(last.minus(ClockCorrection.TOLERANCE));
            if (isTooSoon || isBackwards || at.isAfter(latest)) {
                return false;
            }
            last = at;
        }
        return true;
    }
}
