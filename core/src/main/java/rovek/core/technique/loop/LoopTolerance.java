package rovek.core.technique.loop;

import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * How far an output may be off, the sum of up to three parts.
 *
 * @param ofSpan in % of the output span
 * @param ofReading in % of the output that is right, counted from its lower end
 * @param absolute in the output's unit
 */
public record LoopTolerance(double ofSpan, double ofReading, double absolute) {

    /** @throws Refused where a part is negative, or none is above 0 */
    public LoopTolerance {
        if (!(ofSpan >= 0 && ofReading >= 0 && absolute >= 0)
                || !(ofSpan + ofReading + absolute > 0)
                || Double.isInfinite(ofSpan + ofReading + absolute)) {
            throw new Refused(Sentence.of("loop.noTolerance"));
        }
    }

    /** How large an error may be at an input, either way, in % of the output span. */
    public double at(double applied, LoopSpan span) {
        double width = Math.abs(span.upperOutput() - span.lowerOutput());
        double fromLowerEnd = Math.abs(span.ideal(applied) - span.lowerOutput()) / width;
        return ofSpan + ofReading * fromLowerEnd + absolute / width * 100;
    }
}
