package rovek.core.limit;

import java.util.List;
import java.util.Map;
import rovek.core.technique.Analysis;
import rovek.core.technique.Result;

/**
 * The verdict on one reading.
 *
 * @param verdict the worst over the results that have a limit
 * @param reason why it was not judged; empty otherwise
 */
public record Judgement(Verdict verdict, String reason) {

    public static final String NO_LIMIT = "no limit is set";

    /**
     * Judges an analysis.
     *
     * @param limits result id to limit
     */
    public static Judgement of(Analysis analysis, Map<String, Limit> limits) {
        return of(analysis.results(), analysis.reasonNotToJudge(), limits);
    }

    /**
     * Judges results whose analysis was made before.
     *
     * @param obstacle why the reading must not be judged, e.g. an overloaded sensor; blank where nothing is in the way
     */
    public static Judgement of(List<Result> results, String obstacle, Map<String, Limit> limits) {
        if (!obstacle.isBlank()) {
            return new Judgement(Verdict.NOT_JUDGED, obstacle);
        }
        RollUp judged = RollUp.ofAll(results.stream()
                .filter(result -> limits.containsKey(result.definition().id()))
                .map(result -> limits.get(result.definition().id()).judge(result.value()))
                .toList());
        return judged.total() == 0
                ? new Judgement(Verdict.NOT_JUDGED, results.isEmpty() ? "there is no result" : NO_LIMIT)
                : new Judgement(judged.worst(), "");
    }
}
