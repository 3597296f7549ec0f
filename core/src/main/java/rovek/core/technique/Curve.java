package rovek.core.technique;

import rovek.core.unit.UnitOfMeasure;

/** Something to draw. The few kinds are all a viewer has to know. */
public sealed interface Curve {

    String name();

    /** Values over time, evenly spaced from 0 s. */
    record Series(String name, double stepSeconds, double[] values, UnitOfMeasure unit) implements Curve {}

    /** RMS amplitudes over frequency, evenly spaced from 0 Hz. */
    record Lines(String name, double stepHz, double[] values, UnitOfMeasure unit) implements Curve {}

    /**
     * One channel of a run.
     *
     * @param seconds since the run began, rising
     * @param values NaN where nothing was measured
     * @param unit as the instrument wrote it
     */
    record Run(String name, double[] seconds, double[] values, String unit) implements Curve {}
}
