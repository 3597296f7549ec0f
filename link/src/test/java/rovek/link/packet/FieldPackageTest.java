package rovek.link.packet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import rovek.core.reading.Capture;
import rovek.core.reading.PictureCapture;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TextCapture;
import rovek.core.reading.ValueCapture;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;

class FieldPackageTest {

    private static final Instant AT = Instant.parse("2026-11-23T09:12:00Z");
    private static final Maker VH2 = new Maker("Fieldsim", Optional.of(new Maker.MakingInstrument("VH-2", "30417", "2.4.1")));
    private static final UUID STOP = UUID.fromString("00000000-0000-4000-8000-000000000001");

    private static PackedReading reading(String id, Optional<UUID> stop) {
        float[] samples = {0.5f, -0.25f, 1f};
        return new PackedReading(
                id, AT, "vibration", stop, "coupling", "rattles", Optional.of("000000"), Map.of("lines", "400"),
                new PackedReading.Waveform(samples, 25600, UnitCatalogue.VOLT, 2, OptionalDouble.of(100), OptionalDouble.of(5)));
    }

    private static byte[] packed() {
        Walk walk = new Walk(UUID.randomUUID(), UUID.randomUUID(), "Monthly", List.of(new Walk.WalkedStop(STOP, Walk.Progress.SKIPPED, "stood still")));
        return ReadingsPackage.pack(AT, VH2, Optional.of(walk), List.of(reading("000001", Optional.of(STOP)), reading("000002", Optional.empty())));
    }

    private static Map<String, byte[]> unzip(byte[] zipped) throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(zipped))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                entries.put(entry.getName(), zip.readAllBytes());
            }
        }
        return entries;
    }

    private static byte[] zip(Map<String, byte[]> entries) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
                zip.putNextEntry(new ZipEntry(entry.getKey()));
                zip.write(entry.getValue());
            }
        }
        return out.toByteArray();
    }

    private static byte[] replaced(String path, String from, String to) throws IOException {
        Map<String, byte[]> entries = unzip(packed());
        String text = new String(entries.get(path), StandardCharsets.UTF_8);
        assertThat(text).contains(from);
        entries.put(path, text.replace(from, to).getBytes(StandardCharsets.UTF_8));
        return zip(entries);
    }

    @Test
    void readingsComeBackAsTheyWerePacked() throws PackageException {
        ReadingsPackage back = ReadingsPackage.unpack(packed());
        assertThat(back.maker()).isEqualTo(VH2);
        assertThat(back.walk().orElseThrow().stops().get(0).note()).isEqualTo("stood still");
        PackedReading first = back.readings().get(0).reading();
        assertThat(first.stop()).contains(STOP);
        assertThat(first.replaces()).contains("000000");
        assertThat(((PackedReading.Waveform) first.capture()).samples()).containsExactly(0.5f, -0.25f, 1f);
        assertThat(((rovek.core.reading.WaveformCapture) first.capture().toCapture()).samples()).as("scale applied").containsExactly(1, -0.5, 2);
        assertThat(back.readings().get(1).reading().stop()).isEmpty();
        assertThat(back.readings().get(0).captureSha256()).isEqualTo(back.readings().get(1).captureSha256());
    }

    @Test
    void theSameContentIsTheSameBytes() {
        Walk walk = new Walk(STOP, STOP, "Monthly", List.of());
        byte[] once = ReadingsPackage.pack(AT, VH2, Optional.of(walk), List.of(reading("1", Optional.empty())));
        byte[] again = ReadingsPackage.pack(AT, VH2, Optional.of(walk), List.of(reading("1", Optional.empty())));
        assertThat(once).isEqualTo(again);
    }

    @Test
    void aRouteComesBackAsItWasPacked() throws PackageException {
        var stop = new RoutePackage.RouteStop(STOP, "P-101", "Well pump 1", "Drive end", "Velocity 10–1000 Hz", "vibration", Map.of("lines", "6400"));
        RoutePackage route = new RoutePackage(UUID.randomUUID(), "Wellfield", AT, List.of(stop));
        assertThat(RoutePackage.unpack(route.pack())).isEqualTo(route);
        assertThatThrownBy(() -> new RoutePackage(STOP, "Empty", AT, List.of()).pack()).hasMessageContaining("cannot be packed");
    }

    @Test
    void aChangedCaptureIsNoticed() throws IOException {
        Map<String, byte[]> entries = unzip(packed());
        entries.get("captures/000001.wav")[60] ^= 1;
        assertThatThrownBy(() -> ReadingsPackage.unpack(zip(entries))).hasMessageContaining("digest of captures/000001.wav");
        entries.remove("captures/000001.wav");
        assertThatThrownBy(() -> ReadingsPackage.unpack(zip(entries))).hasMessageContaining("is missing");
    }

    @Test
    void aNewerMajorVersionIsRefusedAndSaysSo() throws IOException {
        assertThatThrownBy(() -> ReadingsPackage.unpack(replaced("manifest.json", "\"1.0\"", "\"2.0\""))).hasMessageContaining("newer than this Rovek knows");
    }

    @Test
    void unknownFieldsDoNotDisturb() throws Exception {
        byte[] withMore = replaced("manifest.json", "\"kind\"", "\"weather\":\"rain\",\"kind\"");
        assertThat(ReadingsPackage.unpack(withMore).readings()).hasSize(2);
    }

    @Test
    void aWrongFileIsNamedForWhatItIsNot() {
        assertThatThrownBy(() -> ReadingsPackage.unpack("no zip".getBytes(StandardCharsets.UTF_8))).hasMessageContaining("not a ZIP file");
        assertThatThrownBy(() -> ReadingsPackage.unpack(zip(Map.of("a.txt", new byte[1])))).hasMessageContaining("no manifest.json");
        assertThatThrownBy(() -> ReadingsPackage.unpack(replaced("manifest.json", "rovek-field-package", "other"))).hasMessageContaining("another format");
    }

    @Test
    void whatBreaksTheSchemaIsNamedWithItsPlace() {
        assertThatThrownBy(() -> ReadingsPackage.unpack(replaced("manifest.json", "\"readings\"", "\"weather\""))).hasMessageContaining("manifest.json");
    }

    @Test
    void aZipMadeToHurtIsRefused() {
        assertThatThrownBy(() -> ReadingsPackage.unpack(zip(Map.of("bomb", new byte[64 << 20])))).hasMessageContaining("far more than it weighs");
        assertThatThrownBy(() -> ReadingsPackage.unpack(zip(Map.of("../../etc/passwd", new byte[1])))).hasMessageContaining("outside");
    }

    private static PackedReading kept(String id, String technique, Capture capture) {
        PictureCapture photo = new PictureCapture("image/png", new byte[] {(byte) 0x89, 'P', 'N', 'G', 1});
        return new PackedReading(id, AT, technique, Optional.empty(), "M-01", "", Optional.empty(), Map.of(), new PackedCapture.Plain(capture), List.of(photo));
    }

    @Test
    void everyKindOfCaptureComesBackAsItWasPacked() throws PackageException {
        List<Capture> captures = List.of(
                new TableCapture(
                        List.of(
                                new TableCapture.Numbers("time", "s", new double[] {0, 0.5, 2}),
                                new TableCapture.Numbers("tunnel, zone \"2\"", "°C", new double[] {71.5, Double.NaN, -1e-7}),
                                new TableCapture.Words("said", List.of("door; open", "two\nlines", ""))),
                        List.of(new TableCapture.Marker(0.5, "door opened"))),
                new PictureCapture("image/jpeg", new byte[] {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF, 7}),
                new TextCapture(List.of("P0420", "", "U0100 no answer")),
                new ValueCapture(new Amount(0.1 + 0.2, UnitCatalogue.BAR)));
        List<PackedReading> readings = new java.util.ArrayList<>();
        captures.forEach(capture -> readings.add(kept("r" + readings.size(), "any", capture)));
        List<ReadingsPackage.DigestedReading> back = ReadingsPackage.unpack(ReadingsPackage.pack(AT, VH2, Optional.empty(), readings)).readings();
        for (int i = 0; i < captures.size(); i++) {
            assertThat(back.get(i).reading().capture().toCapture()).usingRecursiveComparison().withEqualsForType((a, b) -> Double.compare(a, b) == 0, Double.class).isEqualTo(captures.get(i));
            assertThat(back.get(i).reading().photos()).hasSize(1);
            assertThat(CaptureFile.of(captures.get(i)).capture()).usingRecursiveComparison().withEqualsForType((a, b) -> Double.compare(a, b) == 0, Double.class).isEqualTo(captures.get(i));
        }
        assertThat(back).extracting(ReadingsPackage.DigestedReading::captureSha256).doesNotHaveDuplicates();
    }

    @Test
    void charactersThatNobodyCanKeepAreLeftOut() throws Exception {
        byte[] packed = ReadingsPackage.pack(AT, VH2, Optional.empty(), List.of(kept("r", "codes", new TextCapture(List.of("P0420")))));
        assertThat(ReadingsPackage.unpack(described(packed, "M-01", "M\\u0000-\\u000701")).readings().get(0).reading().label()).isEqualTo("M-01");
    }

    @Test
    void aCaptureThatIsNotWhatItSaysIsRefusedWithItsLine() {
        Capture table = new TableCapture(List.of(new TableCapture.Numbers("time", "s", new double[] {0, 1})), List.of());
        byte[] packed = ReadingsPackage.pack(AT, VH2, Optional.empty(), List.of(kept("r", "run", table)));
        assertThatThrownBy(() -> ReadingsPackage.unpack(described(packed, "\"numbers\"", "\"guesses\""))).hasMessageContaining("readings.ndjson line 1");
        assertThatThrownBy(() -> ReadingsPackage.unpack(described(packed, "\"name\":\"time\"", "\"name\":\"hour\""))).hasMessageContaining("first row is not the columns");
        assertThatThrownBy(() -> ReadingsPackage.unpack(described(packed, "\"table\"", "\"value\""))).hasMessageContaining("readings.ndjson line 1");
        assertThatThrownBy(() -> ReadingsPackage.unpack(described(packed, "photos/r-1.png", "photos/r-2.png"))).hasMessageContaining("not listed");
    }

    /** The package with something in its readings changed, and the digests made to agree again. */
    private static byte[] described(byte[] packed, String from, String to) throws IOException {
        Map<String, byte[]> entries = unzip(packed);
        byte[] before = entries.get("readings.ndjson");
        byte[] after = new String(before, StandardCharsets.UTF_8).replace(from, to).getBytes(StandardCharsets.UTF_8);
        assertThat(after).isNotEqualTo(before);
        entries.put("readings.ndjson", after);
        String manifest = new String(entries.get("manifest.json"), StandardCharsets.UTF_8)
                .replace(rovek.link.Sha256.of(before), rovek.link.Sha256.of(after))
                .replace("\"size\":" + before.length, "\"size\":" + after.length);
        entries.put("manifest.json", manifest.getBytes(StandardCharsets.UTF_8));
        return zip(entries);
    }
}
