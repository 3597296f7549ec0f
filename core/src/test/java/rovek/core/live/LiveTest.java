package rovek.core.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import rovek.core.reading.TableCapture;

/** Live values: what they must keep to, and how a recording becomes a run. */
class LiveTest {

    @Test
    void aBoundaryIsWithinAndAMissingValueIsNoGo() {
        GoLimit limit = new GoLimit(OptionalDouble.of(1), OptionalDouble.of(2));
        assertThat(limit.judge(1)).isEqualTo(GoLimit.Go.GO);
        assertThat(limit.judge(2)).isEqualTo(GoLimit.Go.GO);
        assertThat(limit.judge(2 + 1e-9)).isEqualTo(GoLimit.Go.NO_GO);
        assertThat(limit.judge(Double.NaN)).isEqualTo(GoLimit.Go.NO_GO);
        assertThat(new GoLimit(OptionalDouble.empty(), OptionalDouble.of(2)).judge(-1e9))
                .isEqualTo(GoLimit.Go.GO);
        assertThat(GoLimit.NONE.judge(5)).isEqualTo(GoLimit.Go.NOT_JUDGED);
        assertThatThrownBy(() -> new GoLimit(OptionalDouble.of(3), OptionalDouble.of(2)))
                .hasMessageContaining("live.emptyLimit {high=2.0, low=3.0}");
    }

    @Test
    void aRecordingBecomesARunWhateverOrderItsRowsCameIn() {
        Instant began = Instant.parse("2026-11-23T10:00:00Z");
        List<LiveSample> samples = new ArrayList<>();
        for (int i = 0; i < 50; i++) {
            samples.add(new LiveSample(began.plusMillis(500L * i), new double[] {i, i % 7 == 0 ? Double.NaN : -i}));
        }
        samples.add(new LiveSample(began.plusMillis(500), new double[] {99, 99}));
        Collections.shuffle(samples.subList(0, 50), new Random(1));
        TableCapture run = LiveRecord.of(
                List.of(new LiveChannel("Level", "m"), new LiveChannel("Level", "m")),
                samples,
                List.of(new LiveRecord.Mark(began.plusMillis(1250), "valve opened")));
        assertThat(run.rows()).as("two rows of one millisecond are one").isEqualTo(50);
        assertThat(run.time().orElseThrow().values()[49]).isEqualTo(24.5);
        assertThat(run.columns()).extracting(TableCapture.Column::name).containsExactly("time", "Level", "Level 2");
        assertThat(((TableCapture.Numbers) run.columns().get(1)).values()[49]).isEqualTo(49);
        assertThat(run.markers()).containsExactly(new TableCapture.Marker(1.25, "valve opened"));
        assertThatThrownBy(() -> LiveRecord.of(List.of(), List.of(), List.of()))
                .hasMessageContaining("Nothing was recorded");
    }
}
