package rovek.core.unit;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/**
 * How a unit lies on the scale of its base unit: base = factor * value + offset, to 34 digits.
 *
 * <p>A number that was written, with 12 digits at most, comes back from any other unit as the same number. A double
 * cannot hold every result; so the result of a written number that is not exact never looks like a written one, and the
 * result of a number that was not written is the written number it is next to.
 *
 * @param factor not zero
 * @param offset zero for all units but those of temperature, and units of one's own that say so
 */
record Scale(BigDecimal factor, BigDecimal offset) {

    private static final MathContext DIGITS = MathContext.DECIMAL128;

    /** As many as anybody writes, or an instrument sends. */
    private static final int WRITTEN_DIGITS = 12;

    /** What is left of 34 after dividing and multiplying. */
    private static final int CERTAIN_DIGITS = 28;

    /** What two roundings to a double can do, with something to spare. */
    private static final double STEPS_LOST = 4;

    /** The number on another scale of the same base unit. */
    double convert(double value, Scale target) {
        BigDecimal base = BigDecimal.valueOf(value).multiply(factor).add(offset);
        BigDecimal result = base.subtract(target.offset).divide(target.factor, DIGITS);
        BigDecimal shift = offset.subtract(target.offset).divide(target.factor, DIGITS);
        return rounded(value, result, shift);
    }

    /** The same of a difference between two numbers: where a scale begins does not matter to it. */
    double convertDifference(double difference, Scale target) {
        BigDecimal result = BigDecimal.valueOf(difference).multiply(factor).divide(target.factor, DIGITS);
        return rounded(difference, result, BigDecimal.ZERO);
    }

    /** @param shift between the beginnings of the scales: what a double keeps of it is lost of the result */
    private static double rounded(double value, BigDecimal result, BigDecimal shift) {
        BigDecimal size = shift.abs().max(result.abs());
        if (size.signum() == 0) {
            return 0;
        }
        int magnitude = size.precision() - size.scale();
        BigDecimal exact = result.setScale(CERTAIN_DIGITS - magnitude, RoundingMode.HALF_EVEN);
        double nearest = exact.doubleValue();
        if (Double.isInfinite(nearest)) {
            return Math.copySign(Double.MAX_VALUE, nearest);
        }
        if (isWritten(value)) {
            boolean isExact = BigDecimal.valueOf(nearest).compareTo(exact) == 0;
            return isExact || !isWritten(nearest) ? nearest : Math.nextUp(nearest);
        }
        double written = exact.setScale(WRITTEN_DIGITS - magnitude, RoundingMode.HALF_EVEN)
                .doubleValue();
        return Math.abs(written - nearest) <= STEPS_LOST * Math.ulp(size.doubleValue()) ? written : nearest;
    }

    private static boolean isWritten(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().precision() <= WRITTEN_DIGITS;
    }
}
