package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.List;
import rovek.core.signal.Integration;
import rovek.core.signal.SpectralPeaks;
import rovek.core.signal.Spectrum;
import rovek.core.signal.Window;
import rovek.core.technique.Curve;
import rovek.core.trend.MinMaxDecimation;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.Names;

/**
 * A curve as it goes to the browser: whole, or where it is very long thinned so that no spike is lost.
 *
 * @param kind {@code lines} over frequency or {@code series} over time
 * @param how it was made, blank where there is only one way
 * @param xUnit Hz or s
 * @param yUnit of the values
 * @param step from one value to the next along the axis, beginning at zero; null where the places are told one by one
 * @param x the places, where they are told
 * @param y to seven digits
 * @param usualTo up to where it is looked at first; null for the whole
 * @param peaks of lines, the largest first
 * @param bands whose RMS is a result of its own
 */
public record CurveView(
        String kind,
        String id,
        Sentence name,
        Sentence how,
        String xUnit,
        String yUnit,
        @Nullable Double step,
        double[] x,
        float[] y,
        @Nullable Double usualTo,
        List<PeakView> peaks,
        List<Curve.CurveBand> bands) {

    /** A line that stands out of those round it, with the frequency between the lines. */
    public record PeakView(double at, double value) {}

    private static final int MOST_POINTS = 200_000;
    private static final int MOST_PEAKS = 12;

    /** How many times the lines round it a peak is. */
    private static final double STANDS_OUT = 4;

    /** @return empty for the channels of a run, which belong together */
    static List<CurveView> of(List<Curve> curves) {
        return curves.stream()
                .filter(curve -> !(curve instanceof Curve.Run))
                .map(CurveView::of)
                .toList();
    }

    private static CurveView of(Curve curve) {
        if (curve instanceof Curve.Lines lines) {
            return thinned(
                    "lines",
                    lines,
                    "Hz",
                    lines.unit().symbol(),
                    0,
                    lines.stepHz(),
                    lines.values(),
                    lines.usualHz(),
                    peaks(lines),
                    lines.bands());
        }
        Curve.Series series = (Curve.Series) curve;
        return thinned(
                "series",
                series,
                "s",
                series.unit().symbol(),
                series.startSeconds(),
                series.stepSeconds(),
                series.values(),
                null,
                List.of(),
                List.of());
    }

    private static CurveView thinned(
            String kind,
            Curve curve,
            String xUnit,
            String yUnit,
            double start,
            double step,
            double[] values,
            @Nullable Double usualTo,
            List<PeakView> peaks,
            List<Curve.CurveBand> bands) {
        int[] kept = MinMaxDecimation.keep(values, MOST_POINTS);
        float[] y = new float[kept.length];
        for (int i = 0; i < kept.length; i++) {
            y[i] = (float) values[kept[i]];
        }
        boolean isWhole = kept.length == values.length && start == 0;
        double[] x = isWhole
                ? new double[0]
                : Arrays.stream(kept).mapToDouble(i -> start + i * step).toArray();
        return new CurveView(
                kind,
                curve.id(),
                Names.curve(curve.id()),
                curve.how(),
                xUnit,
                yUnit,
                isWhole ? step : null,
                x,
                y,
                usualTo,
                peaks,
                bands);
    }

    private static List<PeakView> peaks(Curve.Lines lines) {
        return SpectralPeaks.of(
                        new Spectrum(lines.stepHz(), lines.values(), Window.HANN, Integration.NONE),
                        MOST_PEAKS,
                        STANDS_OUT)
                .stream()
                .map(peak -> new PeakView(peak.hz(), peak.rms()))
                .toList();
    }
}
