package rovek.core.plant.template;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** Many tags in one line: "P-201..P-240", "P-201..240", "P-201, P-205, P-210..212". */
public final class TagPattern {

    /** More in one go is likelier a slip of the hand than a plant. */
    public static final int MOST_TAGS = 1_000;

    private static final Pattern ENDS_IN_NUMBER = Pattern.compile("^(.*?)(\\d{1,9})$");

    private TagPattern() {}

    /**
     * @return the tags in order
     * @throws IllegalArgumentException with a sentence, where a range cannot be counted or is too long
     */
    public static List<String> expand(String pattern) {
        List<String> tags = new ArrayList<>();
        for (String piece : pattern.split("[,;\\n]")) {
            String text = piece.strip();
            if (!text.isEmpty()) {
                tags.addAll(expandOne(text));
            }
            if (tags.size() > MOST_TAGS) {
                throw new Refused(Sentence.of("plant.tooManyTags", "most", MOST_TAGS));
            }
        }
        return tags;
    }

    private static List<String> expandOne(String text) {
        int dots = text.indexOf("..");
        if (dots < 0) {
            return List.of(text);
        }
        Matcher from = ENDS_IN_NUMBER.matcher(text.substring(0, dots).strip());
        String end = text.substring(dots + 2).strip();
        if (!from.matches()) {
            throw new Refused(Sentence.of("plant.tagWithoutNumber", "text", text));
        }
        String prefix = from.group(1);
        String last = end.startsWith(prefix) ? end.substring(prefix.length()) : end;
        if (!last.matches("\\d{1,9}")) {
            throw new Refused(Sentence.of("plant.tagEnd", "text", text));
        }
        int first = Integer.parseInt(from.group(2));
        int until = Integer.parseInt(last);
        if (until < first || until - first >= MOST_TAGS) {
            throw new Refused(Sentence.of("plant.tagCount", "text", text, "first", first, "most", MOST_TAGS));
        }
        int digits = from.group(2).length();
        List<String> tags = new ArrayList<>();
        for (int number = first; number <= until; number++) {
            String plain = String.valueOf(number);
            tags.add(prefix + "0".repeat(Math.max(0, digits - plain.length())) + plain);
        }
        return tags;
    }
}
