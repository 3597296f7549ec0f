package rovek.link.packet;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import rovek.core.unit.UnitCatalogue;
import rovek.link.Sha256;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Readings as an instrument gives them.
 *
 * @param maker the instrument
 * @param walk the route they belong to; empty for loose readings alone
 */
public record ReadingsPackage(Instant createdAt, Maker maker, Optional<Walk> walk, List<DigestedReading> readings) {

    private static final String READINGS = "readings.ndjson";
    private static final String WALK = "walk.json";

    /**
     * A reading and the digest of its capture's bytes.
     *
     * @param captureSha256 in hexadecimal
     */
    public record DigestedReading(PackedReading reading, String captureSha256) {}

    public static byte[] pack(Instant createdAt, Maker maker, Optional<Walk> walk, List<PackedReading> readings) {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        walk.ifPresent(walked -> entries.put(WALK, walkJson(walked)));
        ByteArrayOutputStream lines = new ByteArrayOutputStream();
        Map<String, byte[]> captures = new LinkedHashMap<>();
        for (PackedReading reading : readings) {
            String path = "captures/" + reading.id() + ".wav";
            lines.writeBytes(readingJson(reading, path));
            lines.write('\n');
            captures.put(path, new Wav(reading.waveform().rateHz(), reading.waveform().samples()).toBytes());
        }
        entries.put(READINGS, lines.toByteArray());
        entries.putAll(captures);
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

    private static byte[] readingJson(PackedReading reading, String path) {
        ObjectNode node = Schemas.PUBLISHED.json().createObjectNode();
        node.put("id", reading.id()).put("takenAt", reading.takenAt().toString()).put("technique", reading.technique());
        reading.stop().ifPresent(stop -> node.put("stop", stop.toString()));
        node.put("label", reading.label()).put("note", reading.note());
        reading.replaces().ifPresent(replaced -> node.put("replaces", replaced));
        JsonMaps.put(node.putObject("settings"), reading.settings());
        PackedReading.Waveform waveform = reading.waveform();
        ObjectNode capture = node.putObject("capture")
                .put("path", path)
                .put("unit", waveform.unit().symbol())
                .put("rateHz", waveform.rateHz())
                .put("scale", waveform.scale());
        waveform.sensitivityMvPerG().ifPresent(value -> capture.put("sensitivityMvPerG", value));
        waveform.fullScale().ifPresent(value -> capture.put("fullScale", value));
        return Schemas.PUBLISHED.json().writeValueAsBytes(node);
    }

    public static ReadingsPackage unpack(byte[] packed) throws PackageException {
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
        List<DigestedReading> readings = new ArrayList<>();
        int number = 0;
        for (String line : new String(lines, StandardCharsets.UTF_8).split("\n")) {
            number++;
            if (!line.isBlank()) {
                readings.add(reading(line, number, entries.entries()));
            }
        }
        return new ReadingsPackage(entries.createdAt(), entries.maker(), walk, readings);
    }

    private static Walk walk(JsonNode node) throws PackageException {
        List<Walk.WalkedStop> stops = new ArrayList<>();
        for (JsonNode stop : node.get("stops")) {
            stops.add(new Walk.WalkedStop(
                    JsonMaps.uuid(stop, "id", WALK),
                    Walk.Progress.of(stop.get("progress").stringValue()),
                    stop.path("note").asString("")));
        }
        return new Walk(JsonMaps.uuid(node, "id", WALK), JsonMaps.uuid(node, "route", WALK), node.get("name").stringValue(), stops);
    }

    private static DigestedReading reading(String line, int number, Map<String, byte[]> entries)
            throws PackageException {
        String where = READINGS + " line " + number;
        JsonNode node = Schemas.PUBLISHED.reading(line.getBytes(StandardCharsets.UTF_8), number);
        JsonNode capture = node.get("capture");
        String path = capture.get("path").stringValue();
        byte[] wav = entries.get(path);
        if (wav == null) {
            throw PackageException.damaged(where + " names a capture that is not listed, " + path);
        }
        Wav samples = Wav.parse(wav, path);
        String unit = capture.get("unit").stringValue();
        PackedReading.Waveform waveform = new PackedReading.Waveform(
                samples.samples(),
                samples.rateHz(),
                UnitCatalogue.find(unit).orElseThrow(() -> PackageException.invalid(where, "no unit is written \"" + unit + "\"")),
                capture.path("scale").asDouble(1),
                number(capture, "sensitivityMvPerG"),
                number(capture, "fullScale"));
        PackedReading reading = new PackedReading(
                node.get("id").stringValue(),
                Times.instant(node.get("takenAt").stringValue(), where),
                node.get("technique").stringValue(),
                node.has("stop") ? Optional.of(JsonMaps.uuid(node, "stop", where)) : Optional.empty(),
                node.path("label").asString(""),
                node.path("note").asString(""),
                Optional.ofNullable(node.get("replaces")).map(JsonNode::stringValue),
                JsonMaps.texts(node.get("settings")),
                waveform);
        return new DigestedReading(reading, Sha256.of(wav));
    }

    private static OptionalDouble number(JsonNode object, String field) {
        return object.has(field) ? OptionalDouble.of(object.get(field).doubleValue()) : OptionalDouble.empty();
    }
}
