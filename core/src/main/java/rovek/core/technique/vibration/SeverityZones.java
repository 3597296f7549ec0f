package rovek.core.technique.vibration;

import java.util.Optional;
import java.util.OptionalDouble;
import rovek.core.entry.Entry;
import rovek.core.nameplate.AssetClasses;
import rovek.core.nameplate.Nameplate;
import rovek.core.technique.LimitProposal;
import rovek.core.wording.Sentence;

/**
 * Evaluation zones of ISO 20816-3 for RMS velocity on non-rotating parts, by the machine's group (power) and its
 * support. Watch is the boundary of zones B and C, fail that of C and D.
 */
final class SeverityZones {

    /** Machines below this, in kW, are not the standard's. */
    private static final double LEAST_KW = 15;

    /** Above this, in kW, a machine belongs to group 1. */
    private static final double LARGEST_OF_GROUP_2_KW = 300;

    private static final double LARGEST_KW = 40_000;

    /** The standard's range of speed, in rpm. */
    private static final double LEAST_RPM = 120;

    private static final double LARGEST_RPM = 15_000;

    private SeverityZones() {}

    /** @return empty where the nameplate does not say power and foundation, or the machine is not the standard's */
    static Optional<LimitProposal> velocity(Nameplate plate, String resultId) {
        OptionalDouble power = plate.number(AssetClasses.POWER_KW);
        Optional<String> foundation = plate.text(AssetClasses.FOUNDATION);
        double rpm = plate.number(AssetClasses.SPEED_RPM).orElse(LEAST_RPM);
        boolean isCovered = power.isPresent()
                && foundation.isPresent()
                && power.getAsDouble() > LEAST_KW
                && power.getAsDouble() <= LARGEST_KW
                && rpm >= LEAST_RPM
                && rpm <= LARGEST_RPM;
        if (!isCovered) {
            return Optional.empty();
        }
        boolean large = power.getAsDouble() > LARGEST_OF_GROUP_2_KW;
        boolean rigid = foundation.get().equals(AssetClasses.RIGID);
        double watch = large ? (rigid ? 4.5 : 7.1) : (rigid ? 2.8 : 4.5);
        double fail = large ? (rigid ? 7.1 : 11.0) : (rigid ? 4.5 : 7.1);
        Sentence evidence = Sentence.of(
                "vibration.severityZones",
                "group",
                large ? 1 : 2,
                "power",
                String.valueOf(plate.values().get(AssetClasses.POWER_KW)),
                "support",
                Entry.option(foundation.get()));
        return Optional.of(new LimitProposal(resultId, Optional.of(watch), Optional.of(fail), evidence));
    }
}
