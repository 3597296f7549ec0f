package rovek.core.technique.vibration;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import rovek.core.reading.WaveformCapture;
import rovek.core.technique.Analysis;

/**
 * The error of overall values over frequency and phase, as the table in docs/methods/vibration.md has it: pure tones in
 * a record of the default length and sampling, from just inside the lower edge of the band to just inside the upper
 * one, at nine phases and three places between two lines.
 */
final class OverallAccuracy {

    private static final int SAMPLES = 16_384;
    private static final double RATE_HZ = 25_600;
    private static final int PHASES = 9;
    private static final int PLACES = 3;

    private final Vibration vibration = new Vibration();

    /** Errors in %, the least and the largest over the phases. */
    record Row(
            String quantity, String band, double hz, double rmsLow, double rmsHigh, double peakLow, double peakHigh) {

        double worstRms() {
            return Math.max(Math.abs(rmsLow), Math.abs(rmsHigh));
        }

        double worstPeak() {
            return Math.max(Math.abs(peakLow), Math.abs(peakHigh));
        }

        String line() {
            return String.format(
                    Locale.ROOT,
                    "| %s | %s Hz | %s | %.2f | %.2f |",
                    quantity,
                    band,
                    shown(hz),
                    worstRms(),
                    worstPeak());
        }

        private static String shown(double hz) {
            return hz == Math.rint(hz) ? String.valueOf((long) hz) : String.valueOf(hz);
        }
    }

    static final String HEADING = """
            | quantity | band | tone, Hz | RMS, % | peak, % |
            | --- | --- | --- | --- | --- |
            """;

    List<Row> rows() {
        List<Row> rows = new ArrayList<>();
        for (double hz : new double[] {10, 10.5, 12, 14, 24.8, 50, 400, 800, 1000}) {
            for (String quantity : List.of("acceleration", "velocity", "displacement")) {
                rows.add(row(quantity, 10, 1000, hz));
            }
        }
        for (double hz : new double[] {1000, 1200, 2000, 6400, 8000, 10_000}) {
            rows.add(row("acceleration", 1000, 10_000, hz));
        }
        return rows;
    }

    Row row(String quantity, int low, int high, double hz) {
        double[] least = {Double.MAX_VALUE, Double.MAX_VALUE};
        double[] most = {-Double.MAX_VALUE, -Double.MAX_VALUE};
        for (int phase = 0; phase < PHASES; phase++) {
            for (int part = 0; part < PLACES; part++) {
                // On an edge the tone stays there.
                boolean isOnAnEdge = hz == low || hz == high;
                double placed = isOnAnEdge ? hz : hz + (double) part / PLACES * RATE_HZ / SAMPLES;
                double[] errors = errors(quantity, low, high, placed, Math.PI * phase / PHASES);
                for (int i = 0; i < 2; i++) {
                    least[i] = Math.min(least[i], errors[i]);
                    most[i] = Math.max(most[i], errors[i]);
                }
            }
        }
        return new Row(quantity, low + "–" + high, hz, least[0], most[0], least[1], most[1]);
    }

    private double[] errors(String quantity, int low, int high, double hz, double phase) {
        double[] samples = new double[SAMPLES];
        for (int i = 0; i < SAMPLES; i++) {
            samples[i] = Math.sin(2 * Math.PI * hz * i / RATE_HZ + phase);
        }
        Analysis analysis = vibration.analyse(
                WaveformCapture.ofAcceleration(samples, RATE_HZ),
                vibration.settingsOf(Map.of(
                        "measure", quantity, "bandLowHz", String.valueOf(low), "bandHighHz", String.valueOf(high))));
        double omega = 2 * Math.PI * hz;
        double amplitude = switch (quantity) {
            case "velocity" -> 1e3 / omega;
            case "displacement" -> 1e6 / omega / omega;
            default -> 1;
        };
        double rms = analysis.result(quantity + ".rms").orElseThrow().value().value();
        double peak = analysis.result(quantity + ".peak").orElseThrow().value().value();
        return new double[] {100 * (rms * Math.sqrt(2) / amplitude - 1), 100 * (peak / amplitude - 1)};
    }
}
