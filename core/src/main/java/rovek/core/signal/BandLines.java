package rovek.core.signal;

import java.util.function.IntToDoubleFunction;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * Which lines of a windowed spectrum belong to a band. A window spreads a tone over its main lobe: the lobe of a peak
 * whose top lies within the band counts whole, also where it reaches over the edge, and the lobe of a peak outside does
 * not count, also where it reaches in. The edges belong to the band; a top within half a line of an edge lies on it,
 * since the lines tell no more.
 *
 * @param first at least 1; likewise {@code last}, not below it
 */
public record BandLines(int first, int last) {

    private static final double ON_THE_EDGE = 0.5;

    /** The top of a peak between the lines. */
    private record Top(int line, double place) {}

    /**
     * @param stepHz distance between lines
     * @param highest the last line there is
     * @param reach of the window's main lobe on each side, in lines
     * @param magnitude of a line, from 0 to {@code highest}; not integrated, since that shifts the tops
     * @throws IllegalArgumentException where the band holds no line
     */
    static BandLines of(Band band, double stepHz, int highest, int reach, IntToDoubleFunction magnitude) {
        double low = band.lowHz() / stepHz;
        double high = band.highHz() / stepHz;
        int plainFirst = Math.max(1, (int) Math.ceil(low - ON_THE_EDGE));
        int plainLast = Math.min(highest, (int) Math.floor(high + ON_THE_EDGE));
        if (plainLast < plainFirst) {
            throw new Refused(Sentence.of("vibration.noLineInBand"));
        }
        Top atLow = top(low, highest, reach, magnitude);
        Top atHigh = top(high, highest, reach, magnitude);
        int first = atLow.place() >= low - ON_THE_EDGE
                ? Math.min(plainFirst, atLow.line() - reach)
                : Math.max(plainFirst, atLow.line() + reach + 1);
        int last = atHigh.place() <= high + ON_THE_EDGE
                ? Math.max(plainLast, atHigh.line() + reach)
                : Math.min(plainLast, atHigh.line() - reach - 1);
        // A narrow band wholly under the lobes of tones beside it: what is there is more likely theirs, but nothing
        // says that it is nothing.
        return last < first
                ? new BandLines(plainFirst, plainLast)
                : new BandLines(Math.max(1, first), Math.min(highest, last));
    }

    /** The peak whose lobe lies over an edge: uphill from the largest line about it. */
    private static Top top(double edge, int highest, int reach, IntToDoubleFunction magnitude) {
        int line = (int) Math.max(1, Math.min(highest, Math.ceil(edge - reach)));
        for (int i = line; i <= Math.min(highest, edge + reach); i++) {
            line = magnitude.applyAsDouble(i) > magnitude.applyAsDouble(line) ? i : line;
        }
        for (int steps = 0; steps <= reach + 1; steps++) {
            double here = magnitude.applyAsDouble(line);
            if (line < highest && magnitude.applyAsDouble(line + 1) > here) {
                line++;
            } else if (line > 1 && magnitude.applyAsDouble(line - 1) > here) {
                line--;
            } else {
                break;
            }
        }
        double above = line < highest ? magnitude.applyAsDouble(line + 1) : 0;
        return new Top(
                line,
                line + SpectralPeaks.offset(magnitude.applyAsDouble(line - 1), magnitude.applyAsDouble(line), above));
    }
}
