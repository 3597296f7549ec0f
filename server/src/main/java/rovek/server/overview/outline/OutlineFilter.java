package rovek.server.overview.outline;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import rovek.core.limit.Verdict;
import rovek.core.nameplate.AssetClasses;
import rovek.core.plant.Node;

/**
 * What is looked for in the plant. What is null does not matter.
 *
 * @param text words that occur in tag or name, or in those of what it stands in
 * @param verdict of a check that was measured
 * @param neverMeasured only checks without any reading
 * @param due only checks on a route that is to be walked today or is late
 * @param technique id
 * @param assetClass id
 * @param criticality as on the nameplate of the asset, or of what it stands in
 * @param within a node: only what stands at or below it
 */
public record OutlineFilter(
        @Nullable String text,
        @Nullable Verdict verdict,
        @Nullable Boolean neverMeasured,
        @Nullable Boolean due,
        @Nullable String technique,
        @Nullable String assetClass,
        @Nullable String criticality,
        @Nullable UUID within) {

    private static final int MOST_WORDS = 16;

    static final OutlineFilter EVERYTHING = ofText(null);

    static OutlineFilter ofText(@Nullable String text) {
        return new OutlineFilter(text, null, null, null, null, null, null, null);
    }

    List<String> wordsLookedFor() {
        return text == null
                ? List.of()
                : List.of(text.strip().toLowerCase(Locale.ROOT).split("\\s+")).stream()
                        .filter(word -> !word.isEmpty())
                        .limit(MOST_WORDS)
                        .toList();
    }

    boolean asksForChecks() {
        return verdict != null || Boolean.TRUE.equals(neverMeasured) || asksForDue() || isGiven(technique);
    }

    boolean asksForDue() {
        return Boolean.TRUE.equals(due);
    }

    boolean isEmpty() {
        return !asksForChecks()
                && wordsLookedFor().isEmpty()
                && !isGiven(assetClass)
                && !isGiven(criticality)
                && within == null;
    }

    /**
     * Whether a node, going by what it says of itself, is what is looked for where no words and no checks are asked
     * for.
     */
    boolean isMetBy(Node node) {
        if (isGiven(assetClass) || isGiven(criticality)) {
            return node.assetClass().equals(assetClass)
                    || (isGiven(criticality) && criticality.equals(criticalityOf(node)));
        }
        return node.id().equals(within);
    }

    static String criticalityOf(Node node) {
        return node.nameplate().getOrDefault(AssetClasses.CRITICALITY, "");
    }

    static boolean isGiven(@Nullable String text) {
        return text != null && !text.isBlank();
    }
}
