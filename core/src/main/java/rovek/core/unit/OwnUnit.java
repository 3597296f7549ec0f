package rovek.core.unit;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * A unit that a company made itself, e.g. 1 hl/h = 100/60 l/min.
 *
 * @param symbol as typed and printed; 1 to 16 characters, none of them a digit at the beginning
 * @param base the unit it is said in
 * @param factor how much of the base unit one of it is, as written: "100/60", "0.5", decimal comma too
 * @param offset where its zero lies in the base unit, as written; "0" for nearly all
 */
public record OwnUnit(String symbol, UnitOfMeasure base, String factor, String offset) {

    private static final int LONGEST_SYMBOL = 16;
    private static final int LONGEST_NUMBER = 40;
    private static final int MOST_DIGITS = 20;
    private static final BigDecimal SMALLEST = new BigDecimal("1e-15");
    private static final BigDecimal LARGEST = new BigDecimal("1e15");
    private static final Pattern SYMBOL =
            Pattern.compile("[\\p{L}\u00B0%][\\p{L}\\p{N}\u00B0\u00B2\u00B3\u00B7/*%().^ -]*");
    private static final Pattern NUMBER = Pattern.compile("(-?\\d+(?:[.,]\\d+)?)(?:\\s*/\\s*(\\d+(?:[.,]\\d+)?))?");

    /** @throws IllegalArgumentException with a sentence, where something cannot be */
    public OwnUnit {
        symbol = symbol.strip();
        if (symbol.length() > LONGEST_SYMBOL || !SYMBOL.matcher(symbol).matches()) {
            throw new Refused(Sentence.of("unit.symbol", "most", LONGEST_SYMBOL));
        }
        BigDecimal size = number(factor).abs();
        if (size.compareTo(SMALLEST) < 0 || size.compareTo(LARGEST) > 0) {
            throw new Refused(Sentence.of("unit.factor"));
        }
        if (number(offset).abs().compareTo(LARGEST) > 0) {
            throw new Refused(Sentence.of("unit.offset"));
        }
    }

    public UnitOfMeasure unit() {
        return UnitOfMeasure.scaled(symbol, base, number(factor), number(offset));
    }

    private static BigDecimal number(String written) {
        Matcher parts = NUMBER.matcher(written.strip());
        if (written.length() > LONGEST_NUMBER || !parts.matches()) {
            throw new Refused(Sentence.of("unit.notAFraction", "written", written.strip()));
        }
        BigDecimal divisor = parts.group(2) == null ? BigDecimal.ONE : plain(parts.group(2));
        if (divisor.signum() == 0) {
            throw new Refused(Sentence.of("unit.zeroFraction"));
        }
        return plain(parts.group(1)).divide(divisor, MathContext.DECIMAL128);
    }

    private static BigDecimal plain(String digits) {
        if (digits.length() > MOST_DIGITS) {
            throw new Refused(Sentence.of("unit.tooManyDigits", "most", MOST_DIGITS));
        }
        return new BigDecimal(digits.replace(',', '.'));
    }
}
