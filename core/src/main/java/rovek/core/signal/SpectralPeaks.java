package rovek.core.signal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Finds the peaks of a spectrum and how far they stand out of what lies round them. */
public final class SpectralPeaks {

    /** Lines on each side that say what is usual there. */
    private static final int ROUND = 20;

    private SpectralPeaks() {}

    /**
     * A local maximum.
     *
     * @param hz where, between the lines
     * @param rms the line's own value
     * @param standsOut how many times the median of the lines round it
     */
    public record Peak(double hz, double rms, double standsOut) {}

    /** The largest peaks that stand out, the largest first. */
    public static List<Peak> of(Spectrum spectrum, int most, double leastStandsOut) {
        List<Peak> peaks = new ArrayList<>();
        double[] lines = spectrum.rms();
        for (int i = 2; i < lines.length - 1; i++) {
            if (lines[i] > lines[i - 1] && lines[i] >= lines[i + 1] && lines[i] > 0) {
                Peak peak = at(spectrum, i);
                if (peak.standsOut() >= leastStandsOut) {
                    peaks.add(peak);
                }
            }
        }
        peaks.sort(Comparator.comparingDouble(Peak::rms).reversed());
        return List.copyOf(peaks.subList(0, Math.min(most, peaks.size())));
    }

    /**
     * The largest peak whose top lies within a tolerance of a frequency; empty where there is none: the slope of
     * another peak is no peak.
     */
    public static Optional<Peak> near(Spectrum spectrum, double hz, double toleranceHz) {
        double[] lines = spectrum.rms();
        double step = spectrum.stepHz();
        int from = Math.max(1, (int) Math.floor((hz - toleranceHz) / step));
        int to = Math.min(lines.length - 2, (int) Math.ceil((hz + toleranceHz) / step));
        int best = -1;
        for (int i = from; i <= to; i++) {
            boolean isTop = lines[i] > lines[i - 1] && lines[i] >= lines[i + 1];
            boolean isNear = isTop && Math.abs((i + offset(spectrum, i)) * step - hz) <= toleranceHz;
            best = isNear && (best < 0 || lines[i] > lines[best]) ? i : best;
        }
        return best < 0 ? Optional.empty() : Optional.of(at(spectrum, best));
    }

    private static Peak at(Spectrum spectrum, int line) {
        double[] lines = spectrum.rms();
        double usual = usual(lines, line);
        double standsOut = usual == 0 ? (lines[line] > 0 ? Double.POSITIVE_INFINITY : 0) : lines[line] / usual;
        return new Peak((line + offset(spectrum, line)) * spectrum.stepHz(), lines[line], standsOut);
    }

    /**
     * Where between the lines a peak's top lies, from -0.5 to 0.5 lines. Of a tone under a Hann window exactly, from
     * the ratio r of its two largest lines: (2 r - 1) / (r + 1); under another by a parabola. What was integrated tilts
     * the lines and is taken back first.
     */
    private static double offset(Spectrum spectrum, int i) {
        if (i < 1 || i > spectrum.rms().length - 2) {
            return 0;
        }
        double before = plain(spectrum, i - 1);
        double at = plain(spectrum, i);
        double after = plain(spectrum, i + 1);
        if (spectrum.window() != Window.HANN) {
            return offset(before, at, after);
        }
        double ratio = Math.max(before, after) / at;
        double offset = Math.max(0, Math.min(0.5, (2 * ratio - 1) / (ratio + 1)));
        return after > before ? offset : -offset;
    }

    private static double plain(Spectrum spectrum, int line) {
        return line == 0 ? 0 : spectrum.rms()[line] / spectrum.integration().amplitudeFactor(line * spectrum.stepHz());
    }

    /**
     * Where between the lines the top of the parabola through three logarithms lies: -0.5 to 0.5 lines from the middle
     * one.
     */
    static double offset(double before, double at, double after) {
        if (before <= 0 || at <= 0 || after <= 0) {
            return 0;
        }
        double left = Math.log(before);
        double right = Math.log(after);
        double curve = left - 2 * Math.log(at) + right;
        return curve >= 0 ? 0 : Math.max(-0.5, Math.min(0.5, (left - right) / (2 * curve)));
    }

    /** The median of the lines round one, without its own foot. */
    private static double usual(double[] lines, int line) {
        double[] round = new double[2 * ROUND];
        int count = 0;
        for (int i = Math.max(1, line - ROUND - 2); i <= Math.min(lines.length - 1, line + ROUND + 2); i++) {
            if (Math.abs(i - line) > 2) {
                round[count++] = lines[i];
            }
        }
        if (count == 0) {
            return 0;
        }
        double[] sorted = Arrays.copyOf(round, count);
        Arrays.sort(sorted);
        return sorted[count / 2];
    }
}
