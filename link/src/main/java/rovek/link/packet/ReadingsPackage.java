package rovek.link.packet;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rovek.core.wording.Sentence;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Readings as an instrument gives them.
 *
 * @param maker the instrument
 * @param walk the route they belong to; empty for loose readings alone
 * @param leftOut what of it could not be understood: one bad reading keeps nobody from the others
 */
public record ReadingsPackage(
        Instant createdAt, Maker maker, Optional<Walk> walk, List<DigestedReading> readings, List<LeftOut> leftOut) {

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
    public record LeftOut(int line, Sentence reason, String unknownUnit) {

        private static final int LONGEST_REASON = 400;
        private static final int LONGEST_UNIT = 40;

        /** A hostile file may make a reason of anything: what nobody can read or keep is left out. */
        public LeftOut {
            reason = reason.bounded(LONGEST_REASON);
            unknownUnit =
                    Sentence.plain(unknownUnit).bounded(LONGEST_UNIT).text().orElseThrow();
        }
    }

    public static byte[] pack(Instant createdAt, Maker maker, Optional<Walk> walk, List<PackedReading> readings) {
        return pack(createdAt, maker, walk, readings, Map.of());
    }

    /** @param sources what the readings were made from, path to bytes; kept along and not looked into */
    public static byte[] pack(
            Instant createdAt,
            Maker maker,
            Optional<Walk> walk,
            List<PackedReading> readings,
            Map<String, byte[]> sources) {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        walk.ifPresent(walked -> entries.put(WALK, walkJson(walked)));
        ByteArrayOutputStream lines = new ByteArrayOutputStream();
        Map<String, byte[]> captures = new LinkedHashMap<>();
        for (PackedReading reading : readings) {
            lines.writeBytes(readingJson(reading, captures));
            lines.write('\n');
        }
        entries.put(ReadingLine.READINGS, lines.toByteArray());
        entries.putAll(captures);
        entries.putAll(sources);
        return new PackageEntries("readings", createdAt, maker, entries).pack();
    }

    private static byte[] walkJson(Walk walk) {
        ObjectNode node = Schemas.PUBLISHED.json().createObjectNode();
        node.put("id", walk.id().toString())
                .put("route", walk.route().toString())
                .put("name", walk.name());
        var stops = node.putArray("stops");
        walk.stops()
                .forEach(stop -> stops.addObject()
                        .put("id", stop.id().toString())
                        .put("progress", stop.progress().word())
                        .put("note", stop.note()));
        return Schemas.PUBLISHED.json().writeValueAsBytes(node);
    }

    /** @param files takes the files the reading needs */
    private static byte[] readingJson(PackedReading reading, Map<String, byte[]> files) {
        ObjectNode node = Schemas.PUBLISHED.json().createObjectNode();
        node.put("id", reading.id())
                .put("takenAt", reading.takenAt().toString())
                .put("technique", reading.technique());
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
            ObjectNode described = Schemas.PUBLISHED
                    .json()
                    .createObjectNode()
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

    /** All of a small package at once; a large one is taken as a {@link ReadingsFile}. */
    public static ReadingsPackage unpack(byte[] packed, UnitReading units) throws PackageException {
        return Understanding.of(() -> taken(packed, units));
    }

    private static ReadingsPackage taken(byte[] packed, UnitReading units) throws PackageException {
        Path file = null;
        try {
            file = Files.createTempFile("rovek-readings", ".zip");
            Files.write(file, packed);
            try (ReadingsFile readings = ReadingsFile.open(file, units)) {
                return new ReadingsPackage(
                        readings.createdAt(),
                        readings.maker(),
                        readings.walk(),
                        readings.readings().stream()
                                .map(listed -> new DigestedReading(readings.whole(listed), listed.captureSha256()))
                                .toList(),
                        readings.leftOut());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            if (file != null) {
                file.toFile().delete();
            }
        }
    }
}
