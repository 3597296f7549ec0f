package rovek.server.reading;

import java.util.Arrays;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import rovek.core.signal.SpectralPeaks;
import rovek.core.signal.Spectrum;
import rovek.core.signal.Window;
import rovek.core.technique.Curve;
import rovek.core.trend.MinMaxDecimation;

/**
 * A curve as it goes to the browser, thinned so that no spike is lost.
 *
 * @param kind {@code lines} over frequency or {@code series} over time
 * @param xUnit Hz or s
 * @param yUnit of the values
 * @param peaks of lines, the largest first
 */
public record CurveView(String kind, String name, String xUnit, String yUnit, double[] x, double[] y, List<PeakView> peaks) {

    /** A line that stands out of those round it, with the frequency between the lines. */
    public record PeakView(double at, double value) {}

    private static final int MOST_POINTS = 8_000;
    private static final int MOST_PEAKS = 12;

    /** How many times the lines round it a peak is. */
    private static final double STANDS_OUT = 4;

    static CurveView of(Curve curve) {
        if (curve instanceof Curve.Lines lines) {
            return thinned("lines", lines.name(), "Hz", lines.unit().symbol(), lines.stepHz(), lines.values(), peaks(lines));
        }
        if (curve instanceof Curve.Run run) {
            int[] measured = IntStream.range(0, run.values().length).filter(i -> Double.isFinite(run.values()[i])).toArray();
            int[] kept = MinMaxDecimation.keep(at(measured, i -> run.values()[i]), MOST_POINTS);
            return new CurveView(
                    "series", run.name(), "s", run.unit(),
                    at(kept, i -> run.seconds()[measured[i]]), at(kept, i -> run.values()[measured[i]]), List.of());
        }
        Curve.Series series = (Curve.Series) curve;
        return thinned("series", series.name(), "s", series.unit().symbol(), series.stepSeconds(), series.values(), List.of());
    }

    private static CurveView thinned(String kind, String name, String xUnit, String yUnit, double step, double[] values, List<PeakView> peaks) {
        int[] kept = MinMaxDecimation.keep(values, MOST_POINTS);
        return new CurveView(
                kind, name, xUnit, yUnit,
                at(kept, i -> i * step), at(kept, i -> values[i]), peaks);
    }

    private static List<PeakView> peaks(Curve.Lines lines) {
        return SpectralPeaks.of(new Spectrum(lines.stepHz(), lines.values(), Window.HANN), MOST_PEAKS, STANDS_OUT).stream()
                .map(peak -> new PeakView(peak.hz(), peak.rms()))
                .toList();
    }

    private static double[] at(int[] kept, IntToDoubleFunction of) {
        return Arrays.stream(kept).mapToDouble(of).toArray();
    }
}
