package rovek.link;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.StandardSocketOptions;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedSelectorException;
import java.nio.channels.SelectionKey;
import java.nio.channels.Selector;
import java.nio.channels.SocketChannel;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** A raw TCP socket, by custom port 5025. Whoever takes no bytes is waited for as little as whoever sends none. */
public final class TcpTransport implements Transport {

    private static final Duration CONNECT_PATIENCE = Duration.ofSeconds(3);
    private static final Duration SEND_PATIENCE = Duration.ofSeconds(20);

    private final String host;
    private final int port;
    private final Duration connectPatience;
    private final Duration sendPatience;
    private @Nullable SocketChannel channel;
    private @Nullable Selector ready;

    public TcpTransport(String host, int port) {
        this(host, port, CONNECT_PATIENCE);
    }

    /** @param connectPatience how long to wait for somebody to answer at the address */
    public TcpTransport(String host, int port, Duration connectPatience) {
        this(host, port, connectPatience, SEND_PATIENCE);
    }

    /** @param sendPatience how long the other side may take nothing of what is sent */
    TcpTransport(String host, int port, Duration connectPatience, Duration sendPatience) {
        if (host.isBlank() || port < 1 || port > 65_535) {
            throw new Refused(Sentence.of("link.address", "host", host, "port", port));
        }
        this.host = host;
        this.port = port;
        this.sendPatience = sendPatience;
        this.connectPatience = connectPatience.compareTo(CONNECT_PATIENCE) < 0 ? connectPatience : CONNECT_PATIENCE;
    }

    @Override
    public void connect() throws LinkException {
        disconnect();
        try {
            SocketChannel fresh = SocketChannel.open();
            channel = fresh;
            fresh.socket().connect(new InetSocketAddress(host, port), (int) connectPatience.toMillis());
            fresh.setOption(StandardSocketOptions.TCP_NODELAY, true);
            fresh.configureBlocking(false);
            Selector selector = Selector.open();
            ready = selector;
            fresh.register(selector, SelectionKey.OP_READ);
        } catch (IOException e) {
            disconnect();
            throw new LinkException.NotReachable(Sentence.plain(address()), e);
        }
    }

    @Override
    public boolean isConnected() {
        return channel != null && channel.isOpen();
    }

    @Override
    public void send(byte[] bytes) throws LinkException {
        ByteBuffer left = ByteBuffer.wrap(bytes);
        try {
            while (left.hasRemaining()) {
                if (open().write(left) == 0 && !isReadyWithin(SelectionKey.OP_WRITE, sendPatience)) {
                    disconnect();
                    throw new LinkException.TimedOut(Sentence.of("link.whatWasSent"), sendPatience.toMillis());
                }
            }
        } catch (IOException | ClosedSelectorException e) {
            disconnect();
            throw new LinkException.Lost(e);
        }
    }

    @Override
    public int receive(byte[] into, Duration patience) throws LinkException {
        try {
            SocketChannel from = open();
            if (!isReadyWithin(SelectionKey.OP_READ, patience)) {
                return 0;
            }
            int count = from.read(ByteBuffer.wrap(into));
            if (count < 0) {
                disconnect();
                throw new LinkException.Lost(null);
            }
            return count;
        } catch (IOException | ClosedSelectorException e) {
            disconnect();
            throw new LinkException.Lost(e);
        }
    }

    private boolean isReadyWithin(int operation, Duration patience) throws IOException, LinkException {
        Selector selector = ready;
        SelectionKey key = selector == null ? null : open().keyFor(selector);
        if (selector == null || key == null) {
            throw new LinkException.Lost(null);
        }
        key.interestOps(operation);
        int count = selector.select(Math.max(1, patience.toMillis()));
        selector.selectedKeys().clear();
        return count > 0;
    }

    private SocketChannel open() throws LinkException {
        SocketChannel present = channel;
        if (present == null || !present.isOpen()) {
            throw new LinkException.Lost(null);
        }
        return present;
    }

    @Override
    public String address() {
        return host + " port " + port;
    }

    @Override
    public void disconnect() {
        close(channel);
        close(ready);
    }

    private static void close(@Nullable AutoCloseable open) {
        if (open == null) {
            return;
        }
        try {
            open.close();
        } catch (Exception alreadyGone) {
            // there is nothing left to close
        }
    }
}
