package rovek.fieldsim;

/**
 * How a simulated machine runs at one of its points, and how that grows with time.
 *
 * @param speedHz shaft speed
 * @param unbalanceMmPerSecond velocity RMS at shaft speed
 * @param misalignmentMmPerSecond velocity RMS at twice shaft speed at the start
 * @param misalignmentGrowthPerMonth relative, 0.1 for ten percent a month
 * @param impact acceleration of a bearing's impacts at the start, m/s²
 * @param impactGrowthPerMonth relative
 * @param impactOnsetMonths months after the start before the impacts begin to grow
 * @param replacedAtMonths when the bearing was replaced, after which it is as good as new; negative infinity for never
 * @param noise broad-band acceleration, m/s² RMS
 */
record MachineCondition(
        double speedHz,
        double unbalanceMmPerSecond,
        double misalignmentMmPerSecond,
        double misalignmentGrowthPerMonth,
        double impact,
        double impactGrowthPerMonth,
        double impactOnsetMonths,
        double replacedAtMonths,
        double noise) {

    private static final double NEVER = Double.NEGATIVE_INFINITY;

    /** Impacts of a bearing without damage, m/s². */
    private static final double AS_GOOD_AS_NEW = 0.4;

    /** Impacts of one whose damage begins, m/s². */
    private static final double BEGINNING = 4;

    static MachineCondition healthy(double speedHz, double unbalanceMmPerSecond) {
        return new MachineCondition(speedHz, unbalanceMmPerSecond, 0.3, 0, AS_GOOD_AS_NEW, 0, 0, NEVER, 1.6);
    }

    MachineCondition misaligning(double mmPerSecond, double growthPerMonth) {
        return new MachineCondition(
                speedHz,
                unbalanceMmPerSecond,
                mmPerSecond,
                growthPerMonth,
                impact,
                impactGrowthPerMonth,
                impactOnsetMonths,
                replacedAtMonths,
                noise);
    }

    MachineCondition withBearingDefect(double growthPerMonth, double onsetMonths) {
        return new MachineCondition(
                speedHz,
                unbalanceMmPerSecond,
                misalignmentMmPerSecond,
                misalignmentGrowthPerMonth,
                BEGINNING,
                growthPerMonth,
                onsetMonths,
                replacedAtMonths,
                noise);
    }

    MachineCondition withBearingReplaced(double months) {
        return new MachineCondition(
                speedHz,
                unbalanceMmPerSecond,
                misalignmentMmPerSecond,
                misalignmentGrowthPerMonth,
                impact,
                impactGrowthPerMonth,
                impactOnsetMonths,
                months,
                noise);
    }

    double misalignmentAfter(double months) {
        return misalignmentMmPerSecond * Math.pow(1 + misalignmentGrowthPerMonth, months);
    }

    double impactAfter(double months) {
        boolean isNew = replacedAtMonths != NEVER && months >= replacedAtMonths;
        return isNew
                ? AS_GOOD_AS_NEW
                : impact * Math.pow(1 + impactGrowthPerMonth, Math.max(0, months - impactOnsetMonths));
    }
}
