package rovek.link;

import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import rovek.core.entry.Entry;
import rovek.core.live.LiveChannel;
import rovek.core.live.Register;
import rovek.core.wording.Sentence;

/** A device that is read over Modbus TCP by a map of its registers. */
public final class ModbusLink implements AutoCloseable {

    private static final int ILLEGAL_ADDRESS = 2;

    private final Transport transport;
    private final ModbusExchange exchange;
    private final int unit;
    private final List<Register> registers;

    private ModbusLink(Transport transport, int unit, List<Register> registers, Duration patience) {
        this.transport = transport;
        this.exchange = new ModbusExchange(transport, patience, System::nanoTime);
        this.unit = unit;
        this.registers = List.copyOf(registers);
    }

    /**
     * Connects. A lost link does not come back by itself: the caller is told and connects again.
     *
     * @param unit 0 to 255
     * @param patience how long the device may take for an answer
     */
    public static ModbusLink connect(String host, int port, int unit, List<Register> registers, Duration patience)
            throws LinkException {
        Transport transport = new TcpTransport(host, port);
        transport.connect();
        return new ModbusLink(transport, unit, registers, patience);
    }

    /** What it shows; the same for as long as the link stands. */
    public List<LiveChannel> channels() {
        return registers.stream()
                .map(register -> new LiveChannel(register.name(), register.unit()))
                .toList();
    }

    /**
     * All channels as they are now, NaN where one has no value or the device refuses it.
     *
     * @throws LinkException.Refused where the device refuses every channel, naming the first
     */
    public double[] fetch() throws LinkException {
        double[] values = new double[registers.size()];
        Arrays.fill(values, Double.NaN);
        Optional<LinkException.Refused> refused = Optional.empty();
        int refusals = 0;
        for (int i = 0; i < values.length; i++) {
            try {
                values[i] = value(registers.get(i));
            } catch (LinkException.Refused e) {
                refused = refused.isEmpty() ? Optional.of(e) : refused;
                refusals++;
            }
        }
        if (refused.isPresent() && refusals == values.length) {
            throw refused.get();
        }
        return values;
    }

    private double value(Register register) throws LinkException {
        Register.Table table = register.table();
        int count = table.isOfBits() ? 1 : register.form().registers();
        ModbusExchange.Answer answer =
                exchange.read(unit, table.function(), register.address(), count, register.bytes());
        if (answer.exception() != 0) {
            Sentence why = answer.exception() == ILLEGAL_ADDRESS
                    ? Sentence.of("link.noRegister", "table", Entry.option(table.word()), "address", register.address())
                    : Sentence.of("link.exceptionCode", "code", answer.exception());
            throw new LinkException.Refused(Sentence.of("link.theChannel", "channel", register.name()), why);
        }
        return register.value(answer.data());
    }

    @Override
    public void close() {
        transport.close();
    }
}
