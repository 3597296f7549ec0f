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
import rovek.core.wording.Sentence;

/** What a field takes: a setting's, or a nameplate's. */
public sealed interface Entry permits Entry.Number, Entry.Choice, Entry.Text, Entry.Moment, Entry.Zone, NamedRanges {

    /**
     * Why a value is refused, as a sentence; empty where it is fine.
     *
     * @param name of the field, as shown
     * @param unit symbol, or blank
     */
    Optional<Sentence> fault(Sentence name, String unit, String value);

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
    default Sentence hint() {
        return Sentence.NONE;
    }

    /** Words to choose from; empty where anything may be typed. */
    default List<String> options() {
        return List.of();
    }

    /** What a word to choose from is called in a language; it is stored as it is. */
    static Sentence option(String word) {
        return Sentence.named("names.option:" + word, word);
    }

    /** A number within a closed range. */
    record Number(double least, double largest) implements Entry {

        private static final Pattern PLAIN = Pattern.compile("-?\\d+(\\.\\d+)?");

        @Override
        public Optional<Sentence> fault(Sentence name, String unit, String value) {
            try {
                double number = Double.parseDouble(value);
                if (number >= least && number <= largest) {
                    return Optional.empty();
                }
            } catch (NumberFormatException notANumber) {
                // the sentence below names the value
            }
            String range = unit.isBlank() ? "entry.notInRange" : "entry.notInRangeOf";
            return Optional.of(Sentence.of(
                    range,
                    "name",
                    name,
                    "least",
                    plain(least),
                    "largest",
                    plain(largest),
                    "unit",
                    unit,
                    "value",
                    value));
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

        private static Sentence options(List<String> options) {
            return Sentence.listed(options.stream().map(Entry::option).toList());
        }

        @Override
        public Optional<Sentence> fault(Sentence name, String unit, String value) {
            return options.contains(value)
                    ? Optional.empty()
                    : Optional.of(
                            Sentence.of("entry.notOffered", "name", name, "options", options(options), "value", value));
        }
    }

    /** A point in time, written as in ISO 8601 with its offset, e.g. {@code 2026-05-04T06:00:00Z}. */
    record Moment() implements Entry {

        @Override
        public Optional<Sentence> fault(Sentence name, String unit, String value) {
            try {
                OffsetDateTime.parse(value);
                return Optional.empty();
            } catch (DateTimeParseException notATime) {
                return Optional.of(
                        value.isEmpty()
                                ? Sentence.of("entry.noMoment", "name", name)
                                : Sentence.of("entry.notAMoment", "name", name, "value", value));
            }
        }
    }

    /** A time zone by its name in the IANA database, e.g. {@code Europe/London}. */
    record Zone() implements Entry {

        private static final Pattern PLACE =
                Pattern.compile("(Africa|America|Antarctica|Arctic|Asia|Atlantic|Australia|Europe|Indian|Pacific)/.+");

        @Override
        public Optional<Sentence> fault(Sentence name, String unit, String value) {
            return value.isEmpty() || ZoneId.getAvailableZoneIds().contains(value)
                    ? Optional.empty()
                    : Optional.of(Sentence.of("entry.notAZone", "name", name, "value", value));
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
        public Optional<Sentence> fault(Sentence name, String unit, String value) {
            return value.length() <= longest
                    ? Optional.empty()
                    : Optional.of(Sentence.of("entry.tooLong", "name", name, "most", longest));
        }
    }
}
