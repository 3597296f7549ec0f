package rovek.server.plant.picture;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Set;

/**
 * The parts of a PNG file (ISO/IEC 15948, clause 11) that its dots are made of. All others are passed over unread: a
 * text among them may unpack to a thousand times its length.
 */
final class PngDots {

    private static final long SIGNATURE = 0x89504E470D0A1A0AL;
    private static final Set<Integer> NEEDED = Set.of(
            type('I', 'H', 'D', 'R'),
            type('P', 'L', 'T', 'E'),
            type('t', 'R', 'N', 'S'),
            type('I', 'D', 'A', 'T'),
            type('I', 'E', 'N', 'D'));
    /** Length, type and check sum. */
    private static final int AROUND = 12;

    private PngDots() {}

    private static int type(char a, char b, char c, char d) {
        return a << 24 | b << 16 | c << 8 | d;
    }

    static boolean isPng(byte[] bytes) {
        return bytes.length >= Long.BYTES && ByteBuffer.wrap(bytes).getLong() == SIGNATURE;
    }

    /** @throws IOException where its parts do not fit together */
    static byte[] only(byte[] png) throws IOException {
        ByteBuffer in = ByteBuffer.wrap(png);
        ByteArrayOutputStream out = new ByteArrayOutputStream(png.length);
        out.write(png, 0, Long.BYTES);
        int at = Long.BYTES;
        while (at < png.length) {
            if (png.length - at < AROUND || in.getInt(at) < 0 || in.getInt(at) > png.length - at - AROUND) {
                throw new IOException("A part of the file is longer than the file.");
            }
            int whole = in.getInt(at) + AROUND;
            if (NEEDED.contains(in.getInt(at + Integer.BYTES))) {
                out.write(png, at, whole);
            }
            at += whole;
        }
        return out.toByteArray();
    }
}
