package rovek.core.plant;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A label as people type it: "P-101 Well pump 1" is a tag, then a name. */
public record TagAndName(String tag, String name) {

    private static final Pattern TYPED = Pattern.compile("^([A-Z]{1,5}-?\\d[\\w-]*)(?:\\s+(.*))?$");

    /** Empty where it does not begin with a tag. */
    public static Optional<TagAndName> of(String text) {
        Matcher typed = TYPED.matcher(text);
        return typed.matches()
                ? Optional.of(new TagAndName(typed.group(1), typed.group(2) == null ? "" : typed.group(2)))
                : Optional.empty();
    }

    /** Whether a text is a tag and nothing else. */
    public static boolean isTag(String text) {
        return of(text).filter(label -> label.name().isEmpty()).isPresent();
    }
}
