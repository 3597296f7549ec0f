package rovek.link.scpi;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A command as it reaches an instrument.
 *
 * @param header e.g. {@code MMEMory:DATA?}, as written
 * @param parameters text parameters in order, quotes kept
 * @param block the definite-length block at its end, if any
 */
public record ProgramMessage(String header, List<String> parameters, Optional<byte[]> block) {

    /**
     * Whether the header is this one. The pattern shows the short form in capitals; a header may use the short or the
     * long form of each word, in any case (SCPI-99, 6.2.1).
     *
     * @param pattern e.g. {@code MMEMory:CATalog?}
     */
    public boolean is(String pattern) {
        String[] wanted = pattern.split(":");
        String[] given = (header.startsWith(":") ? header.substring(1) : header).split(":");
        if (wanted.length != given.length) {
            return false;
        }
        for (int i = 0; i < wanted.length; i++) {
            String longForm = wanted[i].toUpperCase(Locale.ROOT);
            String shortForm = wanted[i]
                    .chars()
                    .filter(c -> !Character.isLowerCase(c))
                    .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                    .toString();
            String word = given[i].toUpperCase(Locale.ROOT);
            if (!word.equals(longForm) && !word.equals(shortForm)) {
                return false;
            }
        }
        return true;
    }

    /** The text parameter at this place without quotes; empty where there is none. */
    public Optional<String> parameter(int index) {
        return index < parameters.size() ? Optional.of(ScpiText.unquote(parameters.get(index))) : Optional.empty();
    }

    public boolean isQuery() {
        return header.endsWith("?");
    }
}
