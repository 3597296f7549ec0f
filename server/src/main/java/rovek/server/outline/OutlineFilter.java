package rovek.server.outline;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Locale;
import rovek.core.limit.Verdict;

/**
 * What is looked for in the plant. What is null does not matter.
 *
 * @param text words that occur in tag or name, or in those of what it stands in
 * @param verdict of a check that was measured
 * @param neverMeasured only checks without any reading
 * @param due only checks on a route that is to be walked today or is late
 * @param technique id
 * @param assetClass id
 */
public record OutlineFilter(
        @Nullable String text, @Nullable Verdict verdict, @Nullable Boolean neverMeasured, @Nullable Boolean due, @Nullable String technique, @Nullable String assetClass) {

    private static final int MOST_WORDS = 16;

    static final OutlineFilter EVERYTHING = new OutlineFilter(null, null, null, null, null, null);

    List<String> wordsLookedFor() {
        return text == null ? List.of() : List.of(text.strip().toLowerCase(Locale.ROOT).split("\\s+")).stream().filter(word -> !word.isEmpty()).limit(MOST_WORDS).toList();
    }

    boolean asksForChecks() {
        return verdict != null || Boolean.TRUE.equals(neverMeasured) || asksForDue() || isGiven(technique);
    }

    boolean asksForDue() {
        return Boolean.TRUE.equals(due);
    }

    boolean isEmpty() {
        return !asksForChecks() && wordsLookedFor().isEmpty() && !isGiven(assetClass);
    }

    static boolean isGiven(@Nullable String text) {
        return text != null && !text.isBlank();
    }
}
