package rovek.core.reading;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rovek.core.wording.Sentence;

/**
 * What is known of an instrument's clock when it is read back: how wrong it is now, and how wrong it was when it was
 * last looked at. Where somebody has set it in between, what was taken before is corrected by the old difference, and
 * what was taken after by the new one.
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
        return before.instrumentAhead()
                        .minus(now.instrumentAhead())
                        .abs()
                        .compareTo(ClockCorrection.TOLERANCE.multipliedBy(2))
                > 0;
    }

    /**
     * The times of some readings as they truly were.
     *
     * @param takenBefore ids of readings that were taken before the clock was set
     * @param doubt why that is not certain for some; blank where it is, or nothing was set
     */
    public record Times(ClockCorrection now, ClockCorrection before, Set<String> takenBefore, Sentence doubt) {

        public Times {
            takenBefore = Set.copyOf(takenBefore);
        }

        public static final Times AS_WRITTEN =
                new Times(ClockCorrection.NONE, ClockCorrection.NONE, Set.of(), Sentence.NONE);

        public Instant correct(String id, Instant written) {
            return (takenBefore.contains(id) ? before : now).correct(written);
        }

        /** How wrong the clock was on the readings, the earlier ones where it was set between them. */
        public Duration instrumentAhead() {
            return (takenBefore.isEmpty() ? now : before).instrumentAhead();
        }
    }

    /**
     * Finds out which readings were taken before the clock was set: numbered as they were taken, true times never fall,
     * nothing was taken after it was read back, and nothing with the new difference before it was last seen with the
     * old one. Where that leaves more than one answer, as few as possible are taken to be from before, and the doubt is
     * told.
     *
     * @param readings all of one package, in any order
     */
    public Times times(List<Written> readings) {
        if (before.isEmpty() || readings.isEmpty()) {
            return new Times(now, ClockCorrection.NONE, Set.of(), Sentence.NONE);
        }
        List<Written> inOrder = readings.stream()
                .sorted(Comparator.comparingInt((Written one) -> one.id().length())
                        .thenComparing(Written::id))
                .toList();
        Cuts cuts = Cuts.of(inOrder, now, before.get(), readAt);
        int fewest = cuts.fewest();
        int most = cuts.most();
        if (fewest < 0) {
            return new Times(now, ClockCorrection.NONE, Set.of(), Sentence.of("reading.timesContradict"));
        }
        Set<String> taken = new HashSet<>();
        inOrder.subList(0, fewest).forEach(one -> taken.add(one.id()));
        Sentence doubt = most == fewest ? Sentence.NONE : Sentence.of("reading.clockSet", "readings", most - fewest);
        return new Times(now, before.get().difference(), taken, doubt);
    }

    /**
     * After how many of its readings a clock can have been set.
     *
     * @param fewest -1 where there is no such number; likewise {@code most}
     */
    private record Cuts(int fewest, int most) {

        static Cuts of(List<Written> inOrder, ClockCorrection now, Earlier earlier, Instant readAt) {
            List<Instant> asBefore = inOrder.stream()
                    .map(one -> earlier.difference().correct(one.at()))
                    .toList();
            List<Instant> asAfter =
                    inOrder.stream().map(one -> now.correct(one.at())).toList();
            int size = inOrder.size();
            int longestBefore = 0;
            while (longestBefore < size
                    && !isLater(asBefore.get(longestBefore), readAt)
                    && (longestBefore == 0 || !isLater(asBefore.get(longestBefore - 1), asBefore.get(longestBefore)))) {
                longestBefore++;
            }
            int firstAfter = size;
            while (firstAfter > 0
                    && !isLater(earlier.seenAt(), asAfter.get(firstAfter - 1))
                    && !isLater(asAfter.get(firstAfter - 1), firstAfter == size ? readAt : asAfter.get(firstAfter))) {
                firstAfter--;
            }
            int fewest = -1;
            int most = -1;
            for (int cut = firstAfter; cut <= longestBefore; cut++) {
                if (cut == 0 || cut == size || !isLater(asBefore.get(cut - 1), asAfter.get(cut))) {
                    fewest = fewest < 0 ? cut : fewest;
                    most = cut;
                }
            }
            return new Cuts(fewest, most);
        }

        /** By more than what asking for a time takes. */
        private static boolean isLater(Instant one, Instant other) {
            return one.isAfter(other.plus(ClockCorrection.TOLERANCE));
        }
    }
}
