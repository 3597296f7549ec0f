package rovek.server.follow.standing;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import rovek.core.limit.Verdict;

/**
 * How one node stands.
 *
 * @param worst of all checks at or below it; not judged only where nothing was
 * @param worse how many of its checks stand worse than one reading ago
 * @param readAt the newest reading below it; null where there is none
 * @param spark values of its worst check, oldest first
 * @param sparkFail the fail boundary belonging to them, null where there is none
 */
public record Standing(
        UUID nodeId,
        Verdict worst,
        int pass,
        int watch,
        int fail,
        int notJudged,
        int worse,
        @Nullable String readAt,
        List<Double> spark,
        @Nullable Double sparkFail) {}
