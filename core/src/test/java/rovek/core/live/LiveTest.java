package rovek.core.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import rovek.core.reading.TableCapture;

/** Live values: what they must keep to, how registers hold them, and how a recording becomes a run. */
class LiveTest {

    private static Register register(Register.Form form, boolean lowFirst, double scale, double offset) {
        return new Register("P", "bar", true, 0, form, lowFirst, scale, offset);
    }

    @Test
    void aBoundaryIsWithinAndAMissingValueIsNoGo() {
        GoLimit limit = new GoLimit(OptionalDouble.of(1), OptionalDouble.of(2));
        assertThat(limit.judge(1)).isEqualTo(GoLimit.Go.GO);
        assertThat(limit.judge(2)).isEqualTo(GoLimit.Go.GO);
        assertThat(limit.judge(2 + 1e-9)).isEqualTo(GoLimit.Go.NO_GO);
        assertThat(limit.judge(Double.NaN)).isEqualTo(GoLimit.Go.NO_GO);
        assertThat(new GoLimit(OptionalDouble.empty(), OptionalDouble.of(2)).judge(-1e9)).isEqualTo(GoLimit.Go.GO);
        assertThat(GoLimit.NONE.judge(5)).isEqualTo(GoLimit.Go.NOT_JUDGED);
        assertThatThrownBy(() -> new GoLimit(OptionalDouble.of(3), OptionalDouble.of(2))).hasMessageContaining("Nothing lies above 3.0 and below 2.0");
    }

    /** Whatever a device lays down in registers is read back, whichever word comes first. */
    @Test
    void everyFormIsReadBackInBothWordOrders() {
        Random random = new Random(502);
        for (int i = 0; i < 500; i++) {
            int whole = random.nextInt();
            float real = random.nextFloat() * 2e6f - 1e6f;
            assertThat(register(Register.Form.INT32, false, 1, 0).value(words(whole, false))).isEqualTo(whole);
            assertThat(register(Register.Form.UINT32, true, 1, 0).value(words(whole, true))).isEqualTo(whole & 0xFFFF_FFFFL);
            assertThat(register(Register.Form.FLOAT32, true, 1, 0).value(words(Float.floatToIntBits(real), true))).isEqualTo(real);
            short small = (short) whole;
            byte[] one = ByteBuffer.allocate(2).putShort(small).array();
            assertThat(register(Register.Form.INT16, false, 0.1, 5).value(one)).isCloseTo(small * 0.1 + 5, within(1e-9));
            assertThat(register(Register.Form.UINT16, true, 1, 0).value(one)).as("a single register has no word order").isEqualTo(small & 0xFFFF);
        }
        assertThat(register(Register.Form.FLOAT32, false, 1, 0).value(words(0x7FC00000, false))).isNaN();
        assertThatThrownBy(() -> register(Register.Form.FLOAT32, false, 1, 0).value(new byte[2])).hasMessageContaining("has 4 bytes, not 2");
    }

    private static byte[] words(int value, boolean lowFirst) {
        byte[] high = ByteBuffer.allocate(4).putInt(value).array();
        return lowFirst ? new byte[] {high[2], high[3], high[0], high[1]} : high;
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
                List.of(new LiveChannel("Level", "m"), new LiveChannel("Level", "m")), samples, List.of(new LiveRecord.Mark(began.plusMillis(1250), "valve opened")));
        assertThat(run.rows()).as("two rows of one millisecond are one").isEqualTo(50);
        assertThat(run.time().orElseThrow().values()[49]).isEqualTo(24.5);
        assertThat(run.columns()).extracting(TableCapture.Column::name).containsExactly("time", "Level", "Level 2");
        assertThat(((TableCapture.Numbers) run.columns().get(1)).values()[49]).isEqualTo(49);
        assertThat(run.markers()).containsExactly(new TableCapture.Marker(1.25, "valve opened"));
        assertThatThrownBy(() -> LiveRecord.of(List.of(), List.of(), List.of())).hasMessageContaining("Nothing was recorded");
    }
}
