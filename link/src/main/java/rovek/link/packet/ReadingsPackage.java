package rovek.link.packet;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import rovek.core.reading.Capture;
import rovek.core.reading.PictureCapture;
import rovek.link.Sha256;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Readings as an instrument gives them.
 *
 * @param maker the instrument
 * @param walk the route they belong to; empty for loose readings alone
 * @param leftOut what of it could not be understood: one bad reading keeps nobody from the others
 */
public record ReadingsPackage(Instant createdAt, Maker maker, Optional<Walk> walk, List<DigestedReading> readings, List<LeftOut> leftOut) {

    private static final String READINGS = "readings.ndjson";
    private static final String WALK = "walk.json";

    /**
     * A reading and the digest of its capture's bytes.
     *
     * @param captureSha256 in hexadecimal
     */
    public record DigestedReading(PackedReading reading, String captureSha256) {}

    /**
     * A reading that could not be taken.
     *
     * @param line of the readings' file, from 1
     * @param reason names the line
     * @param unknownUnit the unit that nobody knows, as it is written; blank where something else is wrong
     */
    public record LeftOut(int line, String reason, String unknownUnit) {

        private static final int LONGEST_REASON = 400;
        private static final int LONGEST_UNIT = 40;

        /** A hostile file may make a reason of anything: what nobody can read or keep is left out. */
        public LeftOut {
            reason = plain(reason, LONGEST_REASON);
            unknownUnit = plain(unknownUnit, LONGEST_UNIT);
        }

        private static String plain(String text, int longest) {
            String printable = String.valueOf(text).replaceAll("\\p{Cntrl}+", " ").strip();
            return printable.length() <= longest ? printable : printable.substring(0, longest - 1) + "…";
        }
    }

    public static byte[] pack(Instant createdAt, Maker maker, Optional<Walk> walk, List<PackedReading> readings) {
        return pack(createdAt, maker, walk, readings, Map.of());
    }

    /** @param sources what the readings were made from, path to bytes; kept along and not looked into */
    public static byte[] pack(Instant createdAt, Maker maker, Optional<Walk> walk, List<PackedReading> readings, Map<String, byte[]> sources) {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        walk.ifPresent(walked -> entries.put(WALK, walkJson(walked)));
        ByteArrayOutputStream lines = new ByteArrayOutputStream();
        Map<String, byte[]> captures = new LinkedHashMap<>();
        for (PackedReading reading : readings) {
            lines.writeBytes(readingJson(reading, captures));
            lines.write('\n');
        }
        entries.put(READINGS, lines.toByteArray());
        entries.putAll(captures);
        entries.putAll(sources);
        return new PackageEntries("readings", createdAt, maker, entries).pack();
    }

    private static byte[] walkJson(Walk walk) {
        ObjectNode node = Schemas.PUBLISHED.json().createObjectNode();
        node.put("id", walk.id().toString()).put("route", walk.route().toString()).put("name", walk.name());
        var stops = node.putArray("stops");
        walk.stops().forEach(stop -> stops.addObject()
                .put("id", stop.id().toString())
                .put("progress", stop.progress().word())
                .put("note", stop.note()));
        return Schemas.PUBLISHED.json().writeValueAsBytes(node);
    }

    /** @param files takes the files the reading needs */
    private static byte[] readingJson(PackedReading reading, Map<String, byte[]> files) {
        ObjectNode node = Schemas.PUBLISHED.json().createObjectNode();
        node.put("id", reading.id()).put("takenAt", reading.takenAt().toString()).put("technique", reading.technique());
        reading.stop().ifPresent(stop -> node.put("stop", stop.toString()));
        node.put("label", reading.label()).put("note", reading.note());
        reading.replaces().ifPresent(replaced -> node.put("replaces", replaced));
        JsonMaps.put(node.putObject("settings"), reading.settings());
        node.set("capture", captureJson(reading, files));
        if (!reading.photos().isEmpty()) {
            ArrayNode photos = node.putArray("photos");
            for (int i = 0; i < reading.photos().size(); i++) {
                CaptureFile photo = CaptureFile.of(reading.photos().get(i));
                String path = "photos/%s-%d.%s".formatted(reading.id(), i + 1, photo.ending());
                photos.add(path);
                files.put(path, photo.bytes());
            }
        }
        return Schemas.PUBLISHED.json().writeValueAsBytes(node);
    }

    private static ObjectNode captureJson(PackedReading reading, Map<String, byte[]> files) {
        if (reading.capture() instanceof PackedReading.Waveform waveform) {
            String path = "captures/" + reading.id() + ".wav";
            files.put(path, new Wav((int) Math.max(1, Math.round(waveform.rateHz())), waveform.samples()).toBytes());
            ObjectNode described = Schemas.PUBLISHED.json().createObjectNode()
                    .put("path", path)
                    .put("unit", waveform.unit().symbol())
                    .put("rateHz", waveform.rateHz())
                    .put("scale", waveform.scale());
            waveform.sensitivityMvPerG().ifPresent(value -> described.put("sensitivityMvPerG", value));
            waveform.fullScale().ifPresent(value -> described.put("fullScale", value));
            return described;
        }
        CaptureFile file = CaptureFile.of(reading.capture().toCapture());
        ObjectNode described = (ObjectNode) Schemas.PUBLISHED.json().readTree(file.description());
        if (!file.ending().isEmpty()) {
            String path = "captures/%s.%s".formatted(reading.id(), file.ending());
            files.put(path, file.bytes());
            described.put("path", path);
        }
        return described;
    }

    public static ReadingsPackage unpack(byte[] packed) throws PackageException {
        return unpack(packed, UnitReading.USUAL);
    }

    public static ReadingsPackage unpack(byte[] packed, UnitReading units) throws PackageException {
        return Understanding.of(() -> taken(packed, units));
    }

    private static ReadingsPackage taken(byte[] packed, UnitReading units) throws PackageException {
        PackageEntries entries = PackageEntries.unpack(packed);
        byte[] lines = entries.entries().get(READINGS);
        if (!entries.kind().equals("readings") || lines == null) {
            throw PackageException.foreign("it holds no readings");
        }
        if (entries.maker().instrument().isEmpty()) {
            throw PackageException.invalid("manifest.json", "readings must name the instrument that took them");
        }
        byte[] walkBytes = entries.entries().get(WALK);
        Optional<Walk> walk = walkBytes == null ? Optional.empty() : Optional.of(walk(Schemas.PUBLISHED.walk(walkBytes)));
        String[] each = new String(lines, StandardCharsets.UTF_8).split("\n");
        Line[] read = new Line[each.length];
        // Lines have nothing to do with each other: they are read many at a time.
        IntStream.range(0, each.length).parallel().filter(i -> !each[i].isBlank()).forEach(i -> read[i] = line(each[i], i + 1, entries, units));
        List<DigestedReading> readings = Arrays.stream(read).filter(Objects::nonNull).flatMap(one -> one.reading().stream()).toList();
        List<LeftOut> leftOut = Arrays.stream(read).filter(Objects::nonNull).flatMap(one -> one.leftOut().stream()).toList();
        return new ReadingsPackage(entries.createdAt(), entries.maker(), walk, readings, leftOut);
    }

    private record Line(Optional<DigestedReading> reading, Optional<LeftOut> leftOut) {}

    private static Line line(String line, int number, PackageEntries entries, UnitReading units) {
        try {
            return new Line(Optional.of(reading(line, number, entries, units)), Optional.empty());
        } catch (PackageException e) {
            return new Line(Optional.empty(), Optional.of(new LeftOut(number, e.reason(), e.unknownUnit())));
        } catch (JacksonException e) {
            return new Line(Optional.empty(), Optional.of(new LeftOut(number, where(number) + ": " + e.getOriginalMessage(), "")));
        } catch (IllegalArgumentException e) {
            return new Line(Optional.empty(), Optional.of(new LeftOut(number, where(number) + ": " + e.getMessage(), "")));
        }
    }

    private static String where(int number) {
        return READINGS + " line " + number;
    }

    private static Walk walk(JsonNode node) throws PackageException {
        List<Walk.WalkedStop> stops = new ArrayList<>();
        for (JsonNode stop : node.get("stops")) {
            stops.add(new Walk.WalkedStop(
                    JsonMaps.uuid(stop, "id", WALK),
                    Walk.Progress.of(stop.get("progress").stringValue()),
                    JsonMaps.plain(stop, "note")));
        }
        return new Walk(JsonMaps.uuid(node, "id", WALK), JsonMaps.uuid(node, "route", WALK), JsonMaps.plain(node, "name"), stops);
    }

    private static DigestedReading reading(String line, int number, PackageEntries entries, UnitReading units)
            throws PackageException {
        String where = where(number);
        JsonNode node = Schemas.PUBLISHED.reading(line.getBytes(StandardCharsets.UTF_8), number);
        if (JsonMaps.plain(node, "id").isBlank()) {
            throw PackageException.invalid(where, "a reading has no id");
        }
        DigestedCapture capture = capture(node.get("capture"), entries, units, where);
        List<PictureCapture> photos = new ArrayList<>();
        for (JsonNode photo : node.path("photos")) {
            photos.add(photo(photo.stringValue(), entries, where));
        }
        PackedReading reading = new PackedReading(
                JsonMaps.plain(node, "id"),
                Times.instant(node.get("takenAt").stringValue(), where),
                JsonMaps.plain(node, "technique"),
                node.has("stop") ? Optional.of(JsonMaps.uuid(node, "stop", where)) : Optional.empty(),
                JsonMaps.plain(node, "label"),
                JsonMaps.plain(node, "note"),
                node.has("replaces") ? Optional.of(JsonMaps.plain(node, "replaces")) : Optional.empty(),
                JsonMaps.texts(node.get("settings")),
                capture.capture(),
                photos);
        return new DigestedReading(reading, capture.sha256());
    }

    private record DigestedCapture(PackedCapture capture, String sha256) {}

    private static DigestedCapture capture(JsonNode described, PackageEntries entries, UnitReading units, String where) throws PackageException {
        if (described.path("kind").asString("waveform").equals("waveform")) {
            String path = described.path("path").asString("");
            byte[] wav = listed(path, entries, where);
            Wav samples = Wav.parse(wav, path);
            PackedReading.Waveform waveform = new PackedReading.Waveform(
                    samples.samples(), rate(described, samples, where), CaptureFile.unit(described, units, where),
                    described.path("scale").asDouble(1), number(described, "sensitivityMvPerG"), number(described, "fullScale"));
            return new DigestedCapture(waveform, entries.digests().get(path));
        }
        Optional<String> path = described.has("path") ? Optional.of(described.get("path").stringValue()) : Optional.empty();
        Optional<byte[]> bytes = path.isPresent() ? Optional.of(listed(path.get(), entries, where)) : Optional.empty();
        Capture capture = CaptureFile.capture(described, bytes, units, where);
        String digest = path.isPresent() ? entries.digests().get(path.get()) : Sha256.of(CaptureFile.of(capture).identity());
        return new DigestedCapture(new PackedCapture.Plain(capture), digest);
    }

    /** What the reading says; a WAV file tells whole hertz only, and must agree as far as that. */
    private static double rate(JsonNode described, Wav wav, String where) throws PackageException {
        double said = described.path("rateHz").asDouble(0);
        if (Math.abs(said - wav.rateHz()) > 0.5 + 1e-9) {
            throw PackageException.invalid(where, "it says that it was sampled at %s Hz, and its WAV file says %d Hz".formatted(said, wav.rateHz()));
        }
        return said;
    }

    private static PictureCapture photo(String path, PackageEntries entries, String where) throws PackageException {
        try {
            return new PictureCapture(path.endsWith(".png") ? "image/png" : "image/jpeg", listed(path, entries, where));
        } catch (IllegalArgumentException e) {
            throw PackageException.invalid(where, path + ": " + e.getMessage());
        }
    }

    private static byte[] listed(String path, PackageEntries entries, String where) throws PackageException {
        byte[] bytes = entries.entries().get(path);
        if (bytes == null) {
            throw PackageException.invalid(where, "it names a file that is not listed, " + path);
        }
        return bytes;
    }

    private static OptionalDouble number(JsonNode object, String field) {
        return object.has(field) ? OptionalDouble.of(object.get(field).doubleValue()) : OptionalDouble.empty();
    }
}
