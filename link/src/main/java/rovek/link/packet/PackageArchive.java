package rovek.link.packet;

import java.io.IOException;
import java.io.InputStream;
import java.io.RandomAccessFile;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.Collections;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.apache.commons.io.input.BoundedInputStream;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;

/**
 * A field package in a file, opened: its manifest is in memory, every entry stays in the file until it is asked for.
 * Bounded before anything is unpacked: the file, its directory, its entries, and what they unpack to. Several threads
 * may read at once.
 */
final class PackageArchive implements AutoCloseable {

    /** The largest package that there is. */
    static final long MOST_PACKED = 256L << 20;

    private static final long MOST_UNPACKED = 512L << 20;
    private static final int LARGEST_MANIFEST = 4 << 20;
    private static final int LARGEST_DIRECTORY = 8 << 20;
    private static final int LOCAL_HEADER = 0x04034b50;
    /** The record at a ZIP's end (APPNOTE 4.3.16): 22 bytes and a comment of at most 65,535. */
    private static final int END = 0x06054b50;

    private static final int END_BYTES = 22;
    private static final int LONGEST_COMMENT = 65_535;
    private static final int DIRECTORY_SIZE_AT = 12;

    private final ZipFile zip;
    private final Manifest manifest;

    private PackageArchive(ZipFile zip, Manifest manifest) {
        this.zip = zip;
        this.manifest = manifest;
    }

    /**
     * @throws PackageException where it is no field package, or one beyond the bounds; what its entries hold is not
     *     looked at yet
     */
    static PackageArchive open(Path file) throws PackageException {
        ZipFile zip = zip(file);
        try {
            requireBounded(zip, file.toFile().length());
            ZipEntry first = zip.getEntry(Manifest.PATH);
            if (first == null) {
                throw PackageException.foreign(Sentence.of("packet.noManifest"));
            }
            Manifest manifest = Manifest.parse(bytes(zip, first, LARGEST_MANIFEST));
            requireAllListed(zip, manifest);
            return new PackageArchive(zip, manifest);
        } catch (PackageException | RuntimeException refused) {
            closed(zip);
            throw refused;
        }
    }

    private static ZipFile zip(Path file) throws PackageException {
        boolean begins = false;
        try {
            begins = requireSmallDirectory(file);
            return new ZipFile(file.toFile());
        } catch (IOException | IllegalArgumentException e) {
            // The latter is what the JDK makes of a name that is no text.
            throw begins
                    ? PackageException.damaged(Sentence.of("packet.notUnpacked"))
                    : PackageException.foreign(Sentence.of("packet.notZip"));
        }
    }

    /**
     * The JDK reads a ZIP's directory whole. Whatever looks like the end of a ZIP must therefore tell of a small one.
     *
     * @return whether the file begins as a ZIP does
     */
    private static boolean requireSmallDirectory(Path file) throws IOException, PackageException {
        try (RandomAccessFile in = new RandomAccessFile(file.toFile(), "r")) {
            long length = in.length();
            if (length > MOST_PACKED) {
                throw PackageException.tooLarge(Sentence.of("packet.packedTooLarge", "most", MOST_PACKED >> 20));
            }
            byte[] tail = new byte[(int) Math.min(length, END_BYTES + LONGEST_COMMENT)];
            in.seek(length - tail.length);
            in.readFully(tail);
            ByteBuffer last = ByteBuffer.wrap(tail).order(ByteOrder.LITTLE_ENDIAN);
            for (int at = tail.length - END_BYTES; at >= 0; at--) {
                if (last.getInt(at) == END
                        && Integer.toUnsignedLong(last.getInt(at + DIRECTORY_SIZE_AT)) > LARGEST_DIRECTORY) {
                    throw tooManyEntries();
                }
            }
            byte[] head = new byte[Integer.BYTES];
            in.seek(0);
            return length >= head.length
                    && in.read(head) == head.length
                    && ByteBuffer.wrap(head).order(ByteOrder.LITTLE_ENDIAN).getInt() == LOCAL_HEADER;
        }
    }

    private static PackageException tooManyEntries() {
        return PackageException.tooLarge(Sentence.of("packet.tooManyEntries", "most", PackageEntries.MOST_ENTRIES));
    }

    private static void requireBounded(ZipFile zip, long packed) throws PackageException {
        if (zip.size() > PackageEntries.MOST_ENTRIES) {
            throw tooManyEntries();
        }
        Set<String> paths = new HashSet<>();
        long left = PackageEntries.mostUnpacked(packed, MOST_UNPACKED);
        for (ZipEntry entry : Collections.list(zip.entries())) {
            PackageEntries.requireInside(entry.getName());
            if (!paths.add(entry.getName())) {
                throw PackageException.damaged(Sentence.of("packet.twice", "path", entry.getName()));
            }
            left -= Math.max(0, entry.getSize());
            if (left < 0) {
                throw PackageException.tooLarge(Sentence.of("packet.bomb"));
            }
        }
    }

    private static void requireAllListed(ZipFile zip, Manifest manifest) throws PackageException {
        for (Map.Entry<String, Manifest.Listed> listed : manifest.entries().entrySet()) {
            ZipEntry entry = zip.getEntry(listed.getKey());
            if (entry == null) {
                throw PackageException.damaged(Sentence.of("packet.missing", "path", listed.getKey()));
            }
            if (entry.getSize() != listed.getValue().size()) {
                throw PackageException.digestDiffers(listed.getKey());
            }
        }
    }

    Manifest manifest() {
        return manifest;
    }

    /** An entry as it is listed; empty where none of that name is. */
    Optional<Manifest.Listed> listed(String path) {
        return Optional.ofNullable(manifest.entries().get(path));
    }

    private Manifest.Listed required(String path) throws PackageException {
        return listed(path).orElseThrow(() -> PackageException.damaged(Sentence.of("packet.missing", "path", path)));
    }

    /**
     * A listed entry, its digest compared.
     *
     * @param most bytes that it may have
     */
    byte[] bytes(String path, int most) throws PackageException {
        Manifest.Listed listed = required(path);
        byte[] bytes = bytes(zip, entry(path), (int) Math.min(most, listed.size()));
        if (!listed.agreesWith(bytes)) {
            throw PackageException.digestDiffers(path);
        }
        return bytes;
    }

    /** A listed entry whose digest was compared before: nobody but us writes the file. */
    byte[] bytesOnceMore(String path) throws PackageException {
        return bytes(zip, entry(path), Math.toIntExact(required(path).size()));
    }

    /** A listed entry as a stream, of as many bytes as it is listed with; its digest is not compared. */
    InputStream stream(String path) throws PackageException {
        try {
            return BoundedInputStream.builder()
                    .setInputStream(zip.getInputStream(entry(path)))
                    .setMaxCount(required(path).size())
                    .get();
        } catch (IOException e) {
            throw PackageException.damaged(Sentence.of("packet.notUnpacked"));
        }
    }

    /** @throws PackageException where a listed entry is not there as it is listed */
    void requireAsListed(String path) throws PackageException {
        Manifest.Listed listed = required(path);
        try (InputStream in = stream(path)) {
            if (!Sha256.of(in).equals(listed.sha256())) {
                throw PackageException.digestDiffers(path);
            }
        } catch (IOException e) {
            throw PackageException.damaged(Sentence.of("packet.notUnpacked"));
        }
    }

    private ZipEntry entry(String path) throws PackageException {
        ZipEntry entry = zip.getEntry(path);
        if (entry == null) {
            throw PackageException.damaged(Sentence.of("packet.missing", "path", path));
        }
        return entry;
    }

    private static byte[] bytes(ZipFile zip, ZipEntry entry, int most) throws PackageException {
        try (InputStream in = zip.getInputStream(entry)) {
            byte[] bytes = in.readNBytes(most);
            if (in.read() >= 0) {
                throw entry.getName().equals(Manifest.PATH)
                        ? tooManyEntries()
                        : PackageException.digestDiffers(entry.getName());
            }
            return bytes;
        } catch (IOException | IllegalArgumentException e) {
            throw PackageException.damaged(Sentence.of("packet.notUnpacked"));
        }
    }

    @Override
    public void close() {
        closed(zip);
    }

    private static void closed(ZipFile zip) {
        try {
            zip.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
