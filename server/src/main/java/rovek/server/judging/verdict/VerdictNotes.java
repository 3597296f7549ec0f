package rovek.server.judging.verdict;

import jakarta.annotation.Nullable;
import rovek.core.limit.Judgement;
import rovek.core.limit.Verdict;

/**
 * What is to be known beside a verdict.
 *
 * @param overridden what a person put in the place of the computed verdict; null where nobody did
 * @param rejudged what it was judged at first, where the limit was said later; null where it was not
 */
public record VerdictNotes(
        @Nullable Overridden overridden, @Nullable Rejudged rejudged) {

    /** @param computed what the limits came to */
    public record Overridden(Verdict computed, String because, String by, String at) {}

    /** @param saidAt when the limit that counts now was said */
    public record Rejudged(Verdict first, String saidAt) {}

    /** @return null where there is nothing to be known */
    public static @Nullable VerdictNotes of(Judgement judgement) {
        if (judgement.overridden().isEmpty() && judgement.rejudged().isEmpty()) {
            return null;
        }
        return new VerdictNotes(
                judgement
                        .overridden()
                        .map(one -> new Overridden(
                                one.computed(),
                                one.because(),
                                one.by(),
                                one.at().toString()))
                        .orElse(null),
                judgement
                        .rejudged()
                        .map(one -> new Rejudged(one.first(), one.saidAt().toString()))
                        .orElse(null));
    }
}
