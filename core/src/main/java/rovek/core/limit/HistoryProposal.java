package rovek.core.limit;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.trend.Spread;
import rovek.core.trend.TimedValue;
import rovek.core.wording.Sentence;

/**
 * A limit proposed from what was measured: median and k times 1.4826 MAD, 3 for watch and 5 for fail, of few readings
 * more, see {@link SmallSample}. Boundaries are rounded to the first digit of the scatter, away from the median:
 * rounding never brings one nearer to what is usual.
 *
 * @param evidence what it was taken from, as a sentence
 */
public record HistoryProposal(double watch, double fail, Sentence evidence) {

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
        Sentence evidence = Sentence.of(
                "limit.fromHistory",
                "readings",
                values.size(),
                "from",
                day(values.get(0)),
                "to",
                day(values.get(values.size() - 1)),
                "median",
                plain(spread.median(), scale + 1),
                "unit",
                result.unit().symbol(),
                "mad",
                shortly(spread.robustDeviation() / Spread.MAD_TO_DEVIATION),
                "sign",
                away > 0 ? "+" : "−",
                "watch",
                shortly(WATCH_K * factor),
                "fail",
                shortly(FAIL_K * factor),
                "few",
                factor > 1 ? "yes" : "no");
        return Optional.of(new HistoryProposal(watch, fail, evidence));
    }

    private static double rounded(double value, int scale, double away) {
        return new BigDecimal(value)
                .setScale(scale, away > 0 ? RoundingMode.CEILING : RoundingMode.FLOOR)
                .doubleValue();
    }

    private static BigDecimal plain(double value, int scale) {
        return new BigDecimal(value).setScale(scale, RoundingMode.HALF_EVEN).stripTrailingZeros();
    }

    private static BigDecimal shortly(double value) {
        return new BigDecimal(value).round(new MathContext(3)).stripTrailingZeros();
    }

    private static LocalDate day(TimedValue value) {
        return LocalDate.ofInstant(value.at(), ZoneOffset.UTC);
    }
}
