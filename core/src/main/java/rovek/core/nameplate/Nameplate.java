package rovek.core.nameplate;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What is known of a thing from its plate.
 *
 * @param values attribute key to value as written
 */
public record Nameplate(Map<String, String> values) {

    public static final Nameplate BLANK = new Nameplate(Map.of());

    public Nameplate {
        values = Map.copyOf(values);
    }

    /** One nameplate out of several, the innermost last: a bearing's own plate counts before that of the machine. */
    public static Nameplate of(List<Map<String, String>> outermostFirst) {
        Map<String, String> all = new HashMap<>();
        outermostFirst.forEach(all::putAll);
        return new Nameplate(all);
    }

    /** Empty where it is not written, or no number. */
    public OptionalDouble number(String key) {
        String text = values.get(key);
        if (text == null) {
            return OptionalDouble.empty();
        }
        try {
            return OptionalDouble.of(Double.parseDouble(text));
        } catch (NumberFormatException notANumber) {
            return OptionalDouble.empty();
        }
    }

    public Optional<String> text(String key) {
        return Optional.ofNullable(values.get(key)).filter(text -> !text.isBlank());
    }
}
