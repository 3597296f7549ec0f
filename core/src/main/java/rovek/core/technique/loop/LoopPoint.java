package rovek.core.technique.loop;

import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * One point of a calibration.
 *
 * @param nominal what was to be applied, in % of the input span: it names the point
 * @param applied what was applied, in the input's unit
 * @param measured what the output was, in its unit
 * @param isRising whether the input came from below
 */
public record LoopPoint(double nominal, double applied, double measured, boolean isRising) {

    /** @throws Refused where a value is missing: no error can be told from it */
    public LoopPoint {
        if (!Double.isFinite(nominal) || !Double.isFinite(applied) || !Double.isFinite(measured)) {
            throw new Refused(Sentence.of("loop.pointWithoutNumber", "point", nominal));
        }
    }
}
