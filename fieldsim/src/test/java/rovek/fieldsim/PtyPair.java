package rovek.fieldsim;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Two ends of a serial line that exists in memory only. */
public final class PtyPair implements AutoCloseable {

    private final Process socat;
    private final Path near;
    private final Path far;

    private PtyPair(Process socat, Path near, Path far) {
        this.socat = socat;
        this.near = near;
        this.far = far;
    }

    public static PtyPair start(Path folder) throws IOException, InterruptedException {
        Path near = folder.resolve("line-near");
        Path far = folder.resolve("line-far");
        Process socat = new ProcessBuilder("socat", "pty,raw,echo=0,link=" + near, "pty,raw,echo=0,link=" + far)
                .redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
        for (int i = 0; i < 500 && !(Files.exists(near) && Files.exists(far)); i++) {
            Thread.sleep(10);
        }
        return new PtyPair(socat, near.toRealPath(), far.toRealPath());
    }

    /** Rovek's end. */
    public Path near() {
        return near;
    }

    /** The instrument's end. */
    public Path far() {
        return far;
    }

    @Override
    public void close() {
        socat.destroy();
    }
}
