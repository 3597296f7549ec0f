package rovek.server.limit;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import rovek.core.limit.Baselines;
import rovek.core.limit.SeriesJudge;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.trend.Spread;
import rovek.core.trend.TimedValue;

/** A limit proposed from what was measured since the last repair: median and k times 1.4826 MAD, 3 for watch and 5 for fail. */
record HistoryProposal(double watch, double fail, String evidence) {

    private static final int LEAST_READINGS = 5;
    private static final double WATCH_K = 3;
    private static final double FAIL_K = 5;
    private static final int DIGITS = 3;

    /** @return empty where there are too few readings, or they do not scatter */
    static Optional<HistoryProposal> of(SeriesJudge history, ResultDefinition result) {
        List<TimedValue> values = sinceLastStart(history);
        if (values.size() < LEAST_READINGS) {
            return Optional.empty();
        }
        Spread spread = Spread.of(values.stream().mapToDouble(TimedValue::value).toArray());
        if (spread.robustDeviation() == 0) {
            return Optional.empty();
        }
        double away = result.sense() == Sense.HIGHER_IS_WORSE ? 1 : -1;
        DoubleUnaryOperator boundary = k -> rounded(spread.median() + away * k * spread.robustDeviation());
        String evidence = String.format(
                Locale.ROOT, "%d readings from %s to %s: median %.3g %s, MAD %.3g; median %s 3 and 5 × 1.4826 MAD",
                values.size(), day(values.get(0)), day(values.get(values.size() - 1)), spread.median(), result.unit(),
                spread.robustDeviation() / Spread.MAD_TO_DEVIATION, away > 0 ? "+" : "−");
        return Optional.of(new HistoryProposal(boundary.applyAsDouble(WATCH_K), boundary.applyAsDouble(FAIL_K), evidence));
    }

    private static List<TimedValue> sinceLastStart(SeriesJudge history) {
        List<Baselines.Start> starts = history.baselines().starts();
        return starts.isEmpty()
                ? history.values()
                : history.values().stream().filter(value -> !value.at().isBefore(starts.get(starts.size() - 1).at())).toList();
    }

    private static String day(TimedValue value) {
        return value.at().toString().substring(0, 10);
    }

    private static double rounded(double value) {
        return new BigDecimal(value).round(new MathContext(DIGITS)).doubleValue();
    }
}
