package rovek.core.unit;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Arrays;
import java.util.OptionalInt;

/**
 * Numbers as they are shown on paper and, by the same rule in the front end, on the screen: with the decimals of the
 * limits they stand beside, without a limit so many that three digits are seen; never fewer than a number was given
 * with. Where somebody chose decimals for the unit, those; and always as many more as it takes that a value past its
 * limit never reads as one that is on it, and that nothing reads as nothing. Digits before the point are never cut.
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
        int decimals = chosen.isPresent() ? chosen.getAsInt() : ownDecimals(value, boundaries);
        if (value != 0 && fixed(value, decimals).signum() == 0) {
            decimals = Math.max(decimals, usualDecimals(value));
        }
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
        return fixed(value, limitDecimals(value, chosen)).toPlainString();
    }

    private static int limitDecimals(double value, OptionalInt chosen) {
        int given = givenDecimals(value);
        int own = given >= 0
                ? given
                : Math.max(
                        0,
                        BigDecimal.valueOf(value)
                                .round(COMPUTED_LIMIT)
                                .stripTrailingZeros()
                                .scale());
        return Math.min(MOST_DECIMALS, Math.max(chosen.orElse(usualDecimals(value)), own));
    }

    /** Those of the boundaries where there are any, so that they can be compared; never fewer than were given. */
    private static int ownDecimals(double value, double... boundaries) {
        int beside = Arrays.stream(boundaries)
                .mapToInt(boundary -> limitDecimals(boundary, OptionalInt.empty()))
                .max()
                .orElse(usualDecimals(value));
        return Math.min(MOST_DECIMALS, Math.max(beside, givenDecimals(value)));
    }

    private static boolean isOnSameSide(double value, int decimals, double... boundaries) {
        double shown = fixed(value, decimals).doubleValue();
        return Arrays.stream(boundaries)
                .allMatch(boundary -> Math.signum(Decimals.compare(shown, boundary))
                        == Math.signum(Decimals.compare(value, boundary)));
    }

    /** So many that three digits are seen. */
    private static int usualDecimals(double value) {
        double size = Math.abs(value);
        if (size >= 100) {
            return 0;
        }
        if (size >= 10) {
            return 1;
        }
        return size >= 1 || size == 0 ? 2 : Math.min(MOST_DECIMALS, 2 - (int) Math.floor(Math.log10(size)));
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
