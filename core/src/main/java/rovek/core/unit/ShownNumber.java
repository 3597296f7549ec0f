package rovek.core.unit;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Arrays;
import java.util.OptionalInt;

/**
 * Numbers as they are shown on paper and, by the same rule in the front end, on the screen: with so many decimals that
 * three digits are seen, or with those that a number was given with, or with those that somebody chose for its unit;
 * and with as many more as it takes that a value past its limit never reads as one that is on it. Digits before the
 * point are never cut.
 */
public final class ShownNumber {

    private static final int MOST_DECIMALS = 12;

    /**
     * Up to so many digits a number counts as given, by a person or an instrument, in single precision up to so many.
     */
    private static final int GIVEN_DIGITS = 6;

    private static final int GIVEN_DIGITS_SINGLE = 5;

    /** Of a limit that was computed. */
    private static final MathContext COMPUTED_LIMIT = new MathContext(4);

    private ShownNumber() {}

    /** Without a choice of decimals, see {@link #beside(double, OptionalInt, double...)}. */
    public static String beside(double value, double... boundaries) {
        return beside(value, OptionalInt.empty(), boundaries);
    }

    /**
     * A value.
     *
     * @param chosen decimals that were chosen for the unit; more are shown where the value would read as nothing
     * @param boundaries limits it will be compared with by eye
     * @return plain decimal notation with a point
     */
    public static String beside(double value, OptionalInt chosen, double... boundaries) {
        int decimals = chosen.isPresent()
                ? atLeastSomething(value, chosen.getAsInt())
                : Math.min(MOST_DECIMALS, Math.max(usualDecimals(value), givenDecimals(value)));
        while (decimals < MOST_DECIMALS && !isOnSameSide(value, decimals, boundaries)) {
            decimals++;
        }
        return fixed(value, decimals).toPlainString();
    }

    /**
     * A boundary: no digit that was typed is lost; one that was computed has four digits.
     *
     * @param chosen decimals that were chosen for the unit, the fewest that are shown
     */
    public static String limit(double value, OptionalInt chosen) {
        int given = givenDecimals(value);
        int own = given >= 0
                ? given
                : Math.max(0, BigDecimal.valueOf(value).round(COMPUTED_LIMIT).scale());
        int decimals = Math.max(chosen.orElse(usualDecimals(value)), own);
        return fixed(value, Math.min(MOST_DECIMALS, decimals)).toPlainString();
    }

    private static boolean isOnSameSide(double value, int decimals, double... boundaries) {
        double shown = fixed(value, decimals).doubleValue();
        return Arrays.stream(boundaries)
                .allMatch(boundary -> Math.signum(Decimals.compare(shown, boundary))
                        == Math.signum(Decimals.compare(value, boundary)));
    }

    private static int atLeastSomething(double value, int chosen) {
        return value != 0 && fixed(value, chosen).signum() == 0 ? Math.max(chosen, usualDecimals(value)) : chosen;
    }

    /** So many that three digits are seen; at least two where the number is small. */
    private static int usualDecimals(double value) {
        double size = Math.abs(value);
        if (size >= 100) {
            return 0;
        }
        if (size >= 10) {
            return 1;
        }
        return size >= 0.1 || size == 0 ? 2 : Math.min(MOST_DECIMALS, 2 - (int) Math.floor(Math.log10(size)));
    }

    /** Decimals of a number that was given with few digits; -1 for one that was computed. */
    private static int givenDecimals(double value) {
        for (int digits = 1; digits <= GIVEN_DIGITS; digits++) {
            BigDecimal rounded = BigDecimal.valueOf(value).round(new MathContext(digits));
            double shorter = rounded.doubleValue();
            if (shorter == value || (digits <= GIVEN_DIGITS_SINGLE && (float) shorter == value)) {
                return Math.max(0, rounded.stripTrailingZeros().scale());
            }
        }
        return -1;
    }

    /** Half away from zero, of the number as it is in binary. */
    private static BigDecimal fixed(double value, int decimals) {
        return new BigDecimal(value).setScale(decimals, RoundingMode.HALF_UP);
    }
}
