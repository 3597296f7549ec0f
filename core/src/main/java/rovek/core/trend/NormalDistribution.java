package rovek.core.trend;

/** The normal distribution, and Student's t for small samples. */
final class NormalDistribution {

    /** Of the standard normal distribution: 5 % lie above. */
    static final double QUANTILE_95 = 1.6448536269514722;

    private NormalDistribution() {}

    /** The probability of a standard normal value further from 0 than this, either way: Abramowitz and Stegun 7.1.26, to 2e-7. */
    static double twoSided(double z) {
        double x = Math.abs(z) / Math.sqrt(2);
        double t = 1 / (1 + 0.3275911 * x);
        double sum = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
        return sum * Math.exp(-x * x);
    }

    /** What 5 % of Student's t lie above: Abramowitz and Stegun 26.7.5, within 1 % from 3 degrees of freedom on. */
    static double studentQuantile95(int freedom) {
        double z = QUANTILE_95;
        double z3 = z * z * z;
        double z5 = z3 * z * z;
        double z7 = z5 * z * z;
        double nu = freedom;
        return z + (z3 + z) / (4 * nu)
                + (5 * z5 + 16 * z3 + 3 * z) / (96 * nu * nu)
                + (3 * z7 + 19 * z5 + 17 * z3 - 15 * z) / (384 * nu * nu * nu);
    }
}
