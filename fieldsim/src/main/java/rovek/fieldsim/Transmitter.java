package rovek.fieldsim;

import com.digitalpetri.modbus.ExceptionCode;
import com.digitalpetri.modbus.FunctionCode;
import com.digitalpetri.modbus.exceptions.ModbusResponseException;
import com.digitalpetri.modbus.pdu.ReadCoilsRequest;
import com.digitalpetri.modbus.pdu.ReadCoilsResponse;
import com.digitalpetri.modbus.pdu.ReadDiscreteInputsRequest;
import com.digitalpetri.modbus.pdu.ReadDiscreteInputsResponse;
import com.digitalpetri.modbus.pdu.ReadHoldingRegistersRequest;
import com.digitalpetri.modbus.pdu.ReadHoldingRegistersResponse;
import com.digitalpetri.modbus.pdu.ReadInputRegistersRequest;
import com.digitalpetri.modbus.pdu.ReadInputRegistersResponse;
import com.digitalpetri.modbus.server.ModbusRequestContext;
import com.digitalpetri.modbus.server.ModbusServices;
import com.digitalpetri.modbus.server.ModbusTcpServer;
import com.digitalpetri.modbus.tcp.server.NettyTcpServerTransport;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.time.Clock;
import java.util.concurrent.ExecutionException;

/**
 * The stand-in for a transmitter on the booster outlet, which is read over Modbus TCP and by nothing else. Holding
 * registers: 0-1 pressure in bar as a float, the high word first; 2 temperature in tenths of a degree Celsius, signed;
 * 3 state, 0 for sound; 4-5 seconds since it was switched on, unsigned, the low word first; 6-9 water delivered since
 * then in m³, a float of 64 bits, low byte and word first. The same lie in the input registers. Coil 0 says that it
 * measures, discrete input 0 that pressure is above 6.2 bar. Close it to switch it off.
 */
public final class Transmitter implements AutoCloseable {

    private static final int BYTES = 20;
    private static final double CUBIC_METRES_A_SECOND = 0.0125;
    private static final double HIGH_BAR = 6.2;

    private final ModbusTcpServer server;
    private final int port;
    private final Clock clock;
    private final long switchedOn;

    private Transmitter(int port, Clock clock) {
        this.port = port;
        this.clock = clock;
        this.switchedOn = clock.millis();
        this.server = ModbusTcpServer.create(
                NettyTcpServerTransport.create(transport -> {
                    transport.bindAddress = "127.0.0.1";
                    transport.port = port;
                }),
                new Registers());
    }

    /** @param port to listen on, on loopback; 0 for any that is free */
    public static Transmitter start(int port, Clock clock) {
        Transmitter transmitter = new Transmitter(port == 0 ? freePort() : port, clock);
        try {
            transmitter.server.start();
            return transmitter;
        } catch (ExecutionException e) {
            throw new IllegalStateException("The transmitter cannot listen on port %d.".formatted(transmitter.port), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("The transmitter was not switched on.", e);
        }
    }

    private static int freePort() {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public int port() {
        return port;
    }

    /** All registers, as bytes, at one moment. */
    private byte[] registers() {
        double seconds = clock.millis() / 1000.0;
        double pressure =
                HIGH_BAR + 0.5 * Math.sin(2 * Math.PI * seconds / 50) + 0.06 * Math.sin(2 * Math.PI * seconds / 3.1);
        double temperature = 11.4 + 0.8 * Math.sin(2 * Math.PI * seconds / 600);
        long on = (clock.millis() - switchedOn) / 1000;
        return ByteBuffer.allocate(BYTES)
                .putFloat((float) pressure)
                .putShort((short) Math.round(10 * temperature))
                .putShort((short) 0)
                .putShort((short) (on & 0xFFFF))
                .putShort((short) (on >> 16))
                .order(ByteOrder.LITTLE_ENDIAN)
                .putDouble(on * CUBIC_METRES_A_SECOND)
                .array();
    }

    private byte[] slice(FunctionCode function, int address, int quantity) throws ModbusResponseException {
        if (address < 0 || quantity < 1 || 2 * (address + quantity) > BYTES) {
            throw new ModbusResponseException(function, ExceptionCode.ILLEGAL_DATA_ADDRESS);
        }
        byte[] slice = new byte[2 * quantity];
        System.arraycopy(registers(), 2 * address, slice, 0, slice.length);
        return slice;
    }

    private static byte[] bit(FunctionCode function, boolean isSet, int address, int quantity)
            throws ModbusResponseException {
        if (address != 0 || quantity != 1) {
            throw new ModbusResponseException(function, ExceptionCode.ILLEGAL_DATA_ADDRESS);
        }
        return new byte[] {(byte) (isSet ? 1 : 0)};
    }

    private final class Registers implements ModbusServices {

        @Override
        public ReadCoilsResponse readCoils(ModbusRequestContext context, int unit, ReadCoilsRequest request)
                throws ModbusResponseException {
            return new ReadCoilsResponse(bit(FunctionCode.READ_COILS, true, request.address(), request.quantity()));
        }

        @Override
        public ReadDiscreteInputsResponse readDiscreteInputs(
                ModbusRequestContext context, int unit, ReadDiscreteInputsRequest request)
                throws ModbusResponseException {
            boolean isHigh = ByteBuffer.wrap(registers()).getFloat() > HIGH_BAR;
            return new ReadDiscreteInputsResponse(
                    bit(FunctionCode.READ_DISCRETE_INPUTS, isHigh, request.address(), request.quantity()));
        }

        @Override
        public ReadHoldingRegistersResponse readHoldingRegisters(
                ModbusRequestContext context, int unit, ReadHoldingRegistersRequest request)
                throws ModbusResponseException {
            return new ReadHoldingRegistersResponse(
                    slice(FunctionCode.READ_HOLDING_REGISTERS, request.address(), request.quantity()));
        }

        @Override
        public ReadInputRegistersResponse readInputRegisters(
                ModbusRequestContext context, int unit, ReadInputRegistersRequest request)
                throws ModbusResponseException {
            return new ReadInputRegistersResponse(
                    slice(FunctionCode.READ_INPUT_REGISTERS, request.address(), request.quantity()));
        }
    }

    @Override
    public void close() {
        try {
            server.stop();
        } catch (ExecutionException e) {
            throw new IllegalStateException("The transmitter cannot be switched off.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
