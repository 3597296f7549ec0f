package rovek.link.packet;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import rovek.core.entry.PlainText;
import rovek.core.reading.Capture;
import rovek.core.reading.PictureCapture;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TextCapture;
import rovek.core.reading.ValueCapture;
import rovek.core.reading.WaveformCapture;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Sentence;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A capture as a file of its own with a description of it: the way it lies in a package, and the way it is stored.
 *
 * @param description what the file needs to be understood, as JSON; names no file
 * @param ending of a file's name
 * @param bytes of the file; empty for a value, which the description says whole
 */
public record CaptureFile(String description, String ending, byte[] bytes) {

    private static final String TABLE = "table";
    static final String PICTURE = "picture";
    static final String TEXT = "text";
    private static final String VALUE = "value";

    /** @throws IllegalArgumentException for a waveform, which is stored in a form of its own */
    public static CaptureFile of(Capture capture) {
        ObjectNode described = Schemas.PUBLISHED.json().createObjectNode();
        if (capture instanceof TableCapture table) {
            described.put("kind", TABLE);
            var columns = described.putArray("columns");
            table.columns().forEach(column -> {
                ObjectNode one = columns.addObject()
                        .put("name", column.name())
                        .put("holds", column instanceof TableCapture.Numbers ? "numbers" : "words");
                if (column instanceof TableCapture.Numbers numbers) {
                    one.put("unit", numbers.unit());
                }
            });
            var markers = described.putArray("markers");
            table.markers()
                    .forEach(marker ->
                            markers.addObject().put("at", marker.atSeconds()).put("text", marker.text()));
            return new CaptureFile(described.toString(), "csv", CsvTable.write(table));
        }
        if (capture instanceof PictureCapture picture) {
            described.put("kind", PICTURE).put("mediaType", picture.mediaType());
            return new CaptureFile(
                    described.toString(), picture.mediaType().equals("image/png") ? "png" : "jpg", picture.bytes());
        }
        if (capture instanceof TextCapture text) {
            described.put("kind", TEXT);
            return new CaptureFile(
                    described.toString(), "txt", String.join("\n", text.lines()).getBytes(StandardCharsets.UTF_8));
        }
        if (capture instanceof ValueCapture value) {
            described
                    .put("kind", VALUE)
                    .put("value", value.value().value())
                    .put("unit", value.value().unit().symbol());
            return new CaptureFile(described.toString(), "", new byte[0]);
        }
        throw new IllegalArgumentException("A " + WaveformCapture.class.getSimpleName() + " is no such file.");
    }

    /** The capture again. */
    public Capture capture() throws PackageException {
        try {
            return capture(
                    Schemas.PUBLISHED.json().readTree(description), Optional.of(bytes), UnitReading.USUAL, "capture");
        } catch (JacksonException e) {
            throw PackageException.damaged(Sentence.of("packet.captureUnreadable"));
        }
    }

    /** What makes this capture this one: the bytes, or for a value what the description says. */
    byte[] identity() {
        return bytes.length == 0 ? description.getBytes(StandardCharsets.UTF_8) : bytes;
    }

    /** @param bytes empty for a value */
    static Capture capture(JsonNode described, Optional<byte[]> bytes, UnitReading units, String where)
            throws PackageException {
        try {
            return switch (described.path("kind").asString("")) {
                case TABLE -> table(described, bytes.orElseThrow(), where);
                case PICTURE -> new PictureCapture(described.path("mediaType").asString(""), bytes.orElseThrow());
                case TEXT ->
                    new TextCapture(Arrays.asList(PlainText.without(
                                    new String(bytes.orElseThrow(), StandardCharsets.UTF_8), Integer.MAX_VALUE)
                            .split("\\R", -1)));
                case VALUE ->
                    new ValueCapture(
                            new Amount(described.path("value").asDouble(Double.NaN), unit(described, units, where)));
                default ->
                    throw PackageException.invalid(
                            where,
                            Sentence.of(
                                    "packet.noKind",
                                    "kind",
                                    described.path("kind").asString("")));
            };
        } catch (IllegalArgumentException e) {
            throw PackageException.invalid(where, Understanding.why(e));
        }
    }

    static UnitOfMeasure unit(JsonNode described, UnitReading units, String where) throws PackageException {
        String written = described.path("unit").asString("");
        return units.find(written).orElseThrow(() -> PackageException.unknownUnit(where, written));
    }

    private static TableCapture table(JsonNode described, byte[] csv, String where) throws PackageException {
        List<CsvTable.Heading> headings = new ArrayList<>();
        for (JsonNode column : described.path("columns")) {
            headings.add(new CsvTable.Heading(
                    JsonMaps.plain(column, "name"),
                    JsonMaps.plain(column, "unit"),
                    column.path("holds").asString("").equals("numbers")));
        }
        List<TableCapture.Marker> markers = new ArrayList<>();
        for (JsonNode marker : described.path("markers")) {
            markers.add(new TableCapture.Marker(marker.path("at").asDouble(0), JsonMaps.plain(marker, "text")));
        }
        return new TableCapture(CsvTable.read(csv, headings, where), markers);
    }
}
