package rovek.core.uncertainty;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/**
 * A result and its expanded uncertainty as they are stated: the uncertainty to two significant digits, the result to
 * the same decimal (JCGM 100:2008, 7.2.6). To two digits the usual rounding takes at most a twentieth off, what EA-4/02
 * 6.3 allows.
 */
public record Stated(BigDecimal value, BigDecimal uncertainty) {

    private static final MathContext TWO_DIGITS = new MathContext(2, RoundingMode.HALF_UP);

    /**
     * @param value finite
     * @param uncertainty expanded, finite and 0 or more; of 0 the value stays as it is
     */
    public static Stated of(double value, double uncertainty) {
        if (uncertainty == 0) {
            return new Stated(BigDecimal.valueOf(value), BigDecimal.ZERO);
        }
        BigDecimal rounded = BigDecimal.valueOf(uncertainty).round(TWO_DIGITS);
        // A number that has fewer digits than two is written with the second: 0.5 is stated as 0.50.
        BigDecimal stated = rounded.setScale(rounded.scale() + 2 - rounded.precision(), RoundingMode.UNNECESSARY);
        return new Stated(BigDecimal.valueOf(value).setScale(stated.scale(), RoundingMode.HALF_UP), stated);
    }
}
