package rovek.link.packet;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import rovek.core.wording.Sentence;

/**
 * A mono WAV file of 32-bit floats (RIFF, format tag 3).
 *
 * @param rateHz sampling rate, whole hertz
 * @param samples the stored numbers, not yet scaled
 */
record Wav(int rateHz, float[] samples) {

    private static final int FLOAT_FORMAT = 3;
    private static final int HEAD_BYTES = 58;

    byte[] toBytes() {
        int data = samples.length * Float.BYTES;
        ByteBuffer out = ByteBuffer.allocate(HEAD_BYTES + data).order(ByteOrder.LITTLE_ENDIAN);
        chunk(out, "RIFF", HEAD_BYTES - 8 + data).put("WAVE".getBytes(StandardCharsets.US_ASCII));
        chunk(out, "fmt ", 18)
                .putShort((short) FLOAT_FORMAT)
                .putShort((short) 1)
                .putInt(rateHz);
        out.putInt(rateHz * Float.BYTES)
                .putShort((short) Float.BYTES)
                .putShort((short) 32)
                .putShort((short) 0);
        chunk(out, "fact", 4).putInt(samples.length);
        chunk(out, "data", data);
        for (float sample : samples) {
            out.putFloat(sample);
        }
        return out.array();
    }

    private static ByteBuffer chunk(ByteBuffer out, String name, int size) {
        return out.put(name.getBytes(StandardCharsets.US_ASCII)).putInt(size);
    }

    static Wav parse(byte[] bytes, String where) throws PackageException {
        ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        if (bytes.length < 12 || !"RIFF".equals(name(in)) || in.getInt() < 4 || !"WAVE".equals(name(in))) {
            throw PackageException.damaged(Sentence.of("packet.notWav", "where", where));
        }
        int rate = 0;
        while (in.remaining() >= 8) {
            String chunk = name(in);
            int size = in.getInt();
            if (size < 0 || size > in.remaining()) {
                throw PackageException.damaged(Sentence.of("packet.wavShort", "where", where));
            }
            int next = in.position() + size + (size & 1);
            if (chunk.equals("fmt ")) {
                rate = format(in, size, where);
            } else if (chunk.equals("data")) {
                if (rate <= 0) {
                    throw PackageException.damaged(Sentence.of("packet.wavOrder", "where", where));
                }
                float[] samples = new float[size / Float.BYTES];
                in.asFloatBuffer().get(samples);
                return new Wav(rate, samples);
            }
            in.position(Math.min(next, in.limit()));
        }
        throw PackageException.damaged(Sentence.of("packet.wavEmpty", "where", where));
    }

    private static int format(ByteBuffer in, int size, String where) throws PackageException {
        if (size < 16) {
            throw PackageException.damaged(Sentence.of("packet.wavFormat", "where", where));
        }
        int tag = in.getShort();
        int channels = in.getShort();
        int rate = in.getInt();
        in.getInt();
        in.getShort();
        int bits = in.getShort();
        if (tag != FLOAT_FORMAT || channels != 1 || bits != 32) {
            throw PackageException.invalid(where, Sentence.of("packet.wavKind"));
        }
        return rate;
    }

    private static String name(ByteBuffer in) {
        byte[] four = new byte[4];
        in.get(four);
        return new String(four, StandardCharsets.US_ASCII);
    }
}
