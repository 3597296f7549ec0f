package rovek.core.uncertainty;

import rovek.core.trend.Spread;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * One line of an uncertainty budget.
 *
 * @param quantity what is uncertain, as its line is headed
 * @param width half-width of its scatter, or its expanded uncertainty; 0 or more, in its own unit
 * @param divisor what makes a standard uncertainty of the width, above 0
 * @param sensitivity how much the result changes with the quantity, in the result's unit for each of its own; any sign
 * @param freedom degrees of freedom, at least 1; infinite where the width is known for certain
 */
public record Contribution(
        String quantity, double width, Distribution distribution, double divisor, double sensitivity, double freedom) {

    /** @throws Refused for a width, divisor, sensitivity or freedom out of its range */
    public Contribution {
        require(width >= 0 && Double.isFinite(width), "uncertainty.width", quantity);
        require(divisor > 0 && Double.isFinite(divisor), "uncertainty.divisor", quantity);
        require(Double.isFinite(sensitivity), "uncertainty.sensitivity", quantity);
        require(freedom >= 1, "uncertainty.freedom", quantity);
    }

    private static void require(boolean isMet, String sentence, String quantity) {
        if (!isMet) {
            throw new Refused(Sentence.of(sentence, "quantity", quantity));
        }
    }

    /** What is known within a half-width, for certain. */
    public static Contribution within(
            String quantity, double halfWidth, Distribution distribution, double sensitivity) {
        return new Contribution(
                quantity, halfWidth, distribution, distribution.divisor(), sensitivity, Double.POSITIVE_INFINITY);
    }

    /**
     * What a certificate states.
     *
     * @param expanded its expanded uncertainty
     * @param coverage the factor k that it was expanded by
     */
    public static Contribution certified(
            String quantity, double expanded, double coverage, double sensitivity, double freedom) {
        return new Contribution(quantity, expanded, Distribution.NORMAL, coverage, sensitivity, freedom);
    }

    /** A display's last digit: r / sqrt(12) of the full step r (JCGM 100:2008, F.2.2.1). */
    public static Contribution resolution(String quantity, double step, double sensitivity) {
        return within(quantity, step / 2, Distribution.RECTANGULAR, sensitivity);
    }

    /**
     * The mean of repeated readings: s / sqrt(n) with n - 1 degrees of freedom (JCGM 100:2008, 4.2.3).
     *
     * @param readings at least two
     */
    public static Contribution repeated(String quantity, double[] readings, double sensitivity) {
        int count = readings.length;
        require(count >= 2, "uncertainty.readings", quantity);
        double deviation = Spread.of(readings).standardDeviation();
        return new Contribution(quantity, deviation, Distribution.NORMAL, Math.sqrt(count), sensitivity, count - 1.0);
    }

    /** Its standard uncertainty in its own unit. */
    public double standard() {
        return width / divisor;
    }

    /** What it makes of the result's standard uncertainty, in the result's unit, 0 or more. */
    public double ofResult() {
        return Math.abs(sensitivity) * standard();
    }
}
