package rovek.core.limit;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.trend.Spread;
import rovek.core.trend.TimedValue;

/**
 * A limit proposed from what was measured: median and k times 1.4826 MAD, 3 for watch and 5 for fail, of few readings
 * more, see {@link SmallSample}. Boundaries are rounded to the first digit of the scatter, away from the median:
 * rounding never brings one nearer to what is usual.
 *
 * @param evidence what it was taken from, as a sentence
 */
public record HistoryProposal(double watch, double fail, String evidence) {

    /** Fewer readings say too little of how they scatter. */
    public static final int LEAST_READINGS = 8;

    private static final double WATCH_K = 3;
    private static final double FAIL_K = 5;

    /**
     * @param values since the last new start, in the unit of the result
     * @return empty where there are too few readings, or they do not scatter
     */
    public static Optional<HistoryProposal> of(List<TimedValue> values, ResultDefinition result) {
        if (values.size() < LEAST_READINGS) {
            return Optional.empty();
        }
        Spread spread = Spread.of(values.stream().mapToDouble(TimedValue::value).toArray());
        if (!(spread.robustDeviation() > 0)) {
            return Optional.empty();
        }
        double away = result.sense() == Sense.HIGHER_IS_WORSE ? 1 : -1;
        double factor = SmallSample.robust(values.size());
        // Digits of the scatter, not of the value: 1482.3 +- 0.4 is known to a tenth.
        int scale = -(int) Math.floor(Math.log10(spread.robustDeviation()));
        double watch = rounded(spread.median() + away * WATCH_K * factor * spread.robustDeviation(), scale, away);
        double fail = rounded(spread.median() + away * FAIL_K * factor * spread.robustDeviation(), scale, away);
        String evidence = String.format(
                Locale.ROOT,
                "%d readings from %s to %s: median %s %s, MAD %s; median %s %s and %s × 1.4826 MAD%s",
                values.size(),
                day(values.get(0)),
                day(values.get(values.size() - 1)),
                plain(spread.median(), scale + 1),
                result.unit(),
                shortly(spread.robustDeviation() / Spread.MAD_TO_DEVIATION),
                away > 0 ? "+" : "−",
                shortly(WATCH_K * factor),
                shortly(FAIL_K * factor),
                factor > 1 ? ", more than 3 and 5 because the readings are few" : "");
        return Optional.of(new HistoryProposal(watch, fail, evidence));
    }

    private static double rounded(double value, int scale, double away) {
        return new BigDecimal(value)
                .setScale(scale, away > 0 ? RoundingMode.CEILING : RoundingMode.FLOOR)
                .doubleValue();
    }

    private static String plain(double value, int scale) {
        return new BigDecimal(value)
                .setScale(scale, RoundingMode.HALF_EVEN)
                .stripTrailingZeros()
                .toPlainString();
    }

    private static String shortly(double value) {
        return new BigDecimal(value)
                .round(new MathContext(3))
                .stripTrailingZeros()
                .toPlainString();
    }

    private static String day(TimedValue value) {
        return value.at().toString().substring(0, 10);
    }
}
