package rovek.link;

import com.fazecast.jSerialComm.SerialPort;
import com.fazecast.jSerialComm.SerialPortInvalidPortException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** A serial line, eight bits, no parity, one stop bit; virtual ports of USB cables included. */
public final class SerialTransport implements Transport {

    private static final int EIGHT_BITS = 8;

    private final String device;
    private final int baud;
    private @Nullable SerialPort port;

    /** @param device e.g. {@code /dev/ttyUSB0} */
    public SerialTransport(String device, int baud) {
        if (device.isBlank() || baud < 300 || baud > 4_000_000) {
            throw new Refused(Sentence.of("link.serialLine", "device", device, "baud", baud));
        }
        this.device = device;
        this.baud = baud;
    }

    @Override
    public void connect() throws LinkException {
        try {
            // Lines are often known by a lasting name that only points at the device.
            Path named = Path.of(device);
            SerialPort fresh = SerialPort.getCommPort(
                    Files.exists(named) ? named.toRealPath().toString() : device);
            fresh.setComPortParameters(baud, EIGHT_BITS, SerialPort.ONE_STOP_BIT, SerialPort.NO_PARITY);
            fresh.setFlowControl(SerialPort.FLOW_CONTROL_DISABLED);
            if (!fresh.openPort()) {
                throw new LinkException.NotReachable(
                        Sentence.plain(address()), new IOException("error " + fresh.getLastErrorCode()));
            }
            fresh.flushIOBuffers();
            port = fresh;
        } catch (SerialPortInvalidPortException | IOException e) {
            throw new LinkException.NotReachable(Sentence.plain(address()), e);
        }
    }

    @Override
    public boolean isConnected() {
        return port != null && port.isOpen();
    }

    @Override
    public void send(byte[] bytes) throws LinkException {
        int sent = 0;
        while (sent < bytes.length) {
            byte[] left = java.util.Arrays.copyOfRange(bytes, sent, bytes.length);
            int count = open().writeBytes(left, left.length);
            if (count <= 0) {
                throw lost();
            }
            sent += count;
        }
    }

    @Override
    public int receive(byte[] into, Duration patience) throws LinkException {
        SerialPort line = open();
        line.setComPortTimeouts(SerialPort.TIMEOUT_READ_SEMI_BLOCKING, (int) Math.max(1, patience.toMillis()), 0);
        int count = line.readBytes(into, into.length);
        if (count < 0) {
            throw lost();
        }
        return count;
    }

    private LinkException lost() {
        disconnect();
        return new LinkException.Lost(new IOException("The line " + device + " is gone."));
    }

    private SerialPort open() throws LinkException {
        SerialPort present = port;
        if (present == null || !present.isOpen()) {
            throw new LinkException.Lost(new IOException("The line " + device + " is closed."));
        }
        return present;
    }

    @Override
    public String address() {
        return "%s at %d baud".formatted(device, baud);
    }

    @Override
    public void disconnect() {
        if (port != null) {
            port.closePort();
            port = null;
        }
    }
}
