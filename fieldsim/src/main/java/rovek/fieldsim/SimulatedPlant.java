package rovek.fieldsim;

import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Random;

/**
 * The plant that the stand-ins touch: what an accelerometer would give at a point of a machine at a time. Repeatable:
 * the same place, time and count give the same samples.
 */
final class SimulatedPlant {

    /** Ball-pass frequency of the outer race over shaft speed, a common deep-groove bearing of eight balls. */
    static final double OUTER_RACE_ORDER = 3.06;

    private static final double RESONANCE_HZ = 3200;
    private static final double DECAY_PER_SECOND = 900;
    static final float OFFSET_VOLTS = 0.021f;
    static final double FULL_SCALE_VOLTS = 5;
    private static final double SECONDS_A_MONTH = Duration.ofDays(365).toSeconds() / 12.0;
    private static final double SCATTER = 0.05;

    private static final Map<String, MachineCondition> KNOWN = Map.of(
            "P-101/drive end", MachineCondition.healthy(24.67, 1.55),
            "P-101/non-drive end", MachineCondition.healthy(24.67, 1.25),
            "P-102/drive end", MachineCondition.healthy(24.67, 1.7).withBearingDefect(0.42, 4),
            "P-102/non-drive end", MachineCondition.healthy(24.67, 1.35).withBearingDefect(0.05, 5),
            "P-103/drive end",
                    MachineCondition.healthy(24.5, 1.3)
                            .withBearingDefect(0.45, -9)
                            .withBearingReplaced(-1.9),
            "B-201/drive end", MachineCondition.healthy(49.2, 1.4).misaligning(0.1, 0.35),
            "B-201/non-drive end", MachineCondition.healthy(49.2, 1.2).misaligning(0.5, 0.09),
            "F-210/drive end", MachineCondition.healthy(16.3, 2.2));

    private final Instant start;
    private final long seed;

    /** @param start when the machines' conditions begin to grow */
    SimulatedPlant(Instant start, long seed) {
        this.start = start;
        this.seed = seed;
    }

    /** Where the sensor sits: "P-102" and "Drive end"; unknown machines get a healthy condition of their own. */
    record Place(String assetTag, String point) {
        String key() {
            return assetTag.strip() + "/" + point.strip().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * Samples as the instrument's converter gives them.
     *
     * @param count how often this place was measured before, so that a repeat differs
     * @return volts, clipped at full scale
     */
    float[] measure(Place place, Instant at, int count, int samples, int rateHz, double sensitivityMvPerG) {
        MachineCondition condition = condition(place);
        double months = months(at);
        Random random = random(place, at, count);
        double[] acceleration = new double[samples];
        addTone(acceleration, rateHz, condition.speedHz(), scattered(condition.unbalanceMmPerSecond(), random), random);
        addTone(
                acceleration,
                rateHz,
                2 * condition.speedHz(),
                scattered(condition.misalignmentAfter(months), random),
                random);
        addImpacts(acceleration, rateHz, condition, scattered(condition.impactAfter(months), random), random);
        double voltsPerAcceleration = sensitivityMvPerG / 1000 / 9.80665;
        float[] volts = new float[samples];
        for (int i = 0; i < samples; i++) {
            double v =
                    (acceleration[i] + condition.noise() * random.nextGaussian()) * voltsPerAcceleration + OFFSET_VOLTS;
            volts[i] = (float) Math.max(-FULL_SCALE_VOLTS, Math.min(FULL_SCALE_VOLTS, v));
        }
        return volts;
    }

    /** Months that things have aged for. */
    double months(Instant at) {
        return Duration.between(start, at).toMillis() / 1000.0 / SECONDS_A_MONTH;
    }

    /** The same for the same place, minute and count. */
    Random random(Place place, Instant at, int count) {
        return new Random(Objects.hash(seed, place.key(), at.getEpochSecond() / 60, count));
    }

    private static MachineCondition condition(Place place) {
        MachineCondition known = KNOWN.get(place.key());
        if (known != null) {
            return known;
        }
        Random random = new Random(place.key().hashCode());
        return MachineCondition.healthy(24.5 + random.nextDouble(), 1.0 + 0.8 * random.nextDouble());
    }

    private static double scattered(double value, Random random) {
        return value * Math.exp(SCATTER * random.nextGaussian());
    }

    private static void addTone(double[] into, int rateHz, double hz, double mmPerSecondRms, Random random) {
        double amplitude = mmPerSecondRms / 1000 * Math.sqrt(2) * 2 * Math.PI * hz;
        double phase = 2 * Math.PI * random.nextDouble();
        for (int i = 0; i < into.length; i++) {
            into[i] += amplitude * Math.sin(2 * Math.PI * hz * i / rateHz + phase);
        }
    }

    private static void addImpacts(double[] into, int rateHz, MachineCondition condition, double size, Random random) {
        double period = 1 / (condition.speedHz() * OUTER_RACE_ORDER);
        double length = into.length / (double) rateHz;
        int ringing = (int) (rateHz * 6 / DECAY_PER_SECOND);
        for (double t = period * random.nextDouble(); t < length; t += period * (1 + 0.01 * random.nextGaussian())) {
            int first = (int) Math.ceil(t * rateHz);
            for (int i = first; i < Math.min(into.length, first + ringing); i++) {
                double since = i / (double) rateHz - t;
                into[i] += size * Math.exp(-DECAY_PER_SECOND * since) * Math.sin(2 * Math.PI * RESONANCE_HZ * since);
            }
        }
    }
}
