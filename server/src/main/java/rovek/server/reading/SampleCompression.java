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

/** Samples as deflated little-endian floats; nothing is lost. */
final class SampleCompression {

    private SampleCompression() {}

    static byte[] compress(float[] samples) {
        ByteBuffer raw = ByteBuffer.allocate(samples.length * Float.BYTES).order(ByteOrder.LITTLE_ENDIAN);
        raw.asFloatBuffer().put(samples);
        ByteArrayOutputStream out = new ByteArrayOutputStream(raw.capacity());
        Deflater fast = new Deflater(Deflater.BEST_SPEED);
        try (DeflaterOutputStream deflating = new DeflaterOutputStream(out, fast)) {
            deflating.write(raw.array());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            fast.end();
        }
        return out.toByteArray();
    }

    static float[] expand(byte[] compressed) {
        try (InflaterInputStream in = new InflaterInputStream(new ByteArrayInputStream(compressed))) {
            byte[] raw = in.readAllBytes();
            float[] samples = new float[raw.length / Float.BYTES];
            ByteBuffer.wrap(raw).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().get(samples);
            return samples;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
