package rovek.server.judging.verdict;

import rovek.core.technique.ResultDefinition;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.Names;

/** A result of a check as it is shown; blank where a check has none. */
public record ShownResult(Sentence result, String resultId, String unit, String unitLabel) {

    public static final ShownResult NONE = new ShownResult(Sentence.NONE, "", "", "");

    public static ShownResult of(ResultDefinition result) {
        return new ShownResult(Names.result(result), result.id(), result.unit().shown(), result.unitLabel());
    }
}
