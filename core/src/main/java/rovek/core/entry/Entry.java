package rovek.core.entry;

import java.math.BigDecimal;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import rovek.core.unit.Amount;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.unit.WrittenAmount;

/** What a field takes: a setting's, or a nameplate's. */
public sealed interface Entry permits Entry.Number, Entry.Choice, Entry.Text, Entry.Moment, Entry.Zone, NamedRanges {

    /**
     * Why a value is refused, as a sentence; empty where it is fine.
     *
     * @param name of the field, as shown
     * @param unit symbol, or blank
     */
    Optional<String> fault(String name, String unit, String value);

    /**
     * What is kept of something that was typed: a number in the field's own unit, whichever known unit it was typed in;
     * everything else as it is. What cannot be read stays as typed, for {@link #fault} to refuse.
     *
     * @param unit symbol of the field's, or blank
     */
    default String kept(String unit, String typed, KnownUnits units) {
        return typed;
    }

    /** How it is written, where that is not plain; else blank. */
    default String hint() {
        return "";
    }

    /** Words to choose from; empty where anything may be typed. */
    default List<String> options() {
        return List.of();
    }

    /** A number within a closed range. */
    record Number(double least, double largest) implements Entry {

        private static final Pattern PLAIN = Pattern.compile("-?\\d+(\\.\\d+)?");

        @Override
        public Optional<String> fault(String name, String unit, String value) {
            try {
                double number = Double.parseDouble(value);
                if (number >= least && number <= largest) {
                    return Optional.empty();
                }
            } catch (NumberFormatException notANumber) {
                // the sentence below names the value
            }
            return Optional.of("%s is a number from %s to %s%s, not \"%s\"."
                    .formatted(name, plain(least), plain(largest), unit.isBlank() ? "" : " " + unit, value));
        }

        @Override
        public String kept(String unit, String typed, KnownUnits units) {
            if (typed.isBlank() || PLAIN.matcher(typed).matches()) {
                return typed;
            }
            try {
                UnitOfMeasure own = units.find(unit).orElse(UnitCatalogue.ONE);
                Amount amount = WrittenAmount.read(typed, own, units).in(own);
                return BigDecimal.valueOf(amount.value()).stripTrailingZeros().toPlainString();
            } catch (IllegalArgumentException unreadable) {
                return typed;
            }
        }

        private static String plain(double number) {
            return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
        }
    }

    /** One of a few words. */
    record Choice(List<String> options) implements Entry {

        public Choice {
            options = List.copyOf(options);
        }

        @Override
        public Optional<String> fault(String name, String unit, String value) {
            return options.contains(value)
                    ? Optional.empty()
                    : Optional.of("%s is one of %s, not \"%s\".".formatted(name, String.join(", ", options), value));
        }
    }

    /** A point in time, written as in ISO 8601 with its offset, e.g. {@code 2026-05-04T06:00:00Z}. */
    record Moment() implements Entry {

        @Override
        public Optional<String> fault(String name, String unit, String value) {
            try {
                OffsetDateTime.parse(value);
                return Optional.empty();
            } catch (DateTimeParseException notATime) {
                return Optional.of(
                        value.isEmpty()
                                ? "%s has no date and time yet.".formatted(name)
                                : "%s is a date and time, not \"%s\".".formatted(name, value));
            }
        }
    }

    /** A time zone by its name in the IANA database, e.g. {@code Europe/London}. */
    record Zone() implements Entry {

        private static final Pattern PLACE =
                Pattern.compile("(Africa|America|Antarctica|Arctic|Asia|Atlantic|Australia|Europe|Indian|Pacific)/.+");

        @Override
        public Optional<String> fault(String name, String unit, String value) {
            return value.isEmpty() || ZoneId.getAvailableZoneIds().contains(value)
                    ? Optional.empty()
                    : Optional.of(
                            "%s is the name of a time zone such as Europe/London, not \"%s\".".formatted(name, value));
        }

        /** Those that are named after a place, and UTC. */
        @Override
        public List<String> options() {
            return ZoneId.getAvailableZoneIds().stream()
                    .filter(id -> id.equals("UTC") || PLACE.matcher(id).matches())
                    .sorted()
                    .toList();
        }
    }

    /** Anything, up to so many characters. */
    record Text(int longest) implements Entry {

        @Override
        public Optional<String> fault(String name, String unit, String value) {
            return value.length() <= longest
                    ? Optional.empty()
                    : Optional.of("%s has at most %d characters.".formatted(name, longest));
        }
    }
}
