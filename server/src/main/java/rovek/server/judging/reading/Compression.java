package rovek.server.judging.reading;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;

/** Captures deflated, samples as little-endian floats; nothing is lost. */
final class Compression {

    private static final int TRIED_BYTES = 4_096;
    private static final int WRAPPING_BYTES = 64;
    /** Of the length before. */
    private static final double WORTH_IT = 0.75;

    private Compression() {}

    static byte[] compress(float[] samples) {
        ByteBuffer raw = ByteBuffer.allocate(samples.length * Float.BYTES).order(ByteOrder.LITTLE_ENDIAN);
        raw.asFloatBuffer().put(samples);
        return compress(raw.array());
    }

    /**
     * Nothing stays nothing. What would hardly get smaller is only wrapped: squeezing noise takes longer than analysing
     * it.
     */
    static byte[] compress(byte[] raw) {
        if (raw.length == 0) {
            return raw;
        }
        int tried = Math.min(TRIED_BYTES, raw.length);
        boolean isWorthIt =
                deflated(raw, (raw.length - tried) / 2, tried, Deflater.BEST_SPEED).length < WORTH_IT * tried;
        return deflated(raw, 0, raw.length, isWorthIt ? Deflater.BEST_SPEED : Deflater.NO_COMPRESSION);
    }

    private static byte[] deflated(byte[] raw, int from, int count, int level) {
        ByteArrayOutputStream out = new ByteArrayOutputStream(count + WRAPPING_BYTES);
        Deflater fast = new Deflater(level);
        try (DeflaterOutputStream deflating = new DeflaterOutputStream(out, fast)) {
            deflating.write(raw, from, count);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            fast.end();
        }
        return out.toByteArray();
    }

    static byte[] expand(byte[] compressed) {
        if (compressed.length == 0) {
            return compressed;
        }
        try (InflaterInputStream in = new InflaterInputStream(new ByteArrayInputStream(compressed))) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static float[] expandSamples(byte[] compressed) {
        byte[] raw = expand(compressed);
        float[] samples = new float[raw.length / Float.BYTES];
        ByteBuffer.wrap(raw).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().get(samples);
        return samples;
    }
}
