package rovek.core.wording;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;

/**
 * Something that is said to people: what is said, and with which values; how it is said is in the message files of each
 * language.
 *
 * @param key of the message, e.g. {@code people.noRole}
 * @param values by the names they have in the message: texts, numbers, days and further sentences
 */
public record Sentence(String key, Map<String, Object> values) {

    /** What is worded already: by an instrument, by a person, or by an earlier version. */
    private static final String PLAIN = "base.plain";

    private static final String USUAL = "usual";

    private static final Pattern CONTROLS = Pattern.compile("\\p{Cntrl}+");

    /** Nothing is said. */
    public static final Sentence NONE = plain("");

    public Sentence {
        values = Map.copyOf(values);
    }

    /** @param namesAndValues a name, its value, the next name...; what is not there is said as nothing */
    public static Sentence of(String key, Object... namesAndValues) {
        Map<String, Object> values = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            Object value = namesAndValues[i + 1];
            values.put((String) namesAndValues[i], value == null ? "" : value);
        }
        return new Sentence(key, values);
    }

    /** A text that is worded already, as it is. */
    public static Sentence plain(String text) {
        return of(PLAIN, "text", text);
    }

    /** One sentence after the other; nothing where there are none. */
    public static Sentence joined(List<Sentence> sentences) {
        return paired("base.both", sentences);
    }

    /** One after the other with commas between; nothing where there are none. */
    public static Sentence listed(List<Sentence> sentences) {
        return paired("base.listed", sentences);
    }

    /** Half and half: however many there are, they are nested no deeper than anything can follow. */
    private static Sentence paired(String key, List<Sentence> sentences) {
        int size = sentences.size();
        if (size < 2) {
            return size == 0 ? NONE : sentences.get(0);
        }
        int half = (size + 1) / 2;
        return of(
                key,
                "one",
                paired(key, sentences.subList(0, half)),
                "next",
                paired(key, sentences.subList(half, size)));
    }

    /** The text of what is worded already; empty for what is still to be worded. */
    public Optional<String> text() {
        return key.equals(PLAIN) ? Optional.of(String.valueOf(values.get("text"))) : Optional.empty();
    }

    /**
     * What something is called that the program knows: by the message file of a language, else as it is called in the
     * program.
     */
    public static Sentence named(String key, String usual) {
        return of(key, USUAL, usual);
    }

    /** What is said where there is no message; empty for what always has one. */
    public Optional<String> usual() {
        return Optional.ofNullable((String) values.get(USUAL));
    }

    /**
     * The same with bounds: every text in it is cut off behind so many characters, and is without control characters.
     * For what outsiders put into it.
     */
    public Sentence bounded(int longest) {
        Map<String, Object> bounded = new LinkedHashMap<>();
        values.forEach((name, value) -> bounded.put(
                name,
                value instanceof Sentence part
                        ? part.bounded(longest)
                        : value instanceof String text ? printable(text, longest) : value));
        return new Sentence(key, bounded);
    }

    private static String printable(String text, int longest) {
        String printable = CONTROLS.matcher(text).replaceAll(" ").strip();
        return printable.length() <= longest ? printable : printable.substring(0, longest - 1) + "…";
    }

    /** For logs: the text where it is worded already, else the key with its values. */
    @Override
    public String toString() {
        return text().orElseGet(
                        () -> usual().orElseGet(() -> values.isEmpty() ? key : key + " " + new TreeMap<>(values)));
    }

    public boolean isBlank() {
        return text().filter(String::isBlank).isPresent();
    }
}
