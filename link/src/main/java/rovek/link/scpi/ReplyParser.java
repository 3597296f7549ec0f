package rovek.link.scpi;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import rovek.core.wording.Sentence;
import rovek.link.LinkException;

/**
 * Takes an instrument's answer apart as its bytes come in: a line ended by LF, or a definite-length block
 * {@code #<digits><length><bytes>} (IEEE 488.2, 8.7.9) followed by LF. Bounded; one parser reads one answer.
 */
public final class ReplyParser {

    /** An answer. */
    public sealed interface Reply permits Line, Block {}

    /** Text without its LF. */
    public record Line(String text) implements Reply {}

    /** The bytes of a block. */
    public record Block(byte[] bytes) implements Reply {}

    private enum State {
        IDLE,
        LINE,
        BLOCK_DIGITS,
        BLOCK_LENGTH,
        BLOCK_BODY,
        BLOCK_END,
        COMPLETE
    }

    private static final int MOST_LINE_BYTES = 1 << 20;
    private static final int MOST_BLOCK_BYTES = 64 << 20;

    private final ByteArrayOutputStream line = new ByteArrayOutputStream();
    private State state = State.IDLE;
    private int lengthDigits;
    private int length;
    private byte[] body = new byte[0];
    private int filled;
    private Optional<Reply> reply = Optional.empty();

    /**
     * Takes bytes in.
     *
     * @return the answer once it is complete
     * @throws LinkException.Garbled when the bytes break the protocol, or more came than the answer holds
     */
    public Optional<Reply> feed(byte[] bytes, int count) throws LinkException {
        int i = 0;
        while (i < count) {
            if (state == State.BLOCK_BODY) {
                int take = Math.min(count - i, length - filled);
                System.arraycopy(bytes, i, body, filled, take);
                filled += take;
                i += take;
                if (filled == length) {
                    state = State.BLOCK_END;
                }
                continue;
            }
            take(bytes[i]);
            i++;
        }
        return reply;
    }

    private void take(byte b) throws LinkException {
        switch (state) {
            case IDLE -> {
                if (b == '#') {
                    state = State.BLOCK_DIGITS;
                } else {
                    state = State.LINE;
                    takeLineByte(b);
                }
            }
            case LINE -> takeLineByte(b);
            case BLOCK_DIGITS -> {
                lengthDigits = digit(b);
                if (lengthDigits == 0) {
                    throw new LinkException.Garbled(Sentence.of("link.blockNoLength"));
                }
                state = State.BLOCK_LENGTH;
            }
            case BLOCK_LENGTH -> takeLengthDigit(b);
            case BLOCK_END -> {
                if (b != '\n') {
                    throw new LinkException.Garbled(Sentence.of("link.blockTooLong"));
                }
                complete(new Block(body));
            }
            default -> throw new LinkException.Garbled(Sentence.of("link.moreBytes"));
        }
    }

    private void takeLineByte(byte b) throws LinkException {
        if (b == '\n') {
            complete(new Line(line.toString(StandardCharsets.UTF_8).strip()));
        } else if (line.size() >= MOST_LINE_BYTES) {
            throw new LinkException.Garbled(Sentence.of("link.endlessLine"));
        } else {
            line.write(b);
        }
    }

    private void takeLengthDigit(byte b) throws LinkException {
        long grown = length * 10L + digit(b);
        if (grown > MOST_BLOCK_BYTES) {
            throw new LinkException.Garbled(Sentence.of("link.blockLarge"));
        }
        length = (int) grown;
        lengthDigits--;
        if (lengthDigits == 0) {
            body = new byte[length];
            state = length == 0 ? State.BLOCK_END : State.BLOCK_BODY;
        }
    }

    private static int digit(byte b) throws LinkException {
        if (b < '0' || b > '9') {
            throw new LinkException.Garbled(Sentence.of("link.blockLength"));
        }
        return b - '0';
    }

    private void complete(Reply answer) {
        reply = Optional.of(answer);
        state = State.COMPLETE;
    }

    /** A block around bytes, with LF at its end. */
    public static byte[] block(byte[] bytes) {
        byte[] head = blockHead(bytes.length).getBytes(StandardCharsets.US_ASCII);
        byte[] message = Arrays.copyOf(head, head.length + bytes.length + 1);
        System.arraycopy(bytes, 0, message, head.length, bytes.length);
        message[message.length - 1] = '\n';
        return message;
    }

    public static String blockHead(int length) {
        String digits = String.valueOf(length);
        return "#" + digits.length() + digits;
    }
}
