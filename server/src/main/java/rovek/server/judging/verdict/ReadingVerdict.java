package rovek.server.judging.verdict;

import java.util.Map;
import java.util.Optional;
import rovek.core.limit.Judgement;
import rovek.core.limit.Limit;
import rovek.core.limit.LimitLayers;
import rovek.core.limit.Verdict;
import rovek.core.technique.ResultDefinition;
import rovek.core.wording.Sentence;

/**
 * How a reading was judged.
 *
 * @param results result id to how that one was, of those that have a limit
 */
public record ReadingVerdict(Judgement judgement, Map<String, OfResult> results) {

    /** How one result was judged, and by what limit. */
    public record OfResult(Limit.Outcome outcome, LimitLayers.InForce limit) {}

    /** What a result is shown beside: the boundaries that held for it. */
    public Boundaries boundaries(Optional<ResultDefinition> result) {
        return result.map(ResultDefinition::id)
                .map(results::get)
                .map(one -> Boundaries.of(one.outcome().bounds()))
                .orElse(Boundaries.NONE);
    }

    /**
     * The same of one result alone. A person's verdict is one on the whole reading: it stands on every result that came
     * to worse than it, or to the same as the reading did.
     */
    public ReadingVerdict onlyOn(String resultId) {
        Map<String, OfResult> own = results.containsKey(resultId) ? Map.of(resultId, results.get(resultId)) : Map.of();
        Judgement computed = Judgement.worstOf(
                Sentence.NONE, own.values().stream().map(OfResult::outcome).toList());
        Verdict ofAll =
                judgement.overridden().map(Judgement.Overridden::computed).orElse(judgement.verdict());
        boolean speaksForAll = computed.verdict() == ofAll
                || (judgement.overridden().isPresent() && isWorse(computed.verdict(), judgement.verdict()));
        boolean isObstructed = ofAll == Verdict.NOT_JUDGED;
        return new ReadingVerdict(speaksForAll || isObstructed ? judgement : computed, own);
    }

    private static boolean isWorse(Verdict one, Verdict other) {
        return one != Verdict.NOT_JUDGED && one.ordinal() > other.ordinal();
    }
}
