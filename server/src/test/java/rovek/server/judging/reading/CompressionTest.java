package rovek.server.judging.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;

/** Captures come back as they were; what gets smaller does, and what would not is not tried for long. */
class CompressionTest {

    private static float[] steps(int count) {
        float[] samples = new float[count];
        for (int i = 0; i < count; i++) {
            samples[i] = Math.round(100 * Math.sin(i * 0.01)) / 100f;
        }
        return samples;
    }

    private static float[] noise(int count) {
        float[] samples = new float[count];
        Random random = new Random(7);
        for (int i = 0; i < count; i++) {
            samples[i] = random.nextFloat() - 0.5f;
        }
        return samples;
    }

    @Test
    void whateverIsKeptComesBackAsItWas() {
        for (int count : new int[] {1, 2, 1_023, 1_024, 1_025, 16_384}) {
            assertThat(Compression.expandSamples(Compression.compress(steps(count))))
                    .isEqualTo(steps(count));
            assertThat(Compression.expandSamples(Compression.compress(noise(count))))
                    .isEqualTo(noise(count));
        }
        assertThat(Compression.expand(Compression.compress(new byte[0]))).isEmpty();
        assertThat(Compression.expand(Compression.compress(new byte[] {7}))).containsExactly(7);
    }

    @Test
    void whatGetsMuchSmallerIsDeflatedAndNoiseIsOnlyWrapped() {
        int bytes = 16_384 * Float.BYTES;
        assertThat(Compression.compress(steps(16_384)).length).isLessThan(bytes / 2);
        assertThat(Compression.compress(noise(16_384)).length)
                .as("as it was, with a head for each block")
                .isBetween(bytes, bytes + 100);
    }
}
