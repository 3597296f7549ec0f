package rovek.core.unit;

import java.math.BigDecimal;
import java.math.MathContext;

/**
 * Compares numbers as they are written in decimals. In binary 7.1 - 0.3 is less than 6.8, and 1.3 times 0.3 more than
 * 0.39; a verdict must not depend on that. Numbers that agree to twelve significant digits are the same: no instrument
 * tells more, and converting units leaves that much behind.
 */
public final class Decimals {

    private static final MathContext DIGITS = new MathContext(12);

    /** Further apart than this, relatively, two numbers differ in twelve digits whatever they are. */
    private static final double SURELY_APART = 1e-10;

    private Decimals() {}

    /** @return below 0, 0 or above 0; infinite numbers as usual */
    public static int compare(double one, double other) {
        if (Double.isInfinite(one)
                || Double.isInfinite(other)
                || Math.abs(one - other) > SURELY_APART * Math.max(Math.abs(one), Math.abs(other))) {
            return Double.compare(one, other);
        }
        return written(one).compareTo(written(other));
    }

    /** The sum as it would be written. */
    public static double sum(double one, double other) {
        return Double.isInfinite(one) || Double.isInfinite(other)
                ? one + other
                : written(one).add(written(other)).doubleValue();
    }

    private static BigDecimal written(double number) {
        return BigDecimal.valueOf(number).round(DIGITS);
    }
}
