package rovek.link.packet;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import rovek.link.Sha256;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The outer shell of a field package: a ZIP (ISO/IEC 21320-1) with a manifest that names every entry with its size and
 * SHA-256. Reading it is guarded against ZIPs made to hurt; the same content always packs to the same bytes.
 *
 * @param kind {@code route}, {@code setup} or {@code readings}
 * @param createdAt by the maker's clock
 * @param entries path to bytes, the manifest left out
 * @param digests path to SHA-256 in hexadecimal, of each entry whose digest was found to agree
 */
record PackageEntries(String kind, Instant createdAt, Maker maker, Map<String, byte[]> entries, Map<String, String> digests) {

    private static final String FORMAT = "rovek-field-package";
    private static final int MAJOR = 1;
    private static final String VERSION = MAJOR + ".0";
    private static final String MANIFEST = "manifest.json";

    private static final int MOST_ENTRIES = 20_000;
    private static final long MOST_BYTES = 512L << 20;
    private static final int LARGEST_RATIO = 200;
    private static final int SMALL_BYTES = 1 << 20;

    /** Yet to be packed. */
    PackageEntries(String kind, Instant createdAt, Maker maker, Map<String, byte[]> entries) {
        this(kind, createdAt, maker, entries, Map.of());
    }

    byte[] pack() {
        ObjectNode manifest = Schemas.PUBLISHED.json().createObjectNode();
        manifest.put("format", FORMAT).put("version", VERSION).put("kind", kind).put("createdAt", createdAt.toString());
        ObjectNode madeBy = manifest.putObject("madeBy").put("program", maker.program());
        maker.instrument().ifPresent(instrument -> madeBy
                .put("maker", instrument.maker())
                .put("model", instrument.model())
                .put("serial", instrument.serial())
                .put("firmware", instrument.firmware()));
        var list = manifest.putArray("entries");
        entries.forEach((path, bytes) ->
                list.addObject().put("path", path).put("size", bytes.length).put("sha256", Sha256.of(bytes)));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            put(zip, MANIFEST, Schemas.PUBLISHED.json().writeValueAsBytes(manifest));
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
        byte[] manifestBytes = entries.remove(MANIFEST);
        if (manifestBytes == null) {
            throw PackageException.foreign("it has no manifest.json");
        }
        JsonNode raw = Schemas.PUBLISHED.parse(manifestBytes, MANIFEST);
        refuseForeignOrNewer(raw);
        JsonNode manifest = Schemas.PUBLISHED.manifest(manifestBytes);
        Map<String, byte[]> listed = new LinkedHashMap<>();
        Map<String, String> digests = new HashMap<>();
        for (JsonNode entry : manifest.get("entries")) {
            String path = entry.get("path").stringValue();
            byte[] bytes = entries.get(path);
            if (bytes == null) {
                throw PackageException.damaged(path + " is missing");
            }
            String digest = entry.get("sha256").stringValue();
            if (bytes.length != entry.get("size").longValue() || !Sha256.of(bytes).equals(digest)) {
                throw PackageException.damaged("the digest of " + path + " does not agree");
            }
            listed.put(path, bytes);
            digests.put(path, digest);
        }
        return new PackageEntries(
                manifest.get("kind").stringValue(),
                Times.instant(manifest.get("createdAt").stringValue(), MANIFEST),
                maker(manifest.get("madeBy")),
                listed,
                digests);
    }

    private static void refuseForeignOrNewer(JsonNode manifest) throws PackageException {
        if (!FORMAT.equals(manifest.path("format").asString(""))) {
            throw PackageException.foreign("its manifest names another format");
        }
        String version = manifest.path("version").asString("");
        int dot = version.indexOf('.');
        try {
            if (Integer.parseInt(dot < 0 ? version : version.substring(0, dot)) > MAJOR) {
                throw PackageException.tooNew(version);
            }
        } catch (NumberFormatException e) {
            throw PackageException.foreign("its version is \"" + version + "\"");
        }
    }

    private static Maker maker(JsonNode madeBy) {
        Maker.MakingInstrument named = new Maker.MakingInstrument(
                madeBy.path("maker").asString(""), madeBy.path("model").asString(""), madeBy.path("serial").asString(""), madeBy.path("firmware").asString(""));
        Optional<Maker.MakingInstrument> instrument = Optional.of(named).filter(one -> !one.model().isEmpty() || !one.serial().isEmpty());
        return new Maker(madeBy.get("program").stringValue(), instrument);
    }

    private static Map<String, byte[]> unzip(byte[] packed) throws PackageException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        long total = 0;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(packed))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                String path = entry.getName();
                if (path.startsWith("/") || path.contains("..") || path.contains("\\")) {
                    throw PackageException.tooLarge("an entry's name points outside of it");
                }
                long left = Math.min(MOST_BYTES - total, Math.max(SMALL_BYTES, (long) packed.length * LARGEST_RATIO) - total);
                byte[] bytes = zip.readNBytes((int) Math.min(Integer.MAX_VALUE - 8L, Math.max(0, left) + 1));
                total += bytes.length;
                if (bytes.length > left) {
                    throw PackageException.tooLarge("it unpacks to far more than it weighs");
                }
                if (entries.put(path, bytes) != null) {
                    throw PackageException.damaged(path + " is in it twice");
                }
                if (entries.size() > MOST_ENTRIES) {
                    throw PackageException.tooLarge("it holds more than " + MOST_ENTRIES + " entries");
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            // The latter is what the JDK makes of a name that is no text.
            throw PackageException.damaged("it cannot be unpacked");
        }
        if (entries.isEmpty()) {
            throw PackageException.foreign("it is not a ZIP file");
        }
        return entries;
    }
}
