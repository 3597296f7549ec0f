package rovek.core.reading;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * What somebody typed on an instrument to say where they are, as words in small letters without punctuation. Tags are
 * typed as one finds them: "p 101", "P101" and "P-101" are one tag.
 */
public record TypedLabel(List<String> words) {

    public TypedLabel {
        words = List.copyOf(words);
    }

    public static TypedLabel of(String typed) {
        return new TypedLabel(Arrays.stream(typed.toLowerCase(Locale.ROOT).split("[\\s,;/]+"))
                .map(TypedLabel::plain)
                .filter(word -> !word.isEmpty())
                .toList());
    }

    private static String plain(String word) {
        return word.replaceAll("[^\\p{L}\\p{N}]", "");
    }

    /** Whether a tag stands in it as a word of its own, or as two beside each other. */
    public boolean names(String tag) {
        String wanted = plain(tag.toLowerCase(Locale.ROOT));
        for (int i = 0; i < words.size() && !wanted.isEmpty(); i++) {
            if (words.get(i).equals(wanted)
                    || (i + 1 < words.size() && (words.get(i) + words.get(i + 1)).equals(wanted))) {
                return true;
            }
        }
        return false;
    }

    /** Whether it has all words of a name. */
    public boolean says(String name) {
        List<String> wanted = of(name).words();
        return wanted.stream().anyMatch(TypedLabel::isTelling)
                && Set.copyOf(words).containsAll(wanted);
    }

    /** Whether it has any word of a name that is long enough to mean something. */
    public boolean sharesAWordWith(String name) {
        return of(name).words().stream().filter(TypedLabel::isTelling).anyMatch(words::contains);
    }

    private static boolean isTelling(String word) {
        return word.length() > 2;
    }

    /** Whether it says a point in full, or by its initials: "NDE" is "Non-drive end". */
    public boolean saysPoint(String point) {
        StringBuilder initials = new StringBuilder();
        for (String part : point.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+")) {
            initials.append(part.isEmpty() ? "" : part.substring(0, 1));
        }
        return says(point) || (initials.length() > 1 && words.contains(initials.toString()));
    }
}
