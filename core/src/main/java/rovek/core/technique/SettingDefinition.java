package rovek.core.technique;

import java.util.List;
import java.util.Optional;

/**
 * One setting of a technique.
 *
 * @param key as stored
 * @param name as shown
 * @param unit symbol, or blank
 * @param defaultValue holds until a node overrides it
 * @param kind what values it takes
 */
public record SettingDefinition(String key, String name, String unit, String defaultValue, Kind kind) {

    /** The values a setting takes. */
    public sealed interface Kind permits Number, Choice {}

    /** A number within a closed range. */
    public record Number(double least, double largest) implements Kind {}

    /** One of a few words. */
    public record Choice(List<String> options) implements Kind {}

    /** Why a value is refused, as a sentence; empty where it is fine. */
    public Optional<String> fault(String value) {
        if (kind instanceof Choice choice) {
            return choice.options().contains(value)
                    ? Optional.empty()
                    : Optional.of("%s is one of %s, not \"%s\".".formatted(name, String.join(", ", choice.options()), value));
        }
        Number range = (Number) kind;
        try {
            double number = Double.parseDouble(value);
            if (number >= range.least() && number <= range.largest()) {
                return Optional.empty();
            }
        } catch (NumberFormatException notANumber) {
            // the sentence below names the value
        }
        return Optional.of("%s is a number from %s to %s%s, not \"%s\"."
                .formatted(name, plain(range.least()), plain(range.largest()), unit.isBlank() ? "" : " " + unit, value));
    }

    private static String plain(double number) {
        return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
    }
}
