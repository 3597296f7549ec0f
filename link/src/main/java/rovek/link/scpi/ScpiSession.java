package rovek.link.scpi;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import java.util.function.LongSupplier;
import rovek.core.wording.Sentence;
import rovek.link.LinkException;
import rovek.link.Transport;
import rovek.link.scpi.ReplyParser.Block;
import rovek.link.scpi.ReplyParser.Line;
import rovek.link.scpi.ReplyParser.Reply;

/**
 * Commands and queries to one instrument after IEEE 488.2 and SCPI-99. After every command or query that can fail the
 * instrument's error queue is asked, and an error there becomes an exception. Bounded in all it hears: silence by
 * patience, an answer by the pace of a slow serial line, and the whole session, where its caller says so, by a length
 * of time.
 */
public final class ScpiSession implements AutoCloseable {

    /** For a session that lasts as long as there is something to do. */
    public static final Duration NO_END = Duration.ofDays(36_500);

    private static final int MOST_QUEUED_ERRORS = 100;
    /** Bytes a second of a line of 2400 baud: who sends slower for long is no instrument. */
    private static final int SLOWEST_PACE = 240;

    private final Transport transport;
    private final Duration patience;
    private final LongSupplier monotonicNanos;
    private final Duration longest;
    private final long began;

    /** @param patience how long the instrument may stay silent before an answer counts as missing */
    public ScpiSession(Transport transport, Duration patience, LongSupplier monotonicNanos) {
        this(transport, patience, NO_END, monotonicNanos);
    }

    /** @param longest how long the whole session may take, from now on */
    public ScpiSession(Transport transport, Duration patience, Duration longest, LongSupplier monotonicNanos) {
        this.transport = transport;
        this.patience = patience;
        this.longest = longest;
        this.monotonicNanos = monotonicNanos;
        this.began = monotonicNanos.getAsLong();
    }

    public void connect() throws LinkException {
        transport.connect();
    }

    /** Empties the error queue, so that an old error is not taken for ours. */
    public void drainErrors() throws LinkException {
        for (int i = 0; i < MOST_QUEUED_ERRORS; i++) {
            if (nextError().isEmpty()) {
                return;
            }
        }
        throw new LinkException.Garbled(Sentence.of("link.endlessErrors"));
    }

    /** Asks for a line and does not look at the error queue. */
    public String queryUnchecked(String query) throws LinkException {
        if (exchange(query) instanceof Line line) {
            return line.text();
        }
        throw new LinkException.Garbled(Sentence.of("link.blockInstead", "query", query));
    }

    /** Asks for a line. */
    public String query(String query) throws LinkException {
        String answer = queryUnchecked(query);
        check(query);
        return answer;
    }

    /** Asks for a block. */
    public byte[] queryBlock(String query) throws LinkException {
        Reply reply = exchange(query);
        check(query);
        if (reply instanceof Block block) {
            return block.bytes();
        }
        throw new LinkException.Garbled(Sentence.of("link.noBlock", "query", query));
    }

    public void command(String command) throws LinkException {
        command(command, command);
    }

    /**
     * A command of which a part is nobody's business.
     *
     * @param shown how the command is named where something goes wrong
     */
    public void command(String command, String shown) throws LinkException {
        send(command);
        check(shown);
    }

    private void send(String text) throws LinkException {
        requireSendable(text);
        transport.send((text + "\n").getBytes(StandardCharsets.UTF_8));
    }

    /** A line break in a name would begin a second command. */
    private static void requireSendable(String text) throws LinkException {
        if (ScpiText.hasControlCharacter(text)) {
            throw new LinkException.Unsendable();
        }
    }

    /** A command whose last parameter is a block. */
    public void command(String command, byte[] block) throws LinkException {
        requireSendable(command);
        ByteArrayOutputStream message = new ByteArrayOutputStream(block.length + command.length() + 16);
        message.writeBytes((command + ",").getBytes(StandardCharsets.UTF_8));
        message.writeBytes(ReplyParser.block(block));
        transport.send(message.toByteArray());
        check(command);
    }

    private void check(String command) throws LinkException {
        Optional<ScpiError> error = nextError();
        if (error.isPresent()) {
            drainErrors();
            throw error.get().asException(command);
        }
    }

    private Optional<ScpiError> nextError() throws LinkException {
        ScpiError error = ScpiError.parse(queryUnchecked("SYSTem:ERRor?"));
        return error.code() == 0 ? Optional.empty() : Optional.of(error);
    }

    private Reply exchange(String query) throws LinkException {
        send(query);
        ReplyParser parser = new ReplyParser();
        byte[] buffer = new byte[65_536];
        long asked = monotonicNanos.getAsLong();
        long lastHeard = asked;
        long heard = 0;
        while (true) {
            requireInTime(asked, heard);
            long silent = monotonicNanos.getAsLong() - lastHeard;
            Duration left = patience.minusNanos(silent);
            int count = left.isNegative() || left.isZero() ? 0 : transport.receive(buffer, left);
            if (count == 0) {
                // A late answer would be taken for the answer to the next question.
                transport.disconnect();
                throw new LinkException.TimedOut(Sentence.plain(ScpiText.shortened(query)), patience.toMillis());
            }
            lastHeard = monotonicNanos.getAsLong();
            heard += count;
            Optional<Reply> reply = feed(parser, buffer, count);
            if (reply.isPresent()) {
                return reply.get();
            }
        }
    }

    /** @param heard bytes of the answer so far */
    private void requireInTime(long asked, long heard) throws LinkException {
        long now = monotonicNanos.getAsLong();
        Duration answering = Duration.ofNanos(now - asked);
        boolean isTooSlow = answering.compareTo(patience.multipliedBy(2).plusMillis(heard * 1_000 / SLOWEST_PACE)) > 0;
        if (isTooSlow || now - began > longest.toNanos()) {
            transport.disconnect();
            throw new LinkException.TooSlow(Math.max(1, answering.toSeconds()));
        }
    }

    private Optional<Reply> feed(ReplyParser parser, byte[] buffer, int count) throws LinkException {
        try {
            return parser.feed(buffer, count);
        } catch (LinkException.Garbled garbled) {
            transport.disconnect();
            throw garbled;
        }
    }

    @Override
    public void close() {
        transport.disconnect();
    }
}
