package rovek.link;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.time.Duration;
import java.util.Arrays;
import java.util.function.LongSupplier;
import rovek.core.wording.Sentence;

/**
 * Questions and answers of the MODBUS Application Protocol V1.1b3 over TCP, framed by the MBAP header of MODBUS
 * Messaging on TCP/IP V1.0b: one question at a time. A device that says anything else than the answer is not listened
 * to for longer than the question's patience, nor for more than a few frames.
 */
final class ModbusExchange {

    private static final int HEADER_BYTES = 7;
    private static final int SHORTEST_BODY = 2;
    /** Unit and the longest protocol data unit. */
    private static final int LONGEST_BODY = 254;

    private static final int MOST_OTHER_FRAMES = 16;
    private static final int IS_EXCEPTION = 0x80;

    private final Transport transport;
    private final Duration patience;
    private final LongSupplier monotonicNanos;
    private int transaction;

    ModbusExchange(Transport transport, Duration patience, LongSupplier monotonicNanos) {
        this.transport = transport;
        this.patience = patience;
        this.monotonicNanos = monotonicNanos;
    }

    /**
     * What a device answered.
     *
     * @param exception its exception code; 0 for none
     * @param data what it read, without the count before it
     */
    record Answer(int exception, byte[] data) {}

    /**
     * Reads registers or bits.
     *
     * @param function 1 coils, 2 discrete inputs, 3 holding registers, 4 input registers
     * @param address from 0
     * @param count of registers or bits
     * @param wantedBytes how many bytes such an answer has
     */
    Answer read(int unit, int function, int address, int count, int wantedBytes) throws LinkException {
        transaction = transaction + 1 & 0xFFFF;
        transport.send(ByteBuffer.allocate(HEADER_BYTES + 5)
                .putShort((short) transaction)
                .putShort((short) 0)
                .putShort((short) 6)
                .put((byte) unit)
                .put((byte) function)
                .putShort((short) address)
                .putShort((short) count)
                .array());
        byte[] body = answerTo(transaction);
        if ((body[0] & 0xFF) != unit) {
            throw given(Sentence.of("link.otherUnit", "unit", body[0] & 0xFF, "asked", unit));
        }
        if ((body[1] & 0xFF) == (function | IS_EXCEPTION) && body.length == 3) {
            return new Answer(Math.max(1, body[2] & 0xFF), new byte[0]);
        }
        if ((body[1] & 0xFF) != function || body.length != 3 + wantedBytes || (body[2] & 0xFF) != wantedBytes) {
            throw given(Sentence.of("link.otherRegisters"));
        }
        return new Answer(0, Arrays.copyOfRange(body, 3, body.length));
    }

    /** Unit and protocol data unit of the answer; late answers to earlier questions are passed over. */
    private byte[] answerTo(int question) throws LinkException {
        long until = monotonicNanos.getAsLong() + patience.toNanos();
        for (int others = 0; others <= MOST_OTHER_FRAMES; others++) {
            ByteBuffer header = ByteBuffer.wrap(bytes(HEADER_BYTES - 1, until));
            int answered = header.getShort() & 0xFFFF;
            int protocol = header.getShort() & 0xFFFF;
            int length = header.getShort() & 0xFFFF;
            if (protocol != 0) {
                throw given(Sentence.of("link.otherProtocol"));
            }
            if (length < SHORTEST_BODY || length > LONGEST_BODY) {
                throw given(Sentence.of("link.frameLength"));
            }
            byte[] body = bytes(length, until);
            if (answered == question) {
                return body;
            }
        }
        throw given(Sentence.of("link.unasked"));
    }

    private byte[] bytes(int count, long until) throws LinkException {
        ByteArrayOutputStream whole = new ByteArrayOutputStream(count);
        while (whole.size() < count) {
            byte[] some = new byte[count - whole.size()];
            long left = until - monotonicNanos.getAsLong();
            int got = left <= 0 ? 0 : transport.receive(some, Duration.ofNanos(left));
            if (got == 0) {
                // What is left of the answer would be taken for the next one.
                transport.disconnect();
                throw new LinkException.TimedOut(Sentence.of("link.registersAsked"), patience.toMillis());
            }
            whole.write(some, 0, got);
        }
        return whole.toByteArray();
    }

    private LinkException given(Sentence nonsense) {
        transport.disconnect();
        return new LinkException.Garbled(nonsense);
    }
}
