package rovek.core.reading;

import java.util.Objects;
import java.util.OptionalDouble;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * Evenly sampled values of one sensor.
 *
 * @param samples in {@code unit}; the array is handed over, not copied
 * @param rateHz samples per second, above 0
 * @param unit volts of an accelerometer, or an acceleration
 * @param sensitivityMvPerG the accelerometer's sensitivity; needed where the unit is a voltage
 * @param fullScale largest magnitude the instrument can represent, in {@code unit}, where it says so
 */
public record WaveformCapture(
        double[] samples, double rateHz, UnitOfMeasure unit, OptionalDouble sensitivityMvPerG, OptionalDouble fullScale)
        implements Capture {

    /** Upwards a converter of 16 bits ends one step below its full scale: at 32767 of 32768. */
    private static final double ONE_STEP = 1.01 / 32_768;

    /** So many equal samples near the full scale are a signal that was cut off there. */
    private static final int FLAT = 3;

    private static final double NEARLY = 0.999;

    public WaveformCapture {
        Objects.requireNonNull(samples, "samples");
        require(samples.length, rateHz, unit, sensitivityMvPerG);
        for (double sample : samples) {
            if (!Double.isFinite(sample)) {
                throw new Refused(Sentence.of("reading.waveformNotNumbers"));
            }
        }
    }

    /**
     * What every waveform must be, however its samples are stored.
     *
     * @throws Refused with a sentence, where it is not
     */
    public static void require(int samples, double rateHz, UnitOfMeasure unit, OptionalDouble sensitivityMvPerG) {
        if (samples == 0) {
            throw new Refused(Sentence.of("reading.waveformEmpty"));
        }
        if (!(rateHz > 0) || Double.isInfinite(rateHz)) {
            throw new Refused(Sentence.of("reading.rateNotAbove0", "rate", rateHz));
        }
        boolean volts = unit.isComparableTo(UnitCatalogue.VOLT);
        if (!volts && !unit.isComparableTo(UnitCatalogue.METRE_PER_SQUARE_SECOND)) {
            throw new Refused(Sentence.of("reading.waveformUnit", "unit", unit.symbol()));
        }
        if (volts && !(sensitivityMvPerG.orElse(0) > 0 && Double.isFinite(sensitivityMvPerG.getAsDouble()))) {
            throw new Refused(Sentence.of("reading.noSensitivity"));
        }
    }

    public static WaveformCapture ofAcceleration(double[] metresPerSquareSecond, double rateHz) {
        return new WaveformCapture(
                metresPerSquareSecond,
                rateHz,
                UnitCatalogue.METRE_PER_SQUARE_SECOND,
                OptionalDouble.empty(),
                OptionalDouble.empty());
    }

    public double durationSeconds() {
        return samples.length / rateHz;
    }

    /** Whether a sample touches the instrument's full scale, so that the true signal may have been larger. */
    public boolean isOverloaded() {
        if (fullScale.isEmpty()) {
            return false;
        }
        double edge = fullScale.getAsDouble() * (1 - ONE_STEP);
        double nearly = fullScale.getAsDouble() * NEARLY;
        int level = 1;
        for (int i = 0; i < samples.length; i++) {
            boolean isHigh = Math.abs(samples[i]) >= nearly;
            level = isHigh && i > 0 && samples[i] == samples[i - 1] ? level + 1 : 1;
            if (Math.abs(samples[i]) >= edge || level >= FLAT) {
                return true;
            }
        }
        return false;
    }

    /** The samples as acceleration in m/s², sensor sensitivity applied; always a fresh array. */
    public double[] metresPerSquareSecond() {
        double factor = sensitivityMvPerG.isPresent() && unit.isComparableTo(UnitCatalogue.VOLT)
                ? unit.convert(1, UnitCatalogue.MILLIVOLT) / sensitivityMvPerG.getAsDouble() * 9.80665
                : unit.convert(1, UnitCatalogue.METRE_PER_SQUARE_SECOND);
        double[] acceleration = new double[samples.length];
        for (int i = 0; i < samples.length; i++) {
            acceleration[i] = samples[i] * factor;
        }
        return acceleration;
    }
}
