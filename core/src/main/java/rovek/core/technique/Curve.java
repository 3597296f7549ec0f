package rovek.core.technique;

import java.util.List;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Sentence;

/** Something to draw. The few kinds are all a viewer has to know. */
public sealed interface Curve {

    /** Among the curves of a capture: of its technique, or the name of a channel. */
    String id();

    /** How it was made, e.g. "Hann, 8 averages"; blank where there is only one way. */
    default Sentence how() {
        return Sentence.NONE;
    }

    /**
     * Values over time, evenly spaced.
     *
     * @param startSeconds of the first value since the record began: a filter may leave out its ends
     */
    record Series(String id, double startSeconds, double stepSeconds, double[] values, UnitOfMeasure unit)
            implements Curve {}

    /**
     * RMS amplitudes over frequency, evenly spaced from 0 Hz.
     *
     * @param usualHz up to where it is looked at first; there may be more behind
     * @param bands whose RMS is a result of its own
     */
    record Lines(
            String id,
            Sentence how,
            double stepHz,
            double[] values,
            UnitOfMeasure unit,
            double usualHz,
            List<CurveBand> bands)
            implements Curve {

        public Lines {
            bands = List.copyOf(bands);
        }
    }

    /** A stretch of a spectrum, and the result that is taken of it. */
    record CurveBand(String name, double fromHz, double toHz, String resultId) {}

    /**
     * One channel of a run.
     *
     * @param seconds since the run began, rising
     * @param values NaN where nothing was measured
     * @param unit as the instrument wrote it
     * @param limits between which it should stay
     */
    record Run(String id, double[] seconds, double[] values, String unit, ChannelLimits limits) implements Curve {}
}
