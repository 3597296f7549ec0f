package rovek.core.limit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import java.util.stream.DoubleStream;
import net.jqwik.api.Example;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.trend.Spread;
import rovek.core.trend.TimedValue;
import rovek.core.unit.UnitCatalogue;

class HistoryProposalTest {

    private static final Instant START = Instant.parse("2026-01-01T08:00:00Z");

    private static List<TimedValue> daily(double... values) {
        return java.util.stream.IntStream.range(0, values.length)
                .mapToObj(i -> new TimedValue(START.plusSeconds(86_400L * i), values[i]))
                .toList();
    }

    private static ResultDefinition result(Sense sense) {
        return new ResultDefinition("r", "value", "", UnitCatalogue.MILLIMETRE_PER_SECOND, sense);
    }

    private static double[] repeated(double... values) {
        return DoubleStream.concat(
                        DoubleStream.concat(DoubleStream.of(values), DoubleStream.of(values)), DoubleStream.of(values))
                .toArray();
    }

    /**
     * The fault that was seen: of a median of 1482 and a MAD of 0.29 both boundaries were 1480, below what is usual.
     */
    @Example
    void boundariesKeepTheDigitsOfTheScatterAndAreRoundedOutward() {
        double[] values = repeated(1482, 1482.29, 1481.71, 1482.6, 1481.4, 1482.1, 1481.9, 1482.29, 1481.71);
        double deviation = Spread.of(values).robustDeviation();
        assertThat(deviation).as("MAD 0.29").isCloseTo(0.29 * 1.4826, within(1e-9));
        HistoryProposal up =
                HistoryProposal.of(daily(values), result(Sense.HIGHER_IS_WORSE)).orElseThrow();
        assertThat(up.watch()).as("1482 + 3 x 0.43 = 1483.29").isEqualTo(1483.3);
        assertThat(up.fail()).as("1482 + 5 x 0.43 = 1484.15").isEqualTo(1484.2);
        HistoryProposal down =
                HistoryProposal.of(daily(values), result(Sense.LOWER_IS_WORSE)).orElseThrow();
        assertThat(down.watch()).isEqualTo(1480.7);
        assertThat(down.fail()).isEqualTo(1479.8);
        assertThat(up.evidence())
                .hasToString(
                        "limit.fromHistory {fail=5, few=no, from=2026-01-01, mad=0.29, median=1482, readings=27, sign=+, "
                                + "to=2026-01-27, unit=mm/s, watch=3}");
    }

    @Example
    void fewReadingsAreAskedForMoreOrWidenTheBoundary() {
        double[] seven = {1, 1.1, 0.9, 1.05, 0.95, 1.02, 0.98};
        assertThat(HistoryProposal.of(daily(seven), result(Sense.HIGHER_IS_WORSE)))
                .isEmpty();
        HistoryProposal eight = HistoryProposal.of(
                        daily(1, 1.1, 0.9, 1.05, 0.95, 1.02, 0.98, 1), result(Sense.HIGHER_IS_WORSE))
                .orElseThrow();
        assertThat(eight.evidence().values())
                .containsEntry("sign", "+")
                .containsEntry("watch", new BigDecimal("4.8"))
                .containsEntry("fail", new BigDecimal("8"))
                .containsEntry("few", "yes");
        assertThat(HistoryProposal.of(daily(new double[20]), result(Sense.HIGHER_IS_WORSE)))
                .as("what does not scatter at all")
                .isEmpty();
    }

    /** How often a further normal reading lies past k = 3: the seed is fixed. */
    @Example
    void byChanceNoMoreThanOneInAHundredLiesPastTheWatchBoundary() {
        for (int n : new int[] {5, 6, 8, 9, 10, 14, 20, 40}) {
            Random chance = new Random(31L * n);
            int pastRobust = 0;
            int pastClassical = 0;
            int series = 40_000;
            for (int i = 0; i < series; i++) {
                double[] values =
                        chance.doubles(n).map(none -> chance.nextGaussian()).toArray();
                Spread spread = Spread.of(values);
                double further = chance.nextGaussian();
                pastRobust += further > spread.median() + 3 * SmallSample.robust(n) * spread.robustDeviation() ? 1 : 0;
                pastClassical +=
                        further > spread.mean() + 3 * SmallSample.classical(n) * spread.standardDeviation() ? 1 : 0;
            }
            assertThat(100.0 * pastRobust / series)
                    .as("robust, %s readings, in %%", n)
                    .isLessThan(1.15);
            assertThat(100.0 * pastClassical / series)
                    .as("classical, %s readings, in %%", n)
                    .isLessThan(1.15);
        }
    }
}
