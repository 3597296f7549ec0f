package rovek.core.nameplate;

import java.util.List;
import java.util.Optional;

/**
 * One line of a nameplate.
 *
 * @param key as stored
 * @param name as shown
 * @param unit symbol, or blank
 */
public record Attribute(String key, String name, String unit, Kind kind) {

    private static final int LONGEST_TEXT = 400;

    /** The values an attribute takes. */
    public sealed interface Kind permits Number, Choice, Text {}

    /** A number within a closed range. */
    public record Number(double least, double largest) implements Kind {}

    /** One of a few words. */
    public record Choice(List<String> options) implements Kind {}

    /** Anything. */
    public record Text() implements Kind {}

    static Attribute number(String key, String name, String unit, double least, double largest) {
        return new Attribute(key, name, unit, new Number(least, largest));
    }

    static Attribute choice(String key, String name, String... options) {
        return new Attribute(key, name, "", new Choice(List.of(options)));
    }

    static Attribute text(String key, String name) {
        return new Attribute(key, name, "", new Text());
    }

    /** Why a value is refused, as a sentence; empty where it is fine. */
    public Optional<String> fault(String value) {
        if (kind instanceof Choice choice) {
            return choice.options().contains(value)
                    ? Optional.empty()
                    : Optional.of("%s is one of %s, not \"%s\".".formatted(name, String.join(", ", choice.options()), value));
        }
        if (kind instanceof Number range) {
            try {
                double number = Double.parseDouble(value);
                if (number >= range.least() && number <= range.largest()) {
                    return Optional.empty();
                }
            } catch (NumberFormatException notANumber) {
                // the sentence below names the value
            }
            return Optional.of("%s is a number from %s to %s%s, not \"%s\".".formatted(
                    name, plain(range.least()), plain(range.largest()), unit.isBlank() ? "" : " " + unit, value));
        }
        return value.length() <= LONGEST_TEXT ? Optional.empty() : Optional.of("%s has at most %d characters.".formatted(name, LONGEST_TEXT));
    }

    private static String plain(double number) {
        return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
    }
}
