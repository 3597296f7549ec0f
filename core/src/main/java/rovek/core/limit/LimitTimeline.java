package rovek.core.limit;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * What a node said over the years is right for a result. Where two revisions hold at a time, the one that was said
 * later counts.
 *
 * <p>Written as revisions separated by " || ", each with when it was said and what it holds for: {@code [said
 * 2026-03-01T10:00:00Z from 2026-03-01T00:00:00Z until 2027-01-01T00:00:00Z] 2.8/4.5 mm/s}. All in the brackets, and
 * the brackets themselves, may be missing.
 *
 * @param revisions in the order they were said, numbered from 1
 */
public record LimitTimeline(List<LimitRevision> revisions) {

    private static final String NEXT = " || ";
    private static final String INHERITED = "inherited";

    public LimitTimeline {
        revisions = List.copyOf(revisions);
    }

    /** What counts at a time; empty where nothing is said of it. */
    public Optional<LimitRevision> at(Instant time) {
        return lastOf(
                revisions.stream().filter(revision -> revision.holdsAt(time)).toList());
    }

    /** What counted at a time, by what was said until another time. */
    public Optional<LimitRevision> at(Instant time, Instant known) {
        return lastOf(revisions.stream()
                .filter(revision -> revision.holdsAt(time) && revision.wasKnownAt(known))
                .toList());
    }

    private static Optional<LimitRevision> lastOf(List<LimitRevision> holding) {
        return holding.isEmpty() ? Optional.empty() : Optional.of(holding.get(holding.size() - 1));
    }

    /** Whether all that was ever said can be compared with values in a unit. */
    public boolean isFor(UnitOfMeasure unit) {
        return revisions.stream().flatMap(revision -> revision.limit().stream()).allMatch(limit -> limit.isFor(unit));
    }

    /** The same with one revision more. */
    public LimitTimeline saying(
            Optional<Instant> saidAt,
            Optional<Instant> from,
            Optional<Instant> until,
            Optional<Limit> limit,
            boolean isInherited) {
        List<LimitRevision> all = new ArrayList<>(revisions);
        all.add(new LimitRevision(revisions.size() + 1, saidAt, from, until, limit, isInherited));
        return new LimitTimeline(all);
    }

    public static final LimitTimeline EMPTY = new LimitTimeline(List.of());

    /** @param sense of the result it is for */
    public String write(Sense sense) {
        return revisions.stream().map(revision -> write(revision, sense)).collect(Collectors.joining(NEXT));
    }

    private static String write(LimitRevision revision, Sense sense) {
        String head = revision.saidAt().map(time -> " said " + time).orElse("")
                + revision.from().map(time -> " from " + time).orElse("")
                + revision.until().map(time -> " until " + time).orElse("");
        String body = revision.isInherited()
                ? INHERITED
                : revision.limit().map(limit -> LimitText.write(limit, sense)).orElse("-/-");
        return head.isEmpty() ? body : "[" + head.strip() + "] " + body;
    }

    /** Whether a text says when it holds: else it is a limit as a person types it. */
    private static boolean isDated(String text) {
        return text.startsWith("[") || text.contains(NEXT);
    }

    /**
     * What is written once a person typed a limit over what stood there: it holds from now on, and what was said before
     * stays. The first limit holds for all before, too. A dated text is taken as it is, and a blank one takes all away.
     */
    public static String continued(String before, String typed, Instant now) {
        if (typed.isBlank() || isDated(typed)) {
            return typed;
        }
        return before.isBlank()
                ? "[said %s] %s".formatted(now, typed)
                : "%s%s[said %s from %s] %s".formatted(before, NEXT, now, now, typed);
    }

    /**
     * What is kept of a limit that was typed: its numbers in the result's own unit, whichever known unit they were
     * typed in. What is dated, in that unit already, or cannot be read stays as typed.
     */
    public static String kept(String typed, ResultDefinition result, KnownUnits units) {
        if (typed.isBlank() || isDated(typed)) {
            return typed;
        }
        try {
            return LimitText.parse(typed, result.sense(), units)
                    .filter(limit -> limit.unit()
                            .filter(unit -> !unit.equals(result.unit()) && unit.isComparableTo(result.unit()))
                            .isPresent())
                    .map(limit -> LimitText.write(limit.in(result.unit()), result.sense()))
                    .orElse(typed);
        } catch (Refused unreadable) {
            return typed;
        }
    }

    /** @throws IllegalArgumentException where it is not written as a limit is, or says what no limit can */
    public static LimitTimeline parse(String text, Sense sense) {
        LimitTimeline timeline = EMPTY;
        for (String part : text.split(" \\|\\| ")) {
            int end = part.startsWith("[") ? part.indexOf("] ") : -1;
            if (part.startsWith("[") && end < 0) {
                throw new Refused(Sentence.of("limit.openBracket", "text", part));
            }
            List<String> head =
                    end < 0 ? List.of() : List.of(part.substring(1, end).split(" "));
            String body = end < 0 ? part : part.substring(end + 2);
            boolean isInherited = body.equals(INHERITED);
            timeline = timeline.saying(
                    time(head, "said"),
                    time(head, "from"),
                    time(head, "until"),
                    isInherited ? Optional.empty() : LimitText.parse(body, sense),
                    isInherited);
        }
        return timeline;
    }

    private static Optional<Instant> time(List<String> head, String word) {
        int at = head.indexOf(word);
        if (at < 0) {
            return Optional.empty();
        }
        try {
            return Optional.of(Instant.parse(head.get(at + 1)));
        } catch (DateTimeException | IndexOutOfBoundsException notSo) {
            throw new Refused(Sentence.of("limit.malformedTime"));
        }
    }
}
