package rovek.core.technique.loop;

import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * What a transmitter makes of its input.
 *
 * @param lowerRange input at the lower end of the output (LRV), in the input's unit; above {@code upperRange} where it
 *     works reversed
 * @param upperRange input at the upper end of the output (URV)
 * @param lowerOutput e.g. 4 mA; of a digital value the same as {@code lowerRange}
 * @param upperOutput e.g. 20 mA; of a digital value the same as {@code upperRange}
 */
public record LoopSpan(
        double lowerRange, double upperRange, Transfer transfer, double lowerOutput, double upperOutput) {

    /** @throws Refused where an end is no number, or two ends are one */
    public LoopSpan {
        requireSpan(lowerRange, upperRange);
        requireSpan(lowerOutput, upperOutput);
    }

    private static void requireSpan(double lower, double upper) {
        if (lower == upper || !Double.isFinite(upper - lower)) {
            throw new Refused(Sentence.of("loop.noSpan", "lower", lower, "upper", upper));
        }
    }

    public static LoopSpan current(double lowerRange, double upperRange, Transfer transfer) {
        return new LoopSpan(lowerRange, upperRange, transfer, 4, 20);
    }

    /** The value that a transmitter tells in digits is its input itself. */
    public static LoopSpan digital(double lowerRange, double upperRange) {
        return new LoopSpan(lowerRange, upperRange, Transfer.LINEAR, lowerRange, upperRange);
    }

    /** An input as a share of the input span, 0 at its lower and 1 at its upper end. */
    public double share(double input) {
        return (input - lowerRange) / (upperRange - lowerRange);
    }

    /** The output that is right for an input, in the output's unit: I = 4 + 16 (x - LRV) / (URV - LRV) mA. */
    public double ideal(double input) {
        return lowerOutput + transfer.ideal(share(input)) * (upperOutput - lowerOutput);
    }

    /** How far an output is off what is right for the applied input, in % of the output span; above it positive. */
    public double error(double applied, double measured) {
        return (measured - ideal(applied)) / Math.abs(upperOutput - lowerOutput) * 100;
    }
}
