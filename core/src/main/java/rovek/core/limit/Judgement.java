package rovek.core.limit;

import java.time.Instant;
import java.util.Collection;
import java.util.Objects;
import java.util.Optional;
import rovek.core.wording.Sentence;

/**
 * The verdict on one reading, and how it came about.
 *
 * @param verdict that counts
 * @param reason why it was not judged, or not by all its rules, or what else kept the verdict; blank otherwise
 * @param overridden what a person put in the place of the computed verdict; empty where nobody did
 * @param rejudged what it was judged before, where the limit was said for readings that were there already
 */
public record Judgement(
        Verdict verdict, Sentence reason, Optional<Overridden> overridden, Optional<Rejudged> rejudged) {

    public static final Sentence NO_LIMIT = Sentence.of("limit.none");

    /** There is a limit, but of another time. */
    public static final Sentence NO_LIMIT_THEN = Sentence.of("limit.noneThen");

    /**
     * A person's own verdict.
     *
     * @param computed what the limits came to
     */
    public record Overridden(Verdict computed, String because, String by, Instant at) {}

    /**
     * A verdict on history.
     *
     * @param first what the reading was judged when it was stored
     * @param saidAt when the limit that counts now was said
     */
    public record Rejudged(Verdict first, Instant saidAt) {}

    public Judgement {
        Objects.requireNonNull(verdict, "verdict");
        if (verdict == Verdict.NOT_JUDGED && reason.isBlank()) {
            throw new IllegalArgumentException("What was not judged says why.");
        }
    }

    public static Judgement of(Verdict verdict, Sentence reason) {
        return new Judgement(verdict, reason, Optional.empty(), Optional.empty());
    }

    /**
     * The worst over the results of a reading.
     *
     * @param obstacle why the reading must not be judged, e.g. an overloaded sensor; blank where nothing is in the way
     * @param outcomes of the results that have a limit
     */
    public static Judgement worstOf(Sentence obstacle, Collection<Limit.Outcome> outcomes) {
        if (!obstacle.isBlank()) {
            return notJudged(obstacle);
        }
        Sentence remark = outcomes.stream()
                .map(Limit.Outcome::remark)
                .filter(one -> !one.isBlank())
                .findFirst()
                .orElse(Sentence.NONE);
        Verdict worst = RollUp.ofAll(
                        outcomes.stream().map(Limit.Outcome::verdict).toList())
                .worst();
        return of(worst, worst == Verdict.NOT_JUDGED && remark.isBlank() ? NO_LIMIT : remark);
    }

    public static Judgement notJudged(Sentence reason) {
        return of(Verdict.NOT_JUDGED, reason);
    }

    /** The same, with a person's verdict in the place of the computed one. */
    public Judgement overriddenTo(Verdict wanted, String because, String by, Instant at) {
        return new Judgement(wanted, reason, Optional.of(new Overridden(verdict, because, by, at)), rejudged);
    }

    public Judgement judgedAgain(Verdict first, Instant saidAt) {
        return new Judgement(verdict, reason, overridden, Optional.of(new Rejudged(first, saidAt)));
    }
}
