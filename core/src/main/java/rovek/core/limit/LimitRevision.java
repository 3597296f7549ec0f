package rovek.core.limit;

import java.time.Instant;
import java.util.Objects;
import java.util.Optional;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * What a node said is right for a result, at one time of saying.
 *
 * @param number from 1, in the order they were said
 * @param saidAt when; empty for one that is older than such records
 * @param from the first moment it holds for; empty where for all before, too
 * @param until the first moment it no longer holds for
 * @param limit empty where there is none
 * @param isInherited whether the node says nothing from then on, so that what is above it counts
 */
public record LimitRevision(
        int number,
        Optional<Instant> saidAt,
        Optional<Instant> from,
        Optional<Instant> until,
        Optional<Limit> limit,
        boolean isInherited) {

    public LimitRevision {
        Objects.requireNonNull(saidAt, "saidAt");
        if (from.isPresent() && until.isPresent() && !from.get().isBefore(until.get())) {
            throw new Refused(Sentence.of("limit.untilBeforeFrom"));
        }
        if (isInherited && limit.isPresent()) {
            throw new IllegalArgumentException("What is inherited is not said.");
        }
    }

    boolean holdsAt(Instant time) {
        return from.filter(time::isBefore).isEmpty()
                && until.filter(end -> !time.isBefore(end)).isEmpty();
    }

    boolean wasKnownAt(Instant time) {
        return saidAt.filter(time::isBefore).isEmpty();
    }
}
