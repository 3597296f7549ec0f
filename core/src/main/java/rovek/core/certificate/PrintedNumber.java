package rovek.core.certificate;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Arrays;
import rovek.core.unit.Decimals;

/** Numbers as they are printed beside their limits. */
public final class PrintedNumber {

    private static final int USUAL_DIGITS = 3;
    private static final int MOST_DIGITS = 12;

    /**
     * Up to so many digits a number counts as given, by a person or an instrument, in single precision up to so many.
     */
    private static final int GIVEN_DIGITS = 6;

    private static final int GIVEN_DIGITS_SINGLE = 5;

    private PrintedNumber() {}

    /**
     * Rounds to three significant digits, or to those a number was given with if those are no more than six, or to as
     * many more as it takes that the printed number lies on the same side of every boundary as the true one: a value
     * past its limit never reads as one that is on it.
     *
     * @param boundaries limits it will be compared with by eye
     * @return plain decimal notation
     */
    public static String beside(double value, double... boundaries) {
        for (int digits = Math.max(USUAL_DIGITS, givenDigits(value)); digits < MOST_DIGITS; digits++) {
            BigDecimal rounded = rounded(value, digits);
            boolean sameSide = Arrays.stream(boundaries)
                    .allMatch(boundary -> Math.signum(Decimals.compare(rounded.doubleValue(), boundary))
                            == Math.signum(Decimals.compare(value, boundary)));
            if (sameSide) {
                return rounded.toPlainString();
            }
        }
        return rounded(value, MOST_DIGITS).toPlainString();
    }

    /**
     * How many digits a number was given with; 0 for one that was computed. An instrument that says 13.605 means it.
     */
    private static int givenDigits(double value) {
        for (int digits = 1; digits <= GIVEN_DIGITS; digits++) {
            double shorter =
                    BigDecimal.valueOf(value).round(new MathContext(digits)).doubleValue();
            if (shorter == value || (digits <= GIVEN_DIGITS_SINGLE && (float) shorter == value)) {
                return digits;
            }
        }
        return 0;
    }

    private static BigDecimal rounded(double value, int digits) {
        BigDecimal rounded = BigDecimal.valueOf(value).round(new MathContext(digits));
        int wanted = digits - (rounded.precision() - rounded.scale());
        return value == 0 ? BigDecimal.ZERO : rounded.setScale(Math.max(0, wanted), java.math.RoundingMode.HALF_EVEN);
    }
}
