package rovek.core.trend;

import org.apache.commons.statistics.distribution.NormalDistribution;
import org.apache.commons.statistics.distribution.TDistribution;

/** The normal distribution, and Student's t for small samples, from a library that has them to the last digits. */
public final class Distributions {

    private static final NormalDistribution STANDARD = NormalDistribution.of(0, 1);

    private Distributions() {}

    /** The probability of a standard normal value further from 0 than this, either way. */
    static double twoSided(double z) {
        return Math.min(1, 2 * STANDARD.survivalProbability(Math.abs(z)));
    }

    /** The probability of a standard normal value up to this. */
    public static double below(double z) {
        return STANDARD.cumulativeProbability(z);
    }

    /** The probability of a standard normal value beyond this, to the last digits however small. */
    public static double above(double z) {
        return STANDARD.survivalProbability(z);
    }

    /**
     * The value that Student's t exceeds by chance.
     *
     * @param probability of exceeding it, above 0 and below 1
     * @param freedom degrees of freedom, at least 1; infinite ones are the normal distribution's
     */
    public static double studentAbove(double probability, double freedom) {
        return TDistribution.of(freedom).inverseSurvivalProbability(probability);
    }
}
