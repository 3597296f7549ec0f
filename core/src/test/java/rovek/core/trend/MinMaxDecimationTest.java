package rovek.core.trend;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

class MinMaxDecimationTest {

    @Property(tries = 200)
    void neverLosesASingleSpikeNorExceedsWhatWasAsked(
            @ForAll @IntRange(min = 1, max = 5000) int length,
            @ForAll @IntRange(min = 4, max = 500) int atMost,
            @ForAll long seed) {
        double[] values = new Random(seed).doubles(length).toArray();
        values[new Random(seed + 1).nextInt(length)] = 10;
        int[] kept = MinMaxDecimation.keep(values, atMost);
        assertThat(kept.length).isLessThanOrEqualTo(atMost);
        assertThat(kept).isSorted().doesNotHaveDuplicates();
        assertThat(Arrays.stream(kept).mapToDouble(i -> values[i]).max()).hasValue(10);
        assertThat(kept[0]).isZero();
        assertThat(kept[kept.length - 1]).isEqualTo(length - 1);
    }
}
