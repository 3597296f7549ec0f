package rovek.core.unit;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** A number as a person writes it, with a decimal point or comma, and perhaps its unit behind. */
public final class WrittenAmount {

    private static final Pattern NUMBER_AND_UNIT =
            Pattern.compile("([+\u2212-]?[\\d.,' \u00A0\u202F\u2019]*\\d[.,]?(?:[eE][+-]?\\d{1,3})?)\\s*(.*)");

    /** Longer than any number with its unit; looking for a number in it would take long. */
    private static final int LONGEST = 100;

    private WrittenAmount() {}

    /** Without units of one's own, see {@link #read(String, UnitOfMeasure, KnownUnits)}. */
    public static Amount read(String written, UnitOfMeasure usual) {
        return read(written, usual, KnownUnits.CATALOGUE);
    }

    /**
     * @param usual the unit where none is written; where it is one of temperature differences, degrees are steps of
     *     their scale
     * @throws IllegalArgumentException with a sentence, when it is no number, or its unit is not known
     */
    public static Amount read(String written, UnitOfMeasure usual, KnownUnits units) {
        if (written.length() > LONGEST) {
            throw new Refused(Sentence.of("unit.longAmount", "most", LONGEST));
        }
        Matcher parts = NUMBER_AND_UNIT.matcher(written.strip());
        OptionalDouble number = parts.matches() ? number(parts.group(1)) : OptionalDouble.empty();
        if (number.isEmpty()) {
            throw new Refused(
                    written.isBlank()
                            ? Sentence.of("unit.noNumber")
                            : Sentence.of("unit.notANumber", "written", written.strip()));
        }
        String unit = parts.group(2).strip();
        Optional<UnitOfMeasure> known = unit.isEmpty() ? Optional.of(usual) : units.find(unit);
        UnitOfMeasure named = known.orElseThrow(() -> new Refused(Sentence.of("unit.unknown", "symbol", unit)));
        boolean isDifference = KindOfQuantity.of(usual).equals(Optional.of(KindOfQuantity.TEMPERATURE_DIFFERENCE));
        return new Amount(number.getAsDouble(), isDifference ? step(named) : named);
    }

    private static UnitOfMeasure step(UnitOfMeasure scale) {
        if (scale.equals(UnitCatalogue.DEGREE_CELSIUS)) {
            return UnitCatalogue.KELVIN;
        }
        return scale.equals(UnitCatalogue.DEGREE_FAHRENHEIT) ? UnitCatalogue.FAHRENHEIT_DIFFERENCE : scale;
    }

    /** A single mark is the decimal one, whichever it is; of two kinds the last one is. */
    private static OptionalDouble number(String text) {
        boolean onlyCommas = text.indexOf('.') < 0;
        DecimalMark mark =
                onlyCommas || text.lastIndexOf(',') > text.lastIndexOf('.') ? DecimalMark.COMMA : DecimalMark.POINT;
        return mark.read(text);
    }
}
