package rovek.fieldsim;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;

/** Two ends of a serial line that exists in memory only, made by {@code socat}. */
final class PtyPair implements AutoCloseable {

    private static final int TRIES = 500;
    private static final int TRY_MILLIS = 10;
    private static final int LONGEST_END_SECONDS = 5;

    private final Process socat;
    private final Path far;

    private PtyPair(Process socat, Path far) {
        this.socat = socat;
        this.far = far;
    }

    /** @param near where the end for others appears; the far end is beside it */
    static PtyPair start(Path near) throws IOException {
        Path far = near.resolveSibling(near.getFileName() + "-far");
        Files.createDirectories(near.toAbsolutePath().getParent());
        Files.deleteIfExists(near);
        Files.deleteIfExists(far);
        Process socat = new ProcessBuilder("socat", "pty,raw,echo=0,link=" + near, "pty,raw,echo=0,link=" + far)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        Runtime.getRuntime().addShutdownHook(new Thread(socat::destroy));
        for (int i = 0; !(Files.exists(near) && Files.exists(far)); i++) {
            if (i == TRIES || !socat.isAlive()) {
                throw new IOException("socat made no line at " + near + ".");
            }
            pause();
        }
        return new PtyPair(socat, far);
    }

    private static void pause() throws IOException {
        try {
            Thread.sleep(TRY_MILLIS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Interrupted.", e);
        }
    }

    /** The instrument's end. */
    Path far() throws IOException {
        return far.toRealPath();
    }

    @Override
    public void close() {
        socat.destroy();
        try {
            // It takes its links away when it ends: whoever clears the folder must not meet it on the way.
            if (!socat.waitFor(LONGEST_END_SECONDS, TimeUnit.SECONDS)) {
                socat.destroyForcibly();
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }
}
