package rovek.core.trend;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What the interval of a date promises, counted over simulated series whose truth is known. The seed is fixed. */
class TrendCoverageTest {

    private static final int SERIES = 2_000;
    private static final int[] LENGTHS = {6, 8, 12, 20, 40, 100};
    private static final double DAYS_APART = 30;
    private static final Instant START = Instant.parse("2025-01-06T09:00:00Z");

    /** Each over the whole length of its series; the limit is reached as much later as {@code ahead} says. */
    enum Kind {
        RISING_LINE(1.7, part -> 2 + 1.6 * part, 0.2, false),
        FALLING_LINE(1.7, part -> 9 - 1.6 * part, 0.2, false),
        GROWTH_SIXFOLD(1.5, part -> Math.pow(6, part), 0.05, true);

        private final double ahead;
        private final DoubleUnaryOperator truth;
        private final double scatter;
        private final boolean isShare;

        Kind(double ahead, DoubleUnaryOperator truth, double scatter, boolean isShare) {
            this.ahead = ahead;
            this.truth = truth;
            this.scatter = scatter;
            this.isShare = isShare;
        }

        List<TimedValue> series(int n, Random chance) {
            double whole = DAYS_APART * (n - 1);
            List<TimedValue> values = new ArrayList<>();
            double day = 0;
            for (int i = 0; i < n; i++) {
                double true_ = truth.applyAsDouble(day / whole);
                values.add(new TimedValue(at(day), true_ + scatter * (isShare ? true_ : 1) * chance.nextGaussian()));
                day += DAYS_APART * (0.5 + chance.nextDouble());
            }
            return values;
        }

        double limit() {
            return truth.applyAsDouble(ahead);
        }

        Instant reachedAt(int n) {
            return at(ahead * DAYS_APART * (n - 1));
        }

        private static Instant at(double day) {
            return START.plusMillis(Math.round(day * 86_400_000));
        }
    }

    /** What is hardly curved cannot be told from a line by its own readings: how often the interval still holds. */
    @Test
    void ofASlightGrowthTheIntervalHoldsMoreThanHalfAndWithManyReadingsNineInTen() {
        for (int n : new int[] {8, 12, 100}) {
            Random chance = new Random(5L * n);
            int told = 0;
            int held = 0;
            for (int i = 0; i < SERIES / 2; i++) {
                double whole = DAYS_APART * (n - 1);
                List<TimedValue> values = new ArrayList<>();
                for (int k = 0; k < n; k++) {
                    double true_ = Math.pow(2, k * DAYS_APART / whole);
                    values.add(new TimedValue(Kind.at(k * DAYS_APART), true_ * (1 + 0.05 * chance.nextGaussian())));
                }
                Optional<Trend.Reaching> reaching =
                        Trend.of(values).orElseThrow().reaching(Math.pow(2, 1.5));
                told += reaching.isPresent() ? 1 : 0;
                Instant truth = Kind.at(1.5 * whole);
                held += reaching.filter(one -> !truth.isBefore(one.earliest())
                                        && one.latest().filter(truth::isAfter).isEmpty())
                                .isPresent()
                        ? 1
                        : 0;
            }
            assertThat(100.0 * held / told).as("%s readings", n).isGreaterThan(n == 100 ? 85 : 50);
        }
    }

    /** A decay slows down: it is never called a growth, and along a line it would be dated far too early. */
    @Test
    void aDecayIsNeverAGrowthAndSeldomHasADate() {
        Random chance = new Random(7);
        int dated = 0;
        for (int i = 0; i < SERIES; i++) {
            List<TimedValue> values = new ArrayList<>();
            for (int day = 0; day < 600; day += 30) {
                values.add(new TimedValue(Kind.at(day), 1 + 5 * Math.exp(-day / 200.0) + 0.1 * chance.nextGaussian()));
            }
            Trend trend = Trend.of(values).orElseThrow();
            assertThat(trend.isGrowth()).isFalse();
            dated += trend.reaching(0.5).isPresent() ? 1 : 0;
        }
        assertThat(dated).isLessThan(SERIES / 50);
    }

    /** Where the slope may as well be 0, nobody can say that the limit is ever reached. */
    @Test
    void ofASlopeThatIsHardlyOneTheLatestDateIsLeftOpen() {
        Random chance = new Random(5);
        int open = 0;
        int told = 0;
        for (int i = 0; i < SERIES; i++) {
            List<TimedValue> values = new ArrayList<>();
            for (int day = 0; day < 240; day += 30) {
                values.add(new TimedValue(Kind.at(day), 2 + 0.0015 * day + 0.1 * chance.nextGaussian()));
            }
            Optional<Trend.Reaching> reaching = Trend.of(values).orElseThrow().reaching(3);
            told += reaching.isPresent() ? 1 : 0;
            open += reaching.filter(one -> one.latest().isEmpty()).isPresent() ? 1 : 0;
            reaching.ifPresent(one -> assertThat(one.earliest()).isBeforeOrEqualTo(one.at()));
        }
        assertThat(told).isGreaterThan(SERIES / 3);
        assertThat(open).as("often, but not always").isBetween(told / 20, told / 2);
    }

    @ParameterizedTest
    @EnumSource(Kind.class)
    void theIntervalHoldsTheTrueDateNineTimesInTen(Kind kind) {
        for (int n : LENGTHS) {
            Random chance = new Random(20_816L + n);
            int told = 0;
            int held = 0;
            int growths = 0;
            for (int i = 0; i < SERIES; i++) {
                Optional<Trend> trend = Trend.of(kind.series(n, chance));
                growths += trend.orElseThrow().isGrowth() ? 1 : 0;
                Optional<Trend.Reaching> reaching = trend.get().reaching(kind.limit());
                if (reaching.isPresent()) {
                    told++;
                    Instant truth = kind.reachedAt(n);
                    held += !truth.isBefore(reaching.get().earliest())
                                    && reaching.get()
                                            .latest()
                                            .filter(truth::isAfter)
                                            .isEmpty()
                            ? 1
                            : 0;
                }
            }
            assertThat(100.0 * held / told)
                    .as("%s of %s readings: in %% of %s dates told", kind, n, told)
                    .isBetween(87.0, 93.0);
            assertThat(told)
                    .as("a date is told of nearly all, but of six readings that scatter")
                    .isGreaterThan(n == 6 ? 1_500 : 1_900);
            if (kind == Kind.GROWTH_SIXFOLD) {
                assertThat(growths).isGreaterThan(n == 6 ? 1_500 : 1_850);
            } else {
                assertThat(growths)
                        .as("straight series that are taken for a growth: no more than by chance")
                        .isLessThan(SERIES / 50);
            }
        }
    }
}
