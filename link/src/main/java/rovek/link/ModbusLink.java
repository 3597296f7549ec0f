package rovek.link;

import com.digitalpetri.modbus.client.ModbusTcpClient;
import com.digitalpetri.modbus.exceptions.ModbusExecutionException;
import com.digitalpetri.modbus.exceptions.ModbusResponseException;
import com.digitalpetri.modbus.exceptions.ModbusTimeoutException;
import com.digitalpetri.modbus.pdu.ReadHoldingRegistersRequest;
import com.digitalpetri.modbus.pdu.ReadInputRegistersRequest;
import com.digitalpetri.modbus.tcp.client.NettyTcpClientTransport;
import java.time.Duration;
import java.util.List;
import rovek.core.live.LiveChannel;
import rovek.core.live.Register;

/** A device that is read over Modbus TCP by a map of its registers. */
public final class ModbusLink implements AutoCloseable {

    private static final Duration CONNECT_PATIENCE = Duration.ofSeconds(3);
    private static final int ILLEGAL_ADDRESS = 2;

    private final ModbusTcpClient client;
    private final int unit;
    private final List<Register> registers;
    private final Duration patience;

    private ModbusLink(ModbusTcpClient client, int unit, List<Register> registers, Duration patience) {
        this.client = client;
        this.unit = unit;
        this.registers = List.copyOf(registers);
        this.patience = patience;
    }

    /**
     * Connects. A lost link is not mended by itself: the caller is told and connects anew.
     *
     * @param unit 0 to 255
     * @param patience how long the device may stay silent
     */
    public static ModbusLink connect(String host, int port, int unit, List<Register> registers, Duration patience) throws LinkException {
        ModbusTcpClient client = ModbusTcpClient.create(
                NettyTcpClientTransport.create(transport -> {
                    transport.hostname = host;
                    transport.port = port;
                    transport.connectTimeout = CONNECT_PATIENCE;
                    transport.connectPersistent = false;
                }),
                config -> config.requestTimeout = patience);
        ModbusLink link = new ModbusLink(client, unit, registers, patience);
        try {
            client.connect();
            return link;
        } catch (ModbusExecutionException e) {
            link.close();
            throw new LinkException.NotReachable("%s port %d".formatted(host, port), e);
        }
    }

    /** What it shows; the same for as long as the link stands. */
    public List<LiveChannel> channels() {
        return registers.stream().map(register -> new LiveChannel(register.name(), register.unit())).toList();
    }

    /**
     * All channels as they are now, NaN where one has no value.
     *
     * @throws LinkException.Refused naming the channel whose register the device does not have
     */
    public double[] fetch() throws LinkException {
        double[] values = new double[registers.size()];
        for (int i = 0; i < values.length; i++) {
            values[i] = value(registers.get(i));
        }
        return values;
    }

    private double value(Register register) throws LinkException {
        try {
            byte[] bytes = register.isHolding()
                    ? client.readHoldingRegisters(unit, new ReadHoldingRegistersRequest(register.address(), register.form().registers())).registers()
                    : client.readInputRegisters(unit, new ReadInputRegistersRequest(register.address(), register.form().registers())).registers();
            return register.value(bytes);
        } catch (ModbusResponseException e) {
            String why = e.getExceptionCode() == ILLEGAL_ADDRESS
                    ? "it has no %s register %d".formatted(register.isHolding() ? "holding" : "input", register.address())
                    : "exception code " + e.getExceptionCode();
            throw new LinkException.Refused("the channel " + register.name(), why);
        } catch (ModbusTimeoutException e) {
            throw new LinkException.TimedOut("the channel " + register.name(), patience.toMillis());
        } catch (ModbusExecutionException e) {
            throw new LinkException.Lost(e);
        } catch (IllegalArgumentException e) {
            throw new LinkException.Garbled("registers of another length than was asked for");
        }
    }

    @Override
    public void close() {
        try {
            client.disconnect();
        } catch (ModbusExecutionException alreadyGone) {
            // there is nothing left to close
        }
    }
}
