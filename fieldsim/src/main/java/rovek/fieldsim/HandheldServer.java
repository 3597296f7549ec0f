package rovek.fieldsim;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** Listens on the instrument's own port, on loopback only. */
final class HandheldServer implements AutoCloseable {

    private static final long LEAVES_WITHIN_MILLIS = 5_000;

    private final Handheld handheld;
    private final Faults faults;
    private final ServerSocket listening;
    private final Thread accepting;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();

    /** @param port 0 for any that is free */
    HandheldServer(Handheld handheld, Faults faults, int port) {
        this.handheld = handheld;
        this.faults = faults;
        try {
            listening = new ServerSocket();
            listening.setReuseAddress(true);
            listening.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        } catch (IOException e) {
            throw new UncheckedIOException("Port " + port + " cannot be used.", e);
        }
        accepting = start("handheld port", this::accept);
    }

    int port() {
        return listening.getLocalPort();
    }

    private void accept() {
        while (!listening.isClosed()) {
            try {
                Socket socket = listening.accept();
                open.add(socket);
                start("handheld session", () -> serve(socket));
            } catch (IOException e) {
                return;
            }
        }
    }

    private void serve(Socket socket) {
        try (socket) {
            socket.setTcpNoDelay(true);
            new HandheldSession(handheld, faults)
                    .serve(new BufferedInputStream(socket.getInputStream()), socket.getOutputStream());
        } catch (IOException gone) {
            // the other side has hung up; the next one gets a session of its own
        } finally {
            open.remove(socket);
        }
    }

    private static Thread start(String name, Runnable work) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        thread.start();
        return thread;
    }

    @Override
    public void close() {
        try {
            listening.close();
            // The port is free only when whoever waits at it has gone: until then one more may be let in.
            accepting.join(LEAVES_WITHIN_MILLIS);
            for (Socket socket : open) {
                socket.close();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
