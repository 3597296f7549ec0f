package rovek.core.technique.vibration;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;

/**
 * A machine with a rolling bearing as a sensor on its housing has it, with random speed, geometry, loudness and
 * whatever a sound machine does anyway: shaft speed and some multiples, hum of the supply, blades, a tone that rings
 * high up, swelling with the shaft or not, noise of any strength or none. A damaged one strikes as well.
 */
public final class SimulatedMachine {

    public static final double RATE_HZ = 25_600;
    private static final int SAMPLES = 16_384;

    /** What is wrong with the bearing. */
    public enum Damage {
        NONE,
        OUTER_RACE,
        INNER_RACE,
        ROLLING_ELEMENT
    }

    private final Random chance;
    private final double shaftHz;
    private final Map<String, String> plate = new HashMap<>();
    private final int elements;
    private final double ratio;

    public SimulatedMachine(long seed) {
        this.chance = new Random(seed);
        double rpm = between(600, 3_600);
        this.elements = 6 + chance.nextInt(9);
        this.ratio = between(0.15, 0.35);
        this.shaftHz = rpm / 60 * between(0.98, 1.02);
        plate.put("speedRpm", String.valueOf(Math.rint(rpm)));
        plate.put("bearingBalls", String.valueOf(elements));
        plate.put("bearingBallMm", String.valueOf(ratio * 65));
        plate.put("bearingPitchMm", "65");
        if (chance.nextBoolean()) {
            plate.put("supplyHz", "50");
        }
    }

    public Map<String, String> plate() {
        return plate;
    }

    /**
     * @param strokes how large each is, in standard deviations of what the noise has within 1 to 10 kHz; of no meaning
     *     for a sound machine
     */
    public double[] acceleration(Damage damage, double strokes) {
        double[] samples = new double[SAMPLES];
        double unbalance = between(0.2, 3);
        for (int n = 1; n <= 8; n++) {
            // What is turned into acceleration of mm/s RMS.
            double mmPerSecond = unbalance * (n == 1 ? 1 : n == 2 ? between(0, 0.4) : between(0, 0.08));
            add(samples, n * shaftHz, mmPerSecond / 1_000 * Math.sqrt(2) * 2 * Math.PI * n * shaftHz, 0);
        }
        if (chance.nextBoolean()) {
            add(samples, 100, between(0, 0.3), 0);
        }
        if (chance.nextBoolean()) {
            add(samples, (3 + chance.nextInt(6)) * shaftHz, between(0, 1), 0);
        }
        double noise = chance.nextInt(8) == 0 && damage == Damage.NONE ? 0 : Math.pow(10, between(-1.5, 0.5));
        // A tone far louder than the strokes hides them from any envelope.
        double loudest = damage == Damage.NONE ? 5 : noise;
        for (int tones = chance.nextInt(3); tones > 0; tones--) {
            add(samples, between(1_000, 9_000), between(0, loudest), chance.nextBoolean() ? between(0, 0.5) : 0);
        }
        for (int i = 0; i < SAMPLES; i++) {
            samples[i] += noise * chance.nextGaussian();
        }
        strike(samples, damage, strokes * noise * Math.sqrt(9_000 / (RATE_HZ / 2)));
        return samples;
    }

    private double between(double low, double high) {
        return low + (high - low) * chance.nextDouble();
    }

    /** @param swelling depth at which it swells with the shaft */
    private void add(double[] samples, double hz, double amplitude, double swelling) {
        double phase = between(0, 2 * Math.PI);
        for (int i = 0; i < samples.length; i++) {
            double t = i / RATE_HZ;
            double swell = 1 + swelling * Math.cos(2 * Math.PI * shaftHz * t);
            samples[i] += amplitude * swell * Math.sin(2 * Math.PI * hz * t + phase);
        }
    }

    private double defectHz(Damage damage) {
        return switch (damage) {
            case OUTER_RACE -> elements / 2.0 * shaftHz * (1 - ratio);
            case INNER_RACE -> elements / 2.0 * shaftHz * (1 + ratio);
            default -> shaftHz / (2 * ratio) * (1 - ratio * ratio);
        };
    }

    private void strike(double[] samples, Damage damage, double size) {
        if (damage == Damage.NONE) {
            return;
        }
        double slip = between(0.992, 1.004);
        double swelling = damage == Damage.OUTER_RACE ? 0 : between(0.3, 0.9);
        double apart = damage == Damage.ROLLING_ELEMENT ? shaftHz / 2 * (1 - ratio) : shaftHz;
        double resonance = between(2_000, 7_000);
        double period = 1 / (defectHz(damage) * slip);
        for (double at = between(0, period); at < SAMPLES / RATE_HZ; at += period) {
            double stroke = size * (1 + swelling * Math.cos(2 * Math.PI * apart * at));
            for (int i = (int) Math.ceil(at * RATE_HZ); i < Math.min(SAMPLES, at * RATE_HZ + 120); i++) {
                double since = i / RATE_HZ - at;
                samples[i] += stroke * Math.exp(-1_200 * since) * Math.sin(2 * Math.PI * resonance * since);
            }
        }
    }
}
