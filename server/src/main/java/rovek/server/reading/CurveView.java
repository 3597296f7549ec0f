package rovek.server.reading;

import java.util.Arrays;
import rovek.core.technique.Curve;
import rovek.core.trend.MinMaxDecimation;

/**
 * A curve as it goes to the browser, thinned so that no spike is lost.
 *
 * @param kind {@code lines} over frequency or {@code series} over time
 * @param xUnit Hz or s
 * @param yUnit of the values
 */
public record CurveView(String kind, String name, String xUnit, String yUnit, double[] x, double[] y) {

    private static final int MOST_POINTS = 8_000;

    static CurveView of(Curve curve) {
        if (curve instanceof Curve.Lines lines) {
            return thinned("lines", lines.name(), "Hz", lines.unit().symbol(), lines.stepHz(), lines.values());
        }
        Curve.Series series = (Curve.Series) curve;
        return thinned("series", series.name(), "s", series.unit().symbol(), series.stepSeconds(), series.values());
    }

    private static CurveView thinned(String kind, String name, String xUnit, String yUnit, double step, double[] values) {
        int[] kept = MinMaxDecimation.keep(values, MOST_POINTS);
        return new CurveView(
                kind, name, xUnit, yUnit,
                Arrays.stream(kept).mapToDouble(i -> i * step).toArray(),
                Arrays.stream(kept).mapToDouble(i -> values[i]).toArray());
    }
}
