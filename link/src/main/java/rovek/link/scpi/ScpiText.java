package rovek.link.scpi;

import java.util.ArrayList;
import java.util.List;

/** Strings as SCPI writes them: in double quotes, a quote inside doubled. */
public final class ScpiText {

    private static final int SHORT = 60;

    private ScpiText() {}

    public static String quote(String text) {
        return "\"" + text.replace("\"", "\"\"") + "\"";
    }

    public static String unquote(String text) {
        String stripped = text.strip();
        if (stripped.length() >= 2 && stripped.startsWith("\"") && stripped.endsWith("\"")) {
            return stripped.substring(1, stripped.length() - 1).replace("\"\"", "\"");
        }
        return stripped;
    }

    /** Splits at commas outside quotes; the parts keep their quotes. */
    public static List<String> split(String text) {
        List<String> parts = new ArrayList<>();
        StringBuilder part = new StringBuilder();
        boolean quoted = false;
        for (char c : text.toCharArray()) {
            if (c == '"') {
                quoted = !quoted;
            }
            if (c == ',' && !quoted) {
                parts.add(part.toString().strip());
                part.setLength(0);
            } else {
                part.append(c);
            }
        }
        if (!part.isEmpty() || !parts.isEmpty()) {
            parts.add(part.toString().strip());
        }
        return parts;
    }

    /** Whether a text holds what is no part of a text: C0 and C1 controls, line breaks among them. */
    public static boolean hasControlCharacter(String text) {
        return text.chars().anyMatch(Character::isISOControl);
    }

    /** A text that came from elsewhere, fit to stand in a sentence. */
    static String fitToShow(String text) {
        return shortened(text.chars()
                .filter(c -> !Character.isISOControl(c))
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString()
                .strip());
    }

    static String firstQuoted(String command) {
        int from = command.indexOf('"');
        int to = command.indexOf('"', from + 1);
        return from >= 0 && to > from ? command.substring(from + 1, to) : shortened(command);
    }

    static String shortened(String text) {
        return text.length() <= SHORT ? text : text.substring(0, SHORT) + "…";
    }
}
