package rovek.server;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;

/** A wire between two programs that can be cut: after so many bytes, both ways counted, or for as long as one likes. */
final class Relay implements AutoCloseable {

    private final ServerSocket listening;
    private final int target;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private final AtomicLong passed = new AtomicLong();
    private volatile long cutAt = Long.MAX_VALUE;
    private volatile boolean isDown;

    Relay(int target) {
        this.target = target;
        try {
            listening = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        daemon(this::accept);
    }

    int port() {
        return listening.getLocalPort();
    }

    /** Bytes that have passed since the last call of {@link #cutAfter}. */
    long passed() {
        return passed.get();
    }

    /** Cuts once, after so many more bytes. */
    void cutAfter(long bytes) {
        passed.set(0);
        cutAt = bytes;
    }

    void neverCut() {
        cutAfter(Long.MAX_VALUE);
    }

    /** Cuts every wire, and nobody gets through until it is up again. */
    void down() {
        isDown = true;
        open.forEach(Relay::closeQuietly);
    }

    void up() {
        isDown = false;
    }

    private void accept() {
        while (!listening.isClosed()) {
            try {
                Socket near = listening.accept();
                if (isDown) {
                    closeQuietly(near);
                    continue;
                }
                Socket far = new Socket();
                far.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), target));
                near.setTcpNoDelay(true);
                far.setTcpNoDelay(true);
                open.add(near);
                open.add(far);
                daemon(() -> pump(near, far));
                daemon(() -> pump(far, near));
            } catch (IOException e) {
                if (listening.isClosed()) {
                    return;
                }
            }
        }
    }

    private void pump(Socket from, Socket to) {
        byte[] buffer = new byte[8192];
        try {
            InputStream in = from.getInputStream();
            OutputStream out = to.getOutputStream();
            for (int count = in.read(buffer); count >= 0; count = in.read(buffer)) {
                long before = passed.getAndAdd(count);
                long allowed = Math.max(0, Math.min(count, cutAt - before));
                out.write(buffer, 0, (int) allowed);
                out.flush();
                if (allowed < count) {
                    cutAt = Long.MAX_VALUE;
                    break;
                }
            }
        } catch (IOException gone) {
            // the other side has hung up
        } finally {
            closeQuietly(from);
            closeQuietly(to);
            open.remove(from);
            open.remove(to);
        }
    }

    private static void closeQuietly(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void daemon(Runnable work) {
        Thread thread = new Thread(work, "relay");
        thread.setDaemon(true);
        thread.start();
    }

    @Override
    public void close() {
        try {
            listening.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        open.forEach(Relay::closeQuietly);
    }
}
