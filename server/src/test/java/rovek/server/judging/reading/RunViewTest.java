package rovek.server.judging.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import rovek.core.reading.TableCapture;
import rovek.core.technique.ChannelLimits;
import rovek.core.technique.Curve;

class RunViewTest {

    private static RunView of(double[] seconds, double[]... channels) {
        List<Curve.Run> runs = IntStream.range(0, channels.length)
                .mapToObj(i -> new Curve.Run(
                        "channel " + i,
                        seconds,
                        channels[i],
                        "bar",
                        i == 0 ? new ChannelLimits(1, Double.POSITIVE_INFINITY) : ChannelLimits.NONE))
                .toList();
        TableCapture capture = new TableCapture(
                List.of(new TableCapture.Numbers(TableCapture.TIME, "s", seconds)),
                List.of(new TableCapture.Marker(3, "valve")));
        return RunView.of(runs, capture);
    }

    @Test
    void aPauseIsShownAsAGapThatNobodyMeasured() {
        RunView run = of(new double[] {0, 1, 2, 100, 101}, new double[] {5, 5, 5, 7, 7});
        assertThat(run.seconds()).containsExactly(0, 1, 2, 51, 100, 101);
        assertThat(run.channels().get(0).values()).containsExactly(5, 5, 5, Float.NaN, 7, 7);
        assertThat(run.rows()).as("what was recorded").isEqualTo(5);
        assertThat(run.markers()).containsExactly(new RunView.RunMarker(3, "valve"));
    }

    @Test
    void aLimitThatIsNotSetIsNone() {
        RunView run = of(new double[] {0, 1}, new double[] {5, 5}, new double[] {5, 5});
        assertThat(run.channels().get(0).low()).isEqualTo(1);
        assertThat(run.channels().get(0).high()).isNull();
        assertThat(run.channels().get(1).low()).isNull();
    }

    /** The fault that was seen: the gap was filled with 0, which then was the extreme that was kept. */
    @Test
    void aGapAtTheBeginningHidesNoSpike() {
        int rows = 500_000;
        double[] seconds = new double[rows];
        Arrays.setAll(seconds, i -> i);
        double[] level = new double[rows];
        Arrays.fill(level, 50);
        Arrays.fill(level, 0, 3, Double.NaN);
        level[5] = 41;
        RunView run = of(seconds, level);
        int dip = Arrays.binarySearch(run.seconds(), 5);
        assertThat(dip).as("the dip behind the gap is kept").isNotNegative();
        assertThat(run.channels().get(0).values()[dip]).isEqualTo(41);
        assertThat(run.channels().get(0).values()[0]).as("a gap stays one").isNaN();
    }

    @Test
    void aVeryLongRunIsThinnedWithoutLosingASpikeOfAnyChannel() {
        int rows = 500_000;
        double[] seconds = new double[rows];
        Arrays.setAll(seconds, i -> i);
        double[] first = new double[rows];
        double[] second = new double[rows];
        first[123_457] = 9;
        second[400_001] = -9;
        Arrays.fill(second, 10, 20, Double.NaN);
        RunView run = of(seconds, first, second);
        assertThat(run.seconds().length).isBetween(10_000, 240_000);
        assertThat(run.rows()).isEqualTo(rows);
        int spike = Arrays.binarySearch(run.seconds(), 123_457);
        assertThat(run.channels().get(0).values()[spike]).isEqualTo(9);
        int dip = Arrays.binarySearch(run.seconds(), 400_001);
        assertThat(run.channels().get(1).values()[dip]).isEqualTo(-9);
    }
}
