package rovek.link.scpi;

import java.io.ByteArrayOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;

/** The instrument's side: reads commands, each ended by LF, a block among the parameters taken by its length. */
public final class ProgramMessageReader {

    private static final int MOST_TEXT_BYTES = 65_536;
    private static final int MOST_BLOCK_BYTES = 64 << 20;

    private final InputStream in;

    public ProgramMessageReader(InputStream in) {
        this.in = in;
    }

    /**
     * @return the next command; empty when the other side has ended
     * @throws IOException when the link breaks, or bytes come that are no command
     */
    public Optional<ProgramMessage> next() throws IOException {
        ByteArrayOutputStream text = new ByteArrayOutputStream();
        Optional<byte[]> block = Optional.empty();
        boolean quoted = false;
        while (true) {
            int b = in.read();
            if (b < 0) {
                return Optional.empty();
            }
            if (b == '\n') {
                String line = text.toString(StandardCharsets.UTF_8).strip();
                if (line.isEmpty() && block.isEmpty()) {
                    continue;
                }
                return Optional.of(parse(line, block));
            }
            quoted ^= b == '"';
            if (b == '#' && !quoted) {
                block = Optional.of(readBlock());
            } else {
                text.write(b);
            }
            if (text.size() > MOST_TEXT_BYTES) {
                throw new IOException("A command without end.");
            }
        }
    }

    private byte[] readBlock() throws IOException {
        int digits = readDigit();
        long length = 0;
        for (int i = 0; i < digits; i++) {
            length = length * 10 + readDigit();
        }
        if (digits == 0 || length > MOST_BLOCK_BYTES) {
            throw new IOException("A block of an impossible length.");
        }
        byte[] bytes = in.readNBytes((int) length);
        if (bytes.length < length) {
            throw new EOFException("A block shorter than it said.");
        }
        return bytes;
    }

    private int readDigit() throws IOException {
        int b = in.read();
        if (b < '0' || b > '9') {
            throw new IOException("A block whose length is not a number.");
        }
        return b - '0';
    }

    private static ProgramMessage parse(String line, Optional<byte[]> block) {
        int space = line.indexOf(' ');
        String header = space < 0 ? line : line.substring(0, space);
        List<String> parameters = space < 0 ? List.of() : ScpiText.split(line.substring(space + 1));
        return new ProgramMessage(header, parameters, block);
    }
}
