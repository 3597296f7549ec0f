package rovek.link.packet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;

class WavTest {

    private static final int FORMAT_TAG = 20;
    private static final int CHANNELS = 22;
    private static final int DATA_SIZE = 54;

    private static Wav parse(byte[] bytes) throws PackageException {
        return Wav.parse(bytes, "captures/1.wav");
    }

    @Property(tries = 100)
    void samplesComeBackBitForBit(
            @ForAll @Size(max = 200) float[] samples, @ForAll @IntRange(min = 1, max = 400_000) int rate)
            throws PackageException {
        Wav back = parse(new Wav(rate, samples).toBytes());
        assertThat(back.rateHz()).isEqualTo(rate);
        for (int i = 0; i < samples.length; i++) {
            assertThat(Float.floatToRawIntBits(back.samples()[i])).isEqualTo(Float.floatToRawIntBits(samples[i]));
        }
    }

    /** However a file is cut, there is a sentence and never a wrong waveform. */
    @Property(tries = 100)
    void aCutFileIsDamaged(@ForAll @IntRange(min = 0, max = 97) int length) {
        byte[] whole = new Wav(25_600, new float[10]).toBytes();
        assertThat(whole).hasSize(98);
        assertThatThrownBy(() -> parse(Arrays.copyOf(whole, length)))
                .isInstanceOf(PackageException.class)
                .hasMessageContaining("captures/1.wav");
    }

    @Example
    void chunksItDoesNotKnowAreSkipped() throws PackageException {
        byte[] wav = new Wav(8000, new float[] {1}).toBytes();
        ByteBuffer more = ByteBuffer.allocate(wav.length + 12).order(ByteOrder.LITTLE_ENDIAN);
        more.put(wav, 0, 12)
                .put("note".getBytes())
                .putInt(3)
                .put(new byte[] {1, 2, 3, 0})
                .put(wav, 12, wav.length - 12);
        assertThat(parse(more.array()).samples()).containsExactly(1);
    }

    @Example
    void stereoAndWholeNumbersAreRefused() {
        byte[] stereo = new Wav(8000, new float[4]).toBytes();
        stereo[CHANNELS] = 2;
        assertThatThrownBy(() -> parse(stereo)).hasMessageContaining("packet.wavKind");
        byte[] pcm = new Wav(8000, new float[4]).toBytes();
        pcm[FORMAT_TAG] = 1;
        assertThatThrownBy(() -> parse(pcm)).hasMessageContaining("packet.wavKind");
        byte[] negative = new Wav(8000, new float[4]).toBytes();
        negative[DATA_SIZE + 3] = (byte) 0x80;
        assertThatThrownBy(() -> parse(negative)).hasMessageContaining("packet.wavShort");
    }
}
