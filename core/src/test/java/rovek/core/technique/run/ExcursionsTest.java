package rovek.core.technique.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import rovek.core.technique.ChannelLimits;
import rovek.core.technique.run.Excursions.Excursion;

class ExcursionsTest {

    private static final int FINE = 20_000;

    private static double[] even(int count, double step) {
        double[] seconds = new double[count];
        Arrays.setAll(seconds, i -> i * step);
        return seconds;
    }

    /** Counted by looking at twenty thousand moments of the straight lines, an independent way. */
    @Property(tries = 60)
    void theTimeOutsideIsThatOfTheStraightLines(
            @ForAll long seed,
            @ForAll @DoubleRange(min = -1, max = 0) double low,
            @ForAll @DoubleRange(min = 0.1, max = 1) double high) {
        double[] values = new Random(seed).doubles(12, -2, 2).toArray();
        double[] seconds = even(12, 1);
        double outside = Excursions.seconds(Excursions.of(Segments.of(seconds, values), new ChannelLimits(low, high)));
        int counted = 0;
        for (int i = 0; i < FINE; i++) {
            double at = 11 * (i + 0.5) / FINE;
            int left = (int) at;
            double value = values[left] + (values[left + 1] - values[left]) * (at - left);
            counted += value < low || value > high ? 1 : 0;
        }
        assertThat(outside).isCloseTo(11.0 * counted / FINE, within(0.02));
    }

    @Property(tries = 100)
    void whatIsJoinedIsAsLongAsWhatItCoversAndNeverTouches(
            @ForAll long seed, @ForAll @IntRange(min = 1, max = 30) int count) {
        Random random = new Random(seed);
        List<Excursion> pieces = new ArrayList<>();
        boolean[] covered = new boolean[200];
        for (int i = 0; i < count; i++) {
            int from = random.nextInt(190);
            int to = from + 1 + random.nextInt(9);
            pieces.add(new Excursion(from, to));
            Arrays.fill(covered, from, to, true);
        }
        List<Excursion> joined = Excursions.joined(pieces);
        int seconds = 0;
        for (boolean one : covered) {
            seconds += one ? 1 : 0;
        }
        assertThat(Excursions.seconds(joined)).isEqualTo(seconds);
        for (int i = 1; i < joined.size(); i++) {
            assertThat(joined.get(i).fromSeconds())
                    .isGreaterThan(joined.get(i - 1).toSeconds());
        }
    }

    /** From far above to far below between two samples it is outside twice, and within on its way. */
    @Example
    void aFallThroughTheWholeBandIsOutsideAtBothItsEnds() {
        List<Excursion> outside =
                Excursions.of(Segments.of(new double[] {0, 10}, new double[] {10, -10}), new ChannelLimits(-5, 5));
        assertThat(outside).containsExactly(new Excursion(0, 2.5), new Excursion(7.5, 10));
    }

    @Property(tries = 100)
    void anEvenPaceHasNoPauseAndAnyOnePauseIsFound(
            @ForAll @IntRange(min = 4, max = 60) int count,
            @ForAll @DoubleRange(min = 0.1, max = 100) double step,
            @ForAll @DoubleRange(min = 3.1, max = 1_000) double factor) {
        double[] seconds = even(count, step);
        assertThat(Pauses.behind(seconds)).doesNotContain(true);
        int at = count / 2;
        for (int i = at; i < count; i++) {
            seconds[i] += (factor - 1) * step;
        }
        boolean[] pauses = Pauses.behind(seconds);
        for (int i = 0; i < pauses.length; i++) {
            assertThat(pauses[i]).as("interval %d", i).isEqualTo(i == at - 1);
        }
    }

    @Example
    void aChangeOfPaceIsNoPause() {
        assertThat(Pauses.behind(new double[] {0, 1, 2, 3, 63, 123, 183})).doesNotContain(true);
        assertThat(Pauses.behind(new double[] {0})).isEmpty();
        assertThat(Pauses.behind(new double[] {0, 500}))
                .as("two samples tell nothing of the pace")
                .containsExactly(false);
    }
}
