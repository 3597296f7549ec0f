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

    private final Handheld handheld;
    private final Faults faults;
    private final ServerSocket listening;
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
        start("handheld port", this::accept);
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
            new HandheldSession(handheld, faults).serve(new BufferedInputStream(socket.getInputStream()), socket.getOutputStream());
        } catch (IOException gone) {
            // the other side has hung up; the next one gets a session of its own
        } finally {
            open.remove(socket);
        }
    }

    private static void start(String name, Runnable work) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        thread.start();
    }

    @Override
    public void close() {
        try {
            listening.close();
            for (Socket socket : open) {
                socket.close();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
