package rovek.fieldsim;

import java.io.FileInputStream;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.time.Duration;

/**
 * The instrument's serial plug: one conversation after the other over a device. Silence in between ends a conversation.
 */
final class SerialPlug implements AutoCloseable {

    private static final Duration SILENCE = Duration.ofSeconds(3);
    private static final int POLL_MILLIS = 2;

    private final Handheld handheld;
    private final Faults faults;
    private final FileInputStream in;
    private final FileOutputStream out;
    private volatile boolean isOpen = true;

    /** @param device of a line that is raw already, such as one end of a pty pair */
    SerialPlug(Handheld handheld, Faults faults, Path device) throws IOException {
        this.handheld = handheld;
        this.faults = faults;
        this.in = new FileInputStream(device.toFile());
        this.out = new FileOutputStream(device.toFile());
        Thread thread = new Thread(this::converse, "serial plug");
        thread.setDaemon(true);
        thread.start();
    }

    private void converse() {
        while (isOpen) {
            try {
                new HandheldSession(handheld, faults).serve(new UntilSilent(), out);
            } catch (IOException garbageOrGone) {
                // the next conversation begins again
            }
        }
    }

    /** Bytes of one conversation. Waits for its first byte as long as it takes, then ends when nothing more comes. */
    private final class UntilSilent extends InputStream {

        private boolean isBegun;

        @Override
        public int read() throws IOException {
            long until = System.nanoTime() + SILENCE.toNanos();
            while (in.available() == 0) {
                if (!isOpen || isBegun && System.nanoTime() > until) {
                    return -1;
                }
                try {
                    Thread.sleep(POLL_MILLIS);
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    return -1;
                }
            }
            isBegun = true;
            return in.read();
        }
    }

    @Override
    public void close() {
        isOpen = false;
        try {
            in.close();
            out.close();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
