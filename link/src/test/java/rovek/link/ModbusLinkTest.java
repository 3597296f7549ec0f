package rovek.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.DataInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.ByteBuffer;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import rovek.core.live.Register;

/**
 * Devices that say what they should not, over a real socket. Frames are laid down by hand after the specification's
 * figures.
 */
class ModbusLinkTest {

    private static final Register LEVEL = register("Level", 7);
    private static final Register FLOW = register("Flow", 8);

    private final ExecutorService device = Executors.newCachedThreadPool();
    private ServerSocket listening;

    private static Register register(String name, int address) {
        return new Register(
                name,
                "m",
                Register.Table.HOLDING,
                address,
                Register.Form.UINT16,
                Register.Order.ABCD,
                0,
                Optional.empty(),
                1,
                0);
    }

    /** What a device says to a question. */
    private interface Says {
        void to(int transaction, int unit, int function, int address, OutputStream out)
                throws IOException, InterruptedException;
    }

    @BeforeEach
    void listen() throws IOException {
        listening = new ServerSocket(0, 5, InetAddress.getLoopbackAddress());
    }

    @AfterEach
    void stop() throws IOException {
        listening.close();
        device.shutdownNow();
    }

    private ModbusLink linked(Says says, Register... registers) throws LinkException {
        return linked(Duration.ofSeconds(10), says, registers);
    }

    private ModbusLink linked(Duration patience, Says says, Register... registers) throws LinkException {
        device.execute(() -> {
            try (Socket socket = listening.accept()) {
                DataInputStream in = new DataInputStream(socket.getInputStream());
                while (true) {
                    int transaction = in.readUnsignedShort();
                    in.skipNBytes(4);
                    int unit = in.readUnsignedByte();
                    int function = in.readUnsignedByte();
                    int address = in.readUnsignedShort();
                    in.skipNBytes(2);
                    says.to(transaction, unit, function, address, socket.getOutputStream());
                }
            } catch (IOException | InterruptedException over) {
                // the link has ended
            }
        });
        return ModbusLink.connect("127.0.0.1", listening.getLocalPort(), 1, List.of(registers), patience);
    }

    private static byte[] frame(int transaction, int protocol, int unit, int... pdu) {
        ByteBuffer frame = ByteBuffer.allocate(7 + pdu.length)
                .putShort((short) transaction)
                .putShort((short) protocol)
                .putShort((short) (1 + pdu.length))
                .put((byte) unit);
        for (int b : pdu) {
            frame.put((byte) b);
        }
        return frame.array();
    }

    @Test
    void aLateAnswerToAnEarlierQuestionIsPassedOver() throws LinkException {
        try (ModbusLink link = linked(
                (transaction, unit, function, address, out) -> {
                    out.write(frame(transaction - 1, 0, unit, function, 2, 9, 9));
                    out.write(frame(transaction, 0, unit, function, 2, 0x01, 0x02));
                },
                LEVEL)) {
            assertThat(link.fetch()).containsExactly(258);
            assertThat(link.fetch()).containsExactly(258);
        }
    }

    @Test
    void aDeviceThatChattersIsHungUpOn() throws LinkException {
        try (ModbusLink link = linked(
                (transaction, unit, function, address, out) -> {
                    while (true) {
                        out.write(frame(transaction + 1, 0, unit, function, 2, 0, 0));
                    }
                },
                LEVEL)) {
            assertThatThrownBy(link::fetch)
                    .isInstanceOf(LinkException.Garbled.class)
                    .hasMessageContaining("link.unasked");
            assertThatThrownBy(link::fetch).as("the link has ended").isInstanceOf(LinkException.Lost.class);
        }
    }

    /** Eleven bytes, each well within the patience, and all of them four times as long. */
    @Test
    void aByteNowAndThenIsNoAnswer() throws LinkException {
        AtomicInteger sent = new AtomicInteger();
        try (ModbusLink link = linked(
                Duration.ofMillis(600),
                (transaction, unit, function, address, out) -> {
                    for (byte one : frame(transaction, 0, unit, function, 2, 0, 5)) {
                        out.write(one);
                        sent.incrementAndGet();
                        Thread.sleep(250);
                    }
                },
                LEVEL)) {
            assertThatThrownBy(link::fetch).isInstanceOf(LinkException.TimedOut.class);
            assertThat(sent).as("it was not heard out").hasValueLessThan(11);
        }
    }

    @Test
    void answersOfAnotherUnitProtocolKindOrLengthAreRefused() throws LinkException {
        List<Says> wrong = List.of(
                (transaction, unit, function, address, out) ->
                        out.write(frame(transaction, 0, unit + 1, function, 2, 0, 5)),
                (transaction, unit, function, address, out) ->
                        out.write(frame(transaction, 1, unit, function, 2, 0, 5)),
                (transaction, unit, function, address, out) ->
                        out.write(frame(transaction, 0, unit, function + 1, 2, 0, 5)),
                (transaction, unit, function, address, out) ->
                        out.write(frame(transaction, 0, unit, function, 2, 0, 5, 0)),
                (transaction, unit, function, address, out) ->
                        out.write(frame(transaction, 0, unit, function, 4, 0, 5)),
                (transaction, unit, function, address, out) -> out.write(
                        new byte[] {(byte) (transaction >> 8), (byte) transaction, 0, 0, (byte) 0xFF, (byte) 0xFF, 1}));
        for (Says one : wrong) {
            try (ModbusLink link = linked(one, LEVEL)) {
                assertThatThrownBy(link::fetch)
                        .as("wrong answer %d", wrong.indexOf(one))
                        .isInstanceOf(LinkException.Garbled.class);
            }
        }
    }

    @Test
    void oneFaultyChannelDoesNotStopTheOthers() throws LinkException {
        Says says = (transaction, unit, function, address, out) -> out.write(
                address == 7
                        ? frame(transaction, 0, unit, function | 0x80, 2)
                        : frame(transaction, 0, unit, function, 2, 0, 42));
        try (ModbusLink link = linked(says, LEVEL, FLOW)) {
            assertThat(link.fetch()).containsExactly(Double.NaN, 42);
        }
        try (ModbusLink link = linked(says, LEVEL)) {
            assertThatThrownBy(link::fetch)
                    .isInstanceOf(LinkException.Refused.class)
                    .hasMessageContaining("link.noRegister {address=7, table=holding register}");
        }
    }

    private static Register register(Register.Table table, Register.Form form) {
        return new Register(
                table.word() + " " + form.word(),
                "",
                table,
                0x1234,
                form,
                Register.Order.ABCD,
                0,
                Optional.empty(),
                1,
                0);
    }

    /** Function codes 1 to 4, and as many registers as a number needs (V1.1b3, 6.1 to 6.4). */
    @Test
    void eachTableIsAskedByItsOwnFunctionAndEachNumberForItsRegisters() throws LinkException {
        List<int[]> asked = new CopyOnWriteArrayList<>();
        Register[] registers = {
            register(Register.Table.COIL, Register.Form.BIT),
            register(Register.Table.DISCRETE, Register.Form.BIT),
            register(Register.Table.HOLDING, Register.Form.INT64),
            register(Register.Table.INPUT, Register.Form.FLOAT32),
            register(Register.Table.HOLDING, Register.Form.BIT)
        };
        try (ModbusLink link = linked(
                (transaction, unit, function, address, out) -> {
                    asked.add(new int[] {function, address});
                    out.write(
                            switch (asked.size()) {
                                case 1 -> frame(transaction, 0, unit, 1, 1, 0x01);
                                case 2 -> frame(transaction, 0, unit, 2, 1, 0x00);
                                case 3 -> frame(transaction, 0, unit, 3, 8, 0, 0, 0, 0, 0, 1, 0, 0);
                                case 4 -> frame(transaction, 0, unit, 4, 4, 0x40, 0x20, 0, 0);
                                default -> frame(transaction, 0, unit, 3, 2, 0, 3);
                            });
                },
                registers)) {
            assertThat(link.fetch()).containsExactly(1, 0, 65_536, 2.5, 1);
        }
        assertThat(asked).extracting(one -> one[0]).containsExactly(1, 2, 3, 4, 3);
        assertThat(asked).extracting(one -> one[1]).containsOnly(0x1234);
    }
}
