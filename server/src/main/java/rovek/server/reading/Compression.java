package rovek.server.reading;

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

    private Compression() {}

    static byte[] compress(float[] samples) {
        ByteBuffer raw = ByteBuffer.allocate(samples.length * Float.BYTES).order(ByteOrder.LITTLE_ENDIAN);
        raw.asFloatBuffer().put(samples);
        return compress(raw.array());
    }

    /** Nothing stays nothing. */
    static byte[] compress(byte[] raw) {
        if (raw.length == 0) {
            return raw;
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream(raw.length);
        Deflater fast = new Deflater(Deflater.BEST_SPEED);
        try (DeflaterOutputStream deflating = new DeflaterOutputStream(out, fast)) {
            deflating.write(raw);
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
