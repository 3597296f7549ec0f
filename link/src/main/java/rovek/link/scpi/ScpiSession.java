package rovek.link.scpi;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import java.util.function.LongSupplier;
import rovek.link.LinkException;
import rovek.link.Transport;
import rovek.link.scpi.ReplyParser.Block;
import rovek.link.scpi.ReplyParser.Line;
import rovek.link.scpi.ReplyParser.Reply;

/**
 * Commands and queries to one instrument after IEEE 488.2 and SCPI-99. After every command or query that can fail the
 * instrument's error queue is asked, and an error there becomes an exception.
 */
public final class ScpiSession implements AutoCloseable {

    private static final int MOST_QUEUED_ERRORS = 100;

    private final Transport transport;
    private final Duration patience;
    private final LongSupplier monotonicNanos;

    /** @param patience how long the instrument may stay silent before an answer counts as missing */
    public ScpiSession(Transport transport, Duration patience, LongSupplier monotonicNanos) {
        this.transport = transport;
        this.patience = patience;
        this.monotonicNanos = monotonicNanos;
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
        throw new LinkException.Garbled("an error queue that never empties");
    }

    /** Asks for a line and does not look at the error queue. */
    public String queryUnchecked(String query) throws LinkException {
        if (exchange(query) instanceof Line line) {
            return line.text();
        }
        throw new LinkException.Garbled("a block in answer to " + query);
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
        throw new LinkException.Garbled("no block in answer to " + query);
    }

    public void command(String command) throws LinkException {
        transport.send((command + "\n").getBytes(StandardCharsets.UTF_8));
        check(command);
    }

    /** A command whose last parameter is a block. */
    public void command(String command, byte[] block) throws LinkException {
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
        transport.send((query + "\n").getBytes(StandardCharsets.UTF_8));
        ReplyParser parser = new ReplyParser();
        byte[] buffer = new byte[65_536];
        long lastHeard = monotonicNanos.getAsLong();
        while (true) {
            long silent = monotonicNanos.getAsLong() - lastHeard;
            Duration left = patience.minusNanos(silent);
            int count = left.isNegative() || left.isZero() ? 0 : transport.receive(buffer, left);
            if (count == 0) {
                // A late answer would be taken for the answer to the next question.
                transport.disconnect();
                throw new LinkException.TimedOut(query, patience.toMillis());
            }
            lastHeard = monotonicNanos.getAsLong();
            Optional<Reply> reply = feed(parser, buffer, count);
            if (reply.isPresent()) {
                return reply.get();
            }
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
