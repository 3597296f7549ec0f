package rovek.link.packet;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import rovek.core.wording.Sentence;

/**
 * The outer shell of a small field package, all of it in memory: a ZIP (ISO/IEC 21320-1) with a manifest that names
 * every entry with its size and SHA-256. Reading it is guarded against ZIPs made to hurt; the same content always packs
 * to the same bytes. Readings, which may be many and large, are taken from a {@link PackageArchive}.
 *
 * @param kind {@code route}, {@code setup}, {@code firmware} or {@code readings}
 * @param createdAt by the maker's clock
 * @param entries path to bytes, the manifest left out
 */
record PackageEntries(String kind, Instant createdAt, Maker maker, Map<String, byte[]> entries) {

    static final int MOST_ENTRIES = 20_000;
    private static final long MOST_BYTES = 128L << 20;
    private static final int LARGEST_RATIO = 200;
    private static final int SMALL_BYTES = 1 << 20;

    byte[] pack() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            put(zip, Manifest.PATH, Manifest.written(kind, createdAt, maker, entries));
            for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
                put(zip, entry.getKey(), entry.getValue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static void put(ZipOutputStream zip, String path, byte[] bytes) throws IOException {
        ZipEntry entry = new ZipEntry(path);
        // A fixed time: two packages with the same content are the same bytes and have the same digest.
        entry.setTimeLocal(LocalDateTime.of(1980, 1, 1, 0, 0));
        zip.putNextEntry(entry);
        zip.write(bytes);
        zip.closeEntry();
    }

    static PackageEntries unpack(byte[] packed) throws PackageException {
        Map<String, byte[]> entries = unzip(packed);
        byte[] manifestBytes = entries.remove(Manifest.PATH);
        if (manifestBytes == null) {
            throw PackageException.foreign(Sentence.of("packet.noManifest"));
        }
        Manifest manifest = Manifest.parse(manifestBytes);
        Map<String, byte[]> listed = new LinkedHashMap<>();
        for (Map.Entry<String, Manifest.Listed> entry : manifest.entries().entrySet()) {
            byte[] bytes = entries.get(entry.getKey());
            if (bytes == null) {
                throw PackageException.damaged(Sentence.of("packet.missing", "path", entry.getKey()));
            }
            if (!entry.getValue().agreesWith(bytes)) {
                throw PackageException.digestDiffers(entry.getKey());
            }
            listed.put(entry.getKey(), bytes);
        }
        return new PackageEntries(manifest.kind(), manifest.createdAt(), manifest.maker(), listed);
    }

    /** How much may be unpacked of so much that is packed. */
    static long mostUnpacked(long packed, long mostBytes) {
        return Math.min(mostBytes, Math.max(SMALL_BYTES, packed * LARGEST_RATIO));
    }

    static void requireInside(String path) throws PackageException {
        if (path.startsWith("/") || path.contains("..") || path.contains("\\")) {
            throw PackageException.tooLarge(Sentence.of("packet.entryOutside"));
        }
    }

    private static Map<String, byte[]> unzip(byte[] packed) throws PackageException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        long left = mostUnpacked(packed.length, MOST_BYTES);
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(packed))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                String path = entry.getName();
                requireInside(path);
                byte[] bytes = zip.readNBytes((int) left + 1);
                left -= bytes.length;
                if (left < 0) {
                    throw PackageException.tooLarge(Sentence.of("packet.bomb"));
                }
                if (entries.put(path, bytes) != null) {
                    throw PackageException.damaged(Sentence.of("packet.twice", "path", path));
                }
                if (entries.size() > MOST_ENTRIES) {
                    throw PackageException.tooLarge(Sentence.of("packet.tooManyEntries", "most", MOST_ENTRIES));
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            // The latter is what the JDK makes of a name that is no text.
            throw PackageException.damaged(Sentence.of("packet.notUnpacked"));
        }
        if (entries.isEmpty()) {
            throw PackageException.foreign(Sentence.of("packet.notZip"));
        }
        return entries;
    }
}
