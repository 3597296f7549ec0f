package rovek.core.trend;

/** The normal distribution, and Student's t for small samples. */
final class NormalDistribution {

    /** Of the standard normal distribution: 5 % lie above. */
    static final double QUANTILE_95 = 1.6448536269514722;

    /** Likewise 20 %, 1 % and 0.5 %. */
    static final double QUANTILE_80 = 0.8416212335729143;

    static final double QUANTILE_99 = 2.3263478740408408;

    static final double QUANTILE_995 = 2.5758293035489004;

    private NormalDistribution() {}

    /** The probability of a standard normal value further from 0 than this, either way: Abramowitz and Stegun 7.1.26, to 2e-7. */
    static double twoSided(double z) {
        double x = Math.abs(z) / Math.sqrt(2);
        double t = 1 / (1 + 0.3275911 * x);
        double sum = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
        return sum * Math.exp(-x * x);
    }

    /** What 5 % of Student's t lie above. */
    static double studentQuantile95(int freedom) {
        return student(QUANTILE_95, freedom);
    }

    /**
     * A quantile of Student's t: Abramowitz and Stegun 26.7.5, within 1 % from 3 degrees of freedom on for 95 %, 5 % for 99.5 %.
     *
     * @param z the same quantile of the standard normal distribution
     */
    static double student(double z, int freedom) {
        double z3 = z * z * z;
        double z5 = z3 * z * z;
        double z7 = z5 * z * z;
        double nu = freedom;
        return z + (z3 + z) / (4 * nu)
                + (5 * z5 + 16 * z3 + 3 * z) / (96 * nu * nu)
                + (3 * z7 + 19 * z5 + 17 * z3 - 15 * z) / (384 * nu * nu * nu);
    }
}
