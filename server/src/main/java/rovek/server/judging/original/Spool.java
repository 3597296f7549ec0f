package rovek.server.judging.original;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.util.HexFormat;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import rovek.server.base.problem.DomainProblem;

/**
 * A file that is worked on, on the server's disk for as long as that takes.
 *
 * @param sha256 in hexadecimal
 * @param size in bytes
 */
public record Spool(Path path, String sha256, long size) implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Spool.class);

    /** Begins the names of such files, so that what a power cut left behind is known. */
    static final String NAMED = "rovek-spool-";

    static final Path FOLDER = Path.of(System.getProperty("java.io.tmpdir"));

    /** Writes what is to be worked on. */
    @FunctionalInterface
    public interface Writing<E extends Exception> {
        void into(OutputStream out) throws IOException, E;
    }

    /** @throws DomainProblem.Conflict where the server's disk takes no more */
    public static <E extends Exception> Spool of(Writing<E> writing) throws E {
        return in(FOLDER, writing);
    }

    public static <E extends Exception> Spool in(Path folder, Writing<E> writing) throws E {
        Path path = null;
        try {
            path = Files.createTempFile(folder, NAMED, ".zip");
            MessageDigest digest = Sha256.digest();
            try (OutputStream out = new DigestOutputStream(Files.newOutputStream(path), digest)) {
                writing.into(out);
            }
            Spool spool = new Spool(path, HexFormat.of().formatHex(digest.digest()), Files.size(path));
            path = null;
            return spool;
        } catch (IOException e) {
            LOG.error("A file under way could not be written.", e);
            throw new DomainProblem.Conflict("no-room-under-way", Sentence.of("judging.noDiskSpace"));
        } finally {
            if (path != null) {
                path.toFile().delete();
            }
        }
    }

    public static Spool of(byte[] bytes) {
        return of(out -> out.write(bytes));
    }

    public static Spool of(InputStream in) {
        return of(in::transferTo);
    }

    @Override
    public void close() {
        try {
            Files.deleteIfExists(path);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
