package rovek.core.entry;

import java.util.OptionalInt;

/**
 * Text that can be stored, shown and printed anywhere: Unicode characters, tabs and line ends, and nothing else. Left
 * out are control characters, half surrogate pairs and the code points that Unicode calls noncharacters: XML 1.0 (2.2),
 * PostgreSQL or a printer stumble over them.
 */
public final class PlainText {

    private static final char REPLACEMENT = '\uFFFD';

    private PlainText() {}

    /** The first code point that is no character of a text; empty where all are. */
    public static OptionalInt firstStranger(String text) {
        for (int i = 0; i < text.length(); ) {
            int code = text.codePointAt(i);
            if (!belongs(code)) {
                return OptionalInt.of(code);
            }
            i += Character.charCount(code);
        }
        return OptionalInt.empty();
    }

    /** The text as it can be kept: what is none of its characters is U+FFFD, what is beyond the length is cut off. */
    public static String kept(String text, int longest) {
        return kept(text, longest, String.valueOf(REPLACEMENT));
    }

    /**
     * As {@link #kept}, but what is none of its characters is left out: a tag that a machine garbled is still that tag.
     */
    public static String without(String text, int longest) {
        return kept(text, longest, "");
    }

    private static String kept(String text, int longest, String instead) {
        if (text.length() <= longest && firstStranger(text).isEmpty()) {
            return text;
        }
        StringBuilder kept = new StringBuilder(Math.min(text.length(), longest));
        for (int i = 0; i < text.length(); ) {
            int code = text.codePointAt(i);
            i += Character.charCount(code);
            String shown = belongs(code) ? Character.toString(code) : instead;
            if (kept.length() + shown.length() > longest) {
                break;
            }
            kept.append(shown);
        }
        return kept.toString();
    }

    private static boolean belongs(int code) {
        if (code == '\t' || code == '\n' || code == '\r') {
            return true;
        }
        boolean isNoncharacter = (code & 0xFFFE) == 0xFFFE || (code >= 0xFDD0 && code <= 0xFDEF);
        boolean isHalfPair = code >= Character.MIN_SURROGATE && code <= Character.MAX_SURROGATE;
        return !Character.isISOControl(code) && !isNoncharacter && !isHalfPair;
    }
}
