package rovek.fieldsim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.ConnectException;
import java.net.Socket;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rovek.core.live.Register;
import rovek.core.reading.TableCapture;
import rovek.link.Instrument;
import rovek.link.InstrumentFile;
import rovek.link.LinkException;
import rovek.link.ModbusLink;
import rovek.link.TcpTransport;
import rovek.link.packet.ReadingsPackage;

/** Live values and runs over real sockets: in text commands, and over Modbus TCP. */
class LiveLinkTest {

    private static Register register(
            String name, Register.Table table, int address, Register.Form form, Register.Order order, double scale) {
        return new Register(name, "", table, address, form, order, 0, Optional.empty(), scale, 0);
    }

    private static final List<Register> MAP = List.of(
            register("Pressure", Register.Table.HOLDING, 0, Register.Form.FLOAT32, Register.Order.ABCD, 1),
            register("Temperature", Register.Table.INPUT, 2, Register.Form.INT16, Register.Order.ABCD, 0.1),
            register("On for", Register.Table.HOLDING, 4, Register.Form.UINT32, Register.Order.CDAB, 1),
            register("Delivered", Register.Table.HOLDING, 6, Register.Form.FLOAT64, Register.Order.DCBA, 1_000),
            register("Measures", Register.Table.COIL, 0, Register.Form.BIT, Register.Order.ABCD, 1),
            register("High", Register.Table.DISCRETE, 0, Register.Form.BIT, Register.Order.ABCD, 1));

    private static Instrument connect(Fieldsim fieldsim) throws LinkException {
        return Instrument.connect(new TcpTransport("127.0.0.1", fieldsim.instrumentPort()), Optional.of("4711"));
    }

    @Test
    void aLoggerShowsItsChannelsAndRecordsARunUntilItIsTold(@TempDir Path memory) throws Exception {
        try (Fieldsim fieldsim = Fieldsim.start(Fieldsim.Kind.LOGGER, "", memory, 0, 0, Clock.systemUTC());
                Instrument link = connect(fieldsim)) {
            assertThat(link.liveChannels())
                    .extracting(channel -> channel.unit())
                    .containsExactly("mA", "°C");
            assertThat(link.fetch()).hasSize(2).doesNotContain(Double.NaN);
            assertThat(link.availableOptions()).containsExactly("channels16");
            assertThat(link.isRunning()).isFalse();
            long before = System.nanoTime();
            link.startRun();
            assertThat(link.isRunning()).isTrue();
            assertThatThrownBy(link::startRun)
                    .isInstanceOf(LinkException.Refused.class)
                    .hasMessageContaining("under way already");
            Thread.sleep(1_300);
            link.endRun();
            double atMost = (System.nanoTime() - before) / 1e9;
            assertThat(link.isRunning()).isFalse();
            TableCapture run = run(link);
            assertThat(run.rows()).as("one a second in %s s", atMost).isBetween(2, (int) atMost + 1);
            assertThat(run.time().orElseThrow().values()).isSorted();
            assertThat(run.time().orElseThrow().values()[1]).isBetween(0.8, atMost);
        }
    }

    private static TableCapture run(Instrument link) throws Exception {
        InstrumentFile file = link.catalogue().files().stream()
                .filter(one -> one.type().equals("RUN"))
                .findFirst()
                .orElseThrow();
        return (TableCapture) ReadingsPackage.unpack(link.slice(file.name(), 0, (int) file.bytes()))
                .readings()
                .get(0)
                .reading()
                .capture()
                .toCapture();
    }

    @Test
    void aRunThatWasUnderWayWhenTheLoggerWentOffIsKept(@TempDir Path memory) throws Exception {
        try (Fieldsim fieldsim = Fieldsim.start(Fieldsim.Kind.LOGGER, "", memory, 0, 0, Clock.systemUTC());
                Instrument link = connect(fieldsim)) {
            link.startRun();
            Thread.sleep(300);
        }
        try (Fieldsim again = Fieldsim.start(Fieldsim.Kind.LOGGER, "", memory, 0, 0, Clock.systemUTC());
                Instrument link = connect(again)) {
            assertThat(link.isRunning()).isFalse();
            assertThat(run(link).rows()).isEqualTo(1);
        }
    }

    @Test
    void anInstrumentWithoutLiveValuesSaysSo(@TempDir Path memory) throws Exception {
        try (Fieldsim fieldsim = Fieldsim.start(memory, 0, 0, Clock.systemUTC());
                Instrument link = connect(fieldsim)) {
            assertThat(link.liveChannels()).isEmpty();
            assertThat(link.availableOptions()).contains("live");
            assertThatThrownBy(link::fetch).isInstanceOf(LinkException.Refused.class);
        }
    }

    @Test
    void aCalibratorShowsItsLoopLiveAndRecordsNoRuns(@TempDir Path memory) throws Exception {
        try (Fieldsim fieldsim = Fieldsim.start(Fieldsim.Kind.LOOP, "", memory, 0, 0, Clock.systemUTC());
                Instrument link = connect(fieldsim)) {
            assertThat(link.liveChannels())
                    .extracting(channel -> channel.name())
                    .containsExactly("Loop current", "Loop supply");
            assertThatThrownBy(link::startRun)
                    .isInstanceOf(LinkException.Refused.class)
                    .hasMessageContaining("records no runs");
        }
    }

    @Test
    void aTransmitterIsReadByItsMapOfRegisters() throws Exception {
        try (Transmitter transmitter = Transmitter.start(0, Clock.systemUTC());
                ModbusLink link = ModbusLink.connect("127.0.0.1", transmitter.port(), 1, MAP, Duration.ofSeconds(2))) {
            assertThat(link.channels())
                    .extracting(channel -> channel.name())
                    .containsExactly("Pressure", "Temperature", "On for", "Delivered", "Measures", "High");
            double[] values = link.fetch();
            assertThat(values[0]).isBetween(5.6, 6.8);
            assertThat(values[1]).isBetween(10.5, 12.3);
            assertThat(values[2]).isBetween(0.0, 5.0);
            assertThat(values[3]).as("12.5 litres a second").isBetween(12.5 * values[2], 12.5 * (values[2] + 1));
            assertThat(values[4]).isEqualTo(1);
            assertThat(values[5]).isIn(0.0, 1.0);
        }
    }

    /** It goes off a moment after it is told to. */
    private static boolean isSilent(int port) throws IOException {
        try (Socket socket = new Socket("127.0.0.1", port)) {
            return !socket.isConnected();
        } catch (ConnectException nobody) {
            return true;
        }
    }

    @Test
    void whatGoesWrongWithATransmitterIsANamedError() throws Exception {
        Transmitter off = Transmitter.start(0, Clock.systemUTC());
        int port = off.port();
        off.close();
        Waiting.until(() -> isSilent(port));
        assertThatThrownBy(() -> ModbusLink.connect("127.0.0.1", port, 1, MAP, Duration.ofSeconds(1)))
                .isInstanceOf(LinkException.NotReachable.class);
        List<Register> beyond =
                List.of(register("Flow", Register.Table.HOLDING, 40, Register.Form.FLOAT32, Register.Order.ABCD, 1));
        try (Transmitter transmitter = Transmitter.start(port, Clock.systemUTC());
                ModbusLink wrong = ModbusLink.connect("127.0.0.1", port, 1, beyond, Duration.ofSeconds(1));
                ModbusLink right = ModbusLink.connect("127.0.0.1", port, 1, MAP, Duration.ofSeconds(1))) {
            assertThatThrownBy(wrong::fetch)
                    .isInstanceOf(LinkException.Refused.class)
                    .hasMessageContaining("Flow")
                    .hasMessageContaining("link.noRegister {address=40, table=holding register}");
            transmitter.close();
            assertThatThrownBy(right::fetch).isInstanceOfAny(LinkException.Lost.class, LinkException.TimedOut.class);
        }
    }
}
