package rovek.link.packet;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import rovek.core.reading.Capture;
import rovek.core.reading.PictureCapture;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import tools.jackson.databind.JsonNode;

/** Reads lines of a package's readings, and what they name; bounded, one reading at a time. */
final class ReadingLine {

    static final String READINGS = "readings.ndjson";

    private static final int LONGEST = 1 << 20;
    private static final int MOST_SAMPLES = 1 << 21;
    private static final int LARGEST_TEXT = 4 << 20;
    private static final int LARGEST_PICTURE = 32 << 20;
    /** Of a capture with all its photos. */
    static final int LARGEST = 64 << 20;

    private static final String WAVEFORM = "waveform";

    private final PackageArchive archive;
    private final UnitReading units;
    /** Thousands of readings are taken with the same settings. */
    private final Map<Map<String, String>, Map<String, String>> settings = new ConcurrentHashMap<>();

    ReadingLine(PackageArchive archive, UnitReading units) {
        this.archive = archive;
        this.units = units;
    }

    static String where(int number) {
        return READINGS + ":" + number;
    }

    /** @param number of the line, from 1 */
    ListedReading listed(String line, int number) throws PackageException {
        String where = where(number);
        if (line.length() > LONGEST) {
            throw PackageException.invalid(where, Sentence.of("packet.lineTooLong"));
        }
        JsonNode node = Schemas.PUBLISHED.reading(line.getBytes(StandardCharsets.UTF_8), number);
        if (JsonMaps.plain(node, "id").isBlank()) {
            throw PackageException.invalid(where, Sentence.of("packet.readingNoId"));
        }
        List<String> photos = new ArrayList<>();
        for (JsonNode photo : node.path("photos")) {
            photos.add(photo.stringValue());
        }
        JsonNode described = node.get("capture");
        Optional<String> path = described.has("path") || isWaveform(described)
                ? Optional.of(described.path("path").asString(""))
                : Optional.empty();
        long bytes = path.isPresent() ? size(path.get(), where) : 0;
        for (String photo : photos) {
            bytes += size(photo, where);
        }
        if (bytes > LARGEST) {
            throw PackageException.invalid(where, Sentence.of("packet.recordedTooLarge", "most", LARGEST >> 20));
        }
        ListedReading.Recorded recorded = path.isPresent()
                ? new ListedReading.InEntries(path.get(), described.toString(), List.copyOf(photos))
                : new ListedReading.Mere(
                        CaptureFile.capture(described, Optional.empty(), units, where), List.copyOf(photos));
        return new ListedReading(
                number,
                JsonMaps.plain(node, "id"),
                Times.instant(node.get("takenAt").stringValue(), where),
                JsonMaps.plain(node, "technique").intern(),
                node.has("stop") ? Optional.of(JsonMaps.uuid(node, "stop", where)) : Optional.<UUID>empty(),
                JsonMaps.plain(node, "label"),
                JsonMaps.plain(node, "note"),
                node.has("replaces") ? Optional.of(JsonMaps.plain(node, "replaces")) : Optional.empty(),
                shared(JsonMaps.texts(node.get("settings"))),
                path.isPresent()
                        ? archive.listed(path.get()).orElseThrow().sha256()
                        : digest((ListedReading.Mere) recorded),
                bytes,
                recorded);
    }

    private Map<String, String> shared(Map<String, String> given) {
        Map<String, String> own = Map.copyOf(given);
        Map<String, String> known = settings.putIfAbsent(own, own);
        return known == null ? own : known;
    }

    private static String digest(ListedReading.Mere mere) {
        return Sha256.of(CaptureFile.of(mere.capture()).identity());
    }

    private static boolean isWaveform(JsonNode described) {
        return described.path("kind").asString(WAVEFORM).equals(WAVEFORM);
    }

    private long size(String path, String where) throws PackageException {
        return archive.listed(path)
                .orElseThrow(() -> PackageException.invalid(where, Sentence.of("packet.notListed", "path", path)))
                .size();
    }

    /** Takes an entry out of the package. */
    private interface Fetch {
        byte[] bytes(String path, int most) throws PackageException;
    }

    /** The reading with what was recorded, the digests of its entries compared. */
    PackedReading checked(ListedReading listed) throws PackageException {
        return whole(listed, archive::bytes);
    }

    /** The reading with what was recorded, of a package whose digests were compared before. */
    PackedReading whole(ListedReading listed) throws PackageException {
        return whole(listed, (path, most) -> archive.bytesOnceMore(path));
    }

    private PackedReading whole(ListedReading listed, Fetch fetch) throws PackageException {
        String where = where(listed.line());
        PackedCapture capture = listed.recorded() instanceof ListedReading.InEntries in
                ? capture(in, fetch, where)
                : new PackedCapture.Plain(((ListedReading.Mere) listed.recorded()).capture());
        List<PictureCapture> photos = new ArrayList<>();
        for (String photo : listed.photos()) {
            photos.add(photo(photo, fetch, where));
        }
        return new PackedReading(
                listed.id(),
                listed.takenAt(),
                listed.technique(),
                listed.stop(),
                listed.label(),
                listed.note(),
                listed.replaces(),
                listed.settings(),
                capture,
                photos);
    }

    private PackedCapture capture(ListedReading.InEntries in, Fetch fetch, String where) throws PackageException {
        JsonNode described = Schemas.PUBLISHED.json().readTree(in.described());
        if (isWaveform(described)) {
            Wav samples = Wav.parse(fetch.bytes(in.path(), LARGEST), in.path());
            if (samples.samples().length > MOST_SAMPLES) {
                throw PackageException.invalid(where, Sentence.of("packet.tooManySamples", "most", MOST_SAMPLES));
            }
            return new PackedReading.Waveform(
                    samples.samples(),
                    rate(described, samples, where),
                    CaptureFile.unit(described, units, where),
                    described.path("scale").asDouble(1),
                    number(described, "sensitivityMvPerG"),
                    number(described, "fullScale"));
        }
        byte[] bytes = fetch.bytes(in.path(), LARGEST);
        int most = switch (described.path("kind").asString("")) {
            case CaptureFile.PICTURE -> LARGEST_PICTURE;
            case CaptureFile.TEXT -> LARGEST_TEXT;
            default -> LARGEST;
        };
        if (bytes.length > most) {
            throw PackageException.invalid(
                    where, Sentence.of("packet.fileTooLarge", "path", in.path(), "most", most >> 20));
        }
        Capture capture = CaptureFile.capture(described, Optional.of(bytes), units, where);
        return new PackedCapture.Plain(capture);
    }

    /** What the reading says; a WAV file tells whole hertz only, and must agree as far as that. */
    private static double rate(JsonNode described, Wav wav, String where) throws PackageException {
        double said = described.path("rateHz").asDouble(0);
        if (Math.abs(said - wav.rateHz()) > 0.5 + 1e-9) {
            throw PackageException.invalid(
                    where, Sentence.of("packet.ratesDiffer", "said", said, "rate", wav.rateHz()));
        }
        return said;
    }

    private static PictureCapture photo(String path, Fetch fetch, String where) throws PackageException {
        byte[] bytes = fetch.bytes(path, LARGEST);
        try {
            return new PictureCapture(path.endsWith(".png") ? "image/png" : "image/jpeg", bytes);
        } catch (IllegalArgumentException e) {
            throw PackageException.invalid(where + ", " + path, Understanding.why(e));
        }
    }

    private static OptionalDouble number(JsonNode object, String field) {
        return object.has(field) ? OptionalDouble.of(object.get(field).doubleValue()) : OptionalDouble.empty();
    }
}
