package rovek.server.reading;

import java.util.Arrays;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
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
        if (curve instanceof Curve.Run run) {
            int[] measured = IntStream.range(0, run.values().length).filter(i -> Double.isFinite(run.values()[i])).toArray();
            int[] kept = MinMaxDecimation.keep(at(measured, i -> run.values()[i]), MOST_POINTS);
            return new CurveView(
                    "series", run.name(), "s", run.unit(),
                    at(kept, i -> run.seconds()[measured[i]]), at(kept, i -> run.values()[measured[i]]));
        }
        Curve.Series series = (Curve.Series) curve;
        return thinned("series", series.name(), "s", series.unit().symbol(), series.stepSeconds(), series.values());
    }

    private static CurveView thinned(String kind, String name, String xUnit, String yUnit, double step, double[] values) {
        int[] kept = MinMaxDecimation.keep(values, MOST_POINTS);
        return new CurveView(
                kind, name, xUnit, yUnit,
                at(kept, i -> i * step), at(kept, i -> values[i]));
    }

    private static double[] at(int[] kept, IntToDoubleFunction of) {
        return Arrays.stream(kept).mapToDouble(of).toArray();
    }
}
