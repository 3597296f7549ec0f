package rovek.server.judging.verdict;

import jakarta.annotation.Nullable;
import rovek.core.limit.Judgement;
import rovek.core.limit.Verdict;
import rovek.core.wording.Sentence;

/**
 * A verdict as it is shown.
 *
 * @param reason why it was not judged; blank where it was
 * @param notes what is to be known beside it; null where there is nothing
 */
public record ShownVerdict(
        Verdict verdict, Sentence reason, @Nullable VerdictNotes notes) {

    public static ShownVerdict of(Judgement judgement) {
        return new ShownVerdict(judgement.verdict(), judgement.reason(), VerdictNotes.of(judgement));
    }
}
