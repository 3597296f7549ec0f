package rovek.server.judging.verdict;

import jakarta.annotation.Nullable;
import rovek.core.limit.Judgement;
import rovek.core.limit.Verdict;

/**
 * What is to be known beside a verdict.
 *
 * @param overruled what a person put in the place of the computed verdict; null where nobody did
 * @param anew what it was judged at first, where the limit was said later; null where it was not
 */
public record VerdictNotes(
        @Nullable Overruled overruled, @Nullable Anew anew) {

    /** @param computed what the limits came to */
    public record Overruled(Verdict computed, String because, String by, String at) {}

    /** @param saidAt when the limit that counts now was said */
    public record Anew(Verdict first, String saidAt) {}

    /** @return null where there is nothing to be known */
    public static @Nullable VerdictNotes of(Judgement judgement) {
        if (judgement.overruled().isEmpty() && judgement.anew().isEmpty()) {
            return null;
        }
        return new VerdictNotes(
                judgement
                        .overruled()
                        .map(one -> new Overruled(
                                one.computed(),
                                one.because(),
                                one.by(),
                                one.at().toString()))
                        .orElse(null),
                judgement
                        .anew()
                        .map(one -> new Anew(one.first(), one.saidAt().toString()))
                        .orElse(null));
    }
}
