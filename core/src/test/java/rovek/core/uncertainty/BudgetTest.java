package rovek.core.uncertainty;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import rovek.core.wording.Refused;

class BudgetTest {

    private static final double CERTAIN = Double.POSITIVE_INFINITY;

    /** The end gauge of JCGM 100:2008, example H.1: table H.1, and H.1.6 for the degrees of freedom. */
    @Example
    void theEndGaugeOfTheGuide() {
        Budget budget = new Budget(List.of(
                new Contribution("standard", 25, Distribution.NORMAL, 1, 1, 18),
                new Contribution("repeated observations", 5.8, Distribution.NORMAL, 1, 1, 24),
                new Contribution("comparator, random", 3.9, Distribution.NORMAL, 1, 1, 5),
                new Contribution("comparator, systematic", 6.7, Distribution.NORMAL, 1, 1, 8),
                new Contribution("difference in expansion", 2.9, Distribution.NORMAL, 1, 1, 50),
                new Contribution("difference in temperature", 16.6, Distribution.NORMAL, 1, 1, 2)));
        // 31.7 nm, stated as 32.
        assertThat(budget.standard()).isCloseTo(31.7, within(0.1));
        // 16.7, cut to 16.
        assertThat(budget.freedom()).isEqualTo(16);
        assertThat(budget.dominating()).map(Contribution::quantity).contains("standard");
        assertThat(budget.share(budget.contributions().get(0))).isCloseTo(625 / 1002.71, within(1e-3));
    }

    /** JCGM 100:2008, table G.2, column 95.45 %. */
    @Example
    void coverageIsThatOfTheGuidesTable() {
        double[][] table = {
            {1, 13.97},
            {2, 4.53},
            {3, 3.31},
            {4, 2.87},
            {5, 2.65},
            {6, 2.52},
            {7, 2.43},
            {8, 2.37},
            {9, 2.32},
            {10, 2.28},
            {15, 2.18},
            {20, 2.13},
            {30, 2.09},
            {50, 2.05},
            {100, 2.025},
            {CERTAIN, 2.000}
        };
        for (double[] row : table) {
            Budget one = new Budget(List.of(new Contribution("one", 3, Distribution.NORMAL, 1, -2, row[0])));
            assertThat(one.freedom()).isEqualTo(row[0]);
            assertThat(one.coverage()).as("freedom " + row[0]).isCloseTo(row[1], within(0.0051));
            assertThat(one.expanded()).isCloseTo(6 * row[1], within(0.031));
        }
    }

    /** JCGM 100:2008, 4.3.7, 4.3.9 and F.2.2.1; EA-4/02, 3.3.2. */
    @Example
    void widthsBecomeStandardUncertainties() {
        assertThat(Contribution.resolution("r", 0.01, 1).standard()).isCloseTo(0.01 * 0.288675, within(1e-8));
        assertThat(Contribution.within("w", 6, Distribution.RECTANGULAR, -0.5).ofResult())
                .isCloseTo(1.7320508, within(1e-7));
        assertThat(Contribution.within("w", 6, Distribution.TRIANGULAR, 1).standard())
                .isCloseTo(2.4494897, within(1e-7));
        assertThat(Contribution.within("w", 6, Distribution.U_SHAPED, 1).standard())
                .isCloseTo(4.2426407, within(1e-7));
        assertThat(Contribution.certified("c", 0.024, 2, 3, 50).ofResult()).isCloseTo(0.036, within(1e-12));
    }

    /** Ten observations, s = 0.1 exactly: five at 1.0 - 0.3/sqrt(10), five above by as much. */
    @Example
    void repeatedReadings() {
        double half = 0.3 / Math.sqrt(10);
        double[] readings = new double[10];
        for (int i = 0; i < 10; i++) {
            readings[i] = 1e6 + (i % 2 == 0 ? half : -half);
        }
        Contribution mean = Contribution.repeated("mean", readings, 1);
        assertThat(mean.freedom()).isEqualTo(9);
        assertThat(mean.standard()).isCloseTo(0.1 / Math.sqrt(10), within(1e-9));
        assertThat(Contribution.repeated("alike", new double[] {7, 7}, 1).standard())
                .isZero();
        assertThatThrownBy(() -> Contribution.repeated("alone", new double[] {7}, 1))
                .isInstanceOf(Refused.class);
    }

    @Property
    void neverLessThanTheLargestLineNorMoreThanTheirSum(
            @ForAll @Size(min = 1, max = 12) List<@DoubleRange(max = 1e12) Double> widths) {
        Budget budget = new Budget(widths.stream()
                .map(width -> new Contribution("line", width, Distribution.NORMAL, 1, 1, 4))
                .toList());
        double largest = Collections.max(widths);
        double sum = widths.stream().mapToDouble(Double::doubleValue).sum();
        assertThat(budget.standard()).isBetween(largest * (1 - 1e-12), sum * (1 + 1e-12));
        assertThat(budget.freedom()).isGreaterThanOrEqualTo(4);
        double shares =
                budget.contributions().stream().mapToDouble(budget::share).sum();
        assertThat(shares).isCloseTo(largest == 0 ? 0 : 1, within(1e-9));
    }

    @Example
    void tinyHugeAndNothing() {
        Contribution none = Contribution.within("none", 0, Distribution.RECTANGULAR, 1);
        Budget nothing = new Budget(List.of(none));
        assertThat(nothing.expanded()).isZero();
        assertThat(nothing.freedom()).isInfinite();
        assertThat(nothing.dominating()).isEmpty();
        Budget tiny = new Budget(List.of(new Contribution("tiny", 1e-200, Distribution.NORMAL, 1, 1e-100, 3), none));
        assertThat(tiny.standard()).isEqualTo(1e-300);
        assertThat(tiny.freedom()).isEqualTo(3);
        Budget huge = new Budget(List.of(
                new Contribution("huge", 3e200, Distribution.NORMAL, 1, 1, 3),
                new Contribution("huge", 4e200, Distribution.NORMAL, 1, 1, 3)));
        assertThat(huge.standard()).isCloseTo(5e200, within(1e186));
        assertThat(huge.freedom()).isEqualTo(Math.floor(3 / (0.1296 + 0.4096)));
    }

    @Example
    void refusesWhatIsNoBudget() {
        assertThatThrownBy(() -> new Budget(List.of())).hasMessageContaining("uncertainty.lines");
        for (double bad : new double[] {-1, Double.NaN, CERTAIN}) {
            assertThatThrownBy(() -> Contribution.within("w", bad, Distribution.NORMAL, 1))
                    .hasMessageContaining("uncertainty.width");
        }
        for (double bad : new double[] {0, -1, Double.NaN, CERTAIN}) {
            assertThatThrownBy(() -> Contribution.certified("w", 1, bad, 1, 1))
                    .hasMessageContaining("uncertainty.divisor");
        }
        assertThatThrownBy(() -> Contribution.within("w", 1, Distribution.NORMAL, Double.NaN))
                .hasMessageContaining("uncertainty.sensitivity");
        for (double bad : new double[] {0.99, -1, Double.NaN}) {
            assertThatThrownBy(() -> Contribution.certified("w", 1, 2, 1, bad))
                    .hasMessageContaining("uncertainty.freedom");
        }
    }
}
