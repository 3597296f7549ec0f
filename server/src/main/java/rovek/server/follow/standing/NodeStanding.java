package rovek.server.follow.standing;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import rovek.core.limit.RollUp;

/**
 * How all checks at or below a node stand together.
 *
 * @param worse how many stand worse than one reading ago
 * @param readAt of the newest reading below it
 * @param worst the check that stands worst
 * @param withoutLimit how many were measured, could be judged and are not
 */
record NodeStanding(
        RollUp verdicts, int worse, Optional<Instant> readAt, Optional<CheckStanding> worst, int withoutLimit) {

    static final NodeStanding NOTHING = new NodeStanding(RollUp.NOTHING, 0, Optional.empty(), Optional.empty(), 0);

    static NodeStanding of(CheckStanding check) {
        return new NodeStanding(
                RollUp.of(check.verdict()),
                check.gotWorse() ? 1 : 0,
                check.readAt(),
                Optional.of(check),
                check.isWithoutLimit() ? 1 : 0);
    }

    NodeStanding plus(NodeStanding other) {
        boolean otherIsLater = other.readAt.isPresent()
                && readAt.filter(own -> !own.isBefore(other.readAt.get())).isEmpty();
        boolean otherIsWorse = other.worst.isPresent()
                && worst.filter(own -> own.badness() >= other.worst.get().badness())
                        .isEmpty();
        return new NodeStanding(
                verdicts.plus(other.verdicts),
                worse + other.worse,
                otherIsLater ? other.readAt : readAt,
                otherIsWorse ? other.worst : worst,
                withoutLimit + other.withoutLimit);
    }

    Standing view(UUID node) {
        return new Standing(
                node,
                verdicts.worst(),
                verdicts.pass(),
                verdicts.watch(),
                verdicts.fail(),
                verdicts.notJudged(),
                worse,
                readAt.map(Instant::toString).orElse(null),
                worst.map(check -> Arrays.stream(check.values()).boxed().toList())
                        .orElse(List.of()),
                worst.flatMap(CheckStanding::fail).orElse(null));
    }
}
