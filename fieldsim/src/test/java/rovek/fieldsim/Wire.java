package rovek.fieldsim;

import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;

/** Bytes to an instrument and back, as the page says they go, without any of Rovek's own code between. */
final class Wire implements AutoCloseable {

    private final Socket socket;
    private final DataInputStream in;

    Wire(int port) throws IOException {
        socket = new Socket("127.0.0.1", port);
        socket.setSoTimeout(20_000);
        in = new DataInputStream(socket.getInputStream());
    }

    void send(byte[] bytes) throws IOException {
        socket.getOutputStream().write(bytes);
        socket.getOutputStream().flush();
    }

    void send(String text) throws IOException {
        send((text + "\n").getBytes(StandardCharsets.UTF_8));
    }

    /** A whole answer: a line, or a block with the LF behind it. */
    String ask(String query) throws IOException {
        send(query);
        int first = in.readUnsignedByte();
        ByteArrayOutputStream answer = new ByteArrayOutputStream();
        answer.write(first);
        if (first == '#') {
            int digits = in.readUnsignedByte() - '0';
            byte[] length = in.readNBytes(digits);
            byte[] content = in.readNBytes(Integer.parseInt(new String(length, StandardCharsets.US_ASCII)));
            answer.write('0' + digits);
            answer.writeBytes(length);
            answer.writeBytes(content);
        }
        for (int one = in.readUnsignedByte(); one != '\n'; one = in.readUnsignedByte()) {
            answer.write(one);
        }
        return answer.toString(StandardCharsets.ISO_8859_1);
    }

    String nextError() throws IOException {
        return ask("SYSTem:ERRor?");
    }

    boolean isHungUp() throws IOException {
        try {
            return in.read() < 0;
        } catch (EOFException end) {
            return true;
        }
    }

    @Override
    public void close() throws IOException {
        socket.close();
    }
}
