package rovek.link;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.time.Duration;

/** A raw TCP socket, by custom port 5025. */
public final class TcpTransport implements Transport {

    private static final Duration CONNECT_PATIENCE = Duration.ofSeconds(3);

    private final String host;
    private final int port;
    private final Duration connectPatience;
    private Socket socket;

    public TcpTransport(String host, int port) {
        this(host, port, CONNECT_PATIENCE);
    }

    /** @param connectPatience how long to wait for somebody to answer at the address */
    public TcpTransport(String host, int port, Duration connectPatience) {
        if (host.isBlank() || port < 1 || port > 65_535) {
            throw new IllegalArgumentException("An address is a host and a port from 1 to 65535, not %s:%s.".formatted(host, port));
        }
        this.host = host;
        this.port = port;
        this.connectPatience = connectPatience.compareTo(CONNECT_PATIENCE) < 0 ? connectPatience : CONNECT_PATIENCE;
    }

    @Override
    public void connect() throws LinkException {
        Socket fresh = new Socket();
        try {
            fresh.connect(new InetSocketAddress(host, port), (int) connectPatience.toMillis());
            fresh.setTcpNoDelay(true);
            socket = fresh;
        } catch (IOException e) {
            closeQuietly(fresh);
            throw new LinkException.NotReachable(address(), e);
        }
    }

    @Override
    public boolean isConnected() {
        return socket != null && !socket.isClosed();
    }

    @Override
    public void send(byte[] bytes) throws LinkException {
        try {
            open().getOutputStream().write(bytes);
        } catch (IOException e) {
            disconnect();
            throw new LinkException.Lost(e);
        }
    }

    @Override
    public int receive(byte[] into, Duration patience) throws LinkException {
        try {
            open().setSoTimeout((int) Math.max(1, patience.toMillis()));
            int count = socket.getInputStream().read(into);
            if (count < 0) {
                disconnect();
                throw new LinkException.Lost(null);
            }
            return count;
        } catch (SocketTimeoutException e) {
            return 0;
        } catch (IOException e) {
            disconnect();
            throw new LinkException.Lost(e);
        }
    }

    private Socket open() throws LinkException {
        if (socket == null || socket.isClosed()) {
            throw new LinkException.Lost(null);
        }
        return socket;
    }

    @Override
    public String address() {
        return host + " port " + port;
    }

    @Override
    public void disconnect() {
        if (socket != null) {
            closeQuietly(socket);
        }
    }

    private static void closeQuietly(Socket socket) {
        try {
            socket.close();
        } catch (IOException alreadyGone) {
            // there is nothing left to close
        }
    }
}
