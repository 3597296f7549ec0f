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
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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
    private static final Maker VH2 =
            new Maker("Fieldsim", Optional.of(new Maker.MakingInstrument("VH-2", "30417", "2.4.1")));
    private static final UUID STOP = UUID.fromString("00000000-0000-4000-8000-000000000001");

    private static PackedReading reading(String id, Optional<UUID> stop) {
        float[] samples = {0.5f, -0.25f, 1f};
        return new PackedReading(
                id,
                AT,
                "vibration",
                stop,
                "coupling",
                "rattles",
                Optional.of("000000"),
                Map.of("lines", "400"),
                new PackedReading.Waveform(
                        samples, 25600, UnitCatalogue.VOLT, 2, OptionalDouble.of(100), OptionalDouble.of(5)));
    }

    private static byte[] packed() {
        Walk walk = new Walk(
                UUID.randomUUID(),
                UUID.randomUUID(),
                "Monthly",
                List.of(new Walk.WalkedStop(STOP, Walk.Progress.SKIPPED, "stood still")));
        return ReadingsPackage.pack(
                AT,
                VH2,
                Optional.of(walk),
                List.of(reading("000001", Optional.of(STOP)), reading("000002", Optional.empty())));
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
        assertThat(((rovek.core.reading.WaveformCapture) first.capture().toCapture()).samples())
                .as("scale applied")
                .containsExactly(1, -0.5, 2);
        assertThat(back.readings().get(1).reading().stop()).isEmpty();
        assertThat(back.readings().get(0).captureSha256())
                .isEqualTo(back.readings().get(1).captureSha256());
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
        var stop = new RoutePackage.RouteStop(
                STOP, "P-101", "Well pump 1", "Drive end", "Velocity 10–1000 Hz", "vibration", Map.of("lines", "6400"));
        RoutePackage route = new RoutePackage(UUID.randomUUID(), "Wellfield", AT, List.of(stop));
        assertThat(RoutePackage.unpack(route.pack())).isEqualTo(route);
        assertThatThrownBy(() -> new RoutePackage(STOP, "Empty", AT, List.of()).pack())
                .hasMessageContaining("cannot be packed");
    }

    @Test
    void aChangedCaptureIsNoticed() throws IOException {
        Map<String, byte[]> entries = unzip(packed());
        entries.get("captures/000001.wav")[60] ^= 1;
        assertThatThrownBy(() -> ReadingsPackage.unpack(zip(entries)))
                .hasMessageContaining("packet.digestDiffers {path=captures/000001.wav}");
        entries.remove("captures/000001.wav");
        assertThatThrownBy(() -> ReadingsPackage.unpack(zip(entries))).hasMessageContaining("packet.missing");
    }

    @Test
    void aNewerMajorVersionIsRefusedAndSaysSo() throws IOException {
        assertThatThrownBy(() -> ReadingsPackage.unpack(replaced("manifest.json", "\"1.0\"", "\"2.0\"")))
                .hasMessageContaining("packet.tooNew");
    }

    @Test
    void unknownFieldsDoNotDisturb() throws Exception {
        byte[] withMore = replaced("manifest.json", "\"kind\"", "\"weather\":\"rain\",\"kind\"");
        assertThat(ReadingsPackage.unpack(withMore).readings()).hasSize(2);
    }

    @Test
    void aWrongFileIsNamedForWhatItIsNot() {
        assertThatThrownBy(() -> ReadingsPackage.unpack("no zip".getBytes(StandardCharsets.UTF_8)))
                .hasMessageContaining("packet.notZip");
        assertThatThrownBy(() -> ReadingsPackage.unpack(zip(Map.of("a.txt", new byte[1]))))
                .hasMessageContaining("packet.noManifest");
        assertThatThrownBy(() -> ReadingsPackage.unpack(replaced("manifest.json", "rovek-field-package", "other")))
                .hasMessageContaining("packet.otherFormat");
    }

    @Test
    void whatBreaksTheSchemaIsNamedWithItsPlace() {
        assertThatThrownBy(() -> ReadingsPackage.unpack(replaced("manifest.json", "\"readings\"", "\"weather\"")))
                .hasMessageContaining("manifest.json");
    }

    @Test
    void aZipMadeToHurtIsRefused() {
        assertThatThrownBy(() -> ReadingsPackage.unpack(zip(Map.of("bomb", new byte[64 << 20]))))
                .hasMessageContaining("packet.bomb");
        assertThatThrownBy(() -> ReadingsPackage.unpack(zip(Map.of("../../etc/passwd", new byte[1]))))
                .hasMessageContaining("packet.entryOutside");
    }

    private static PackedReading kept(String id, String technique, Capture capture) {
        PictureCapture photo = new PictureCapture("image/png", new byte[] {(byte) 0x89, 'P', 'N', 'G', 1});
        return new PackedReading(
                id,
                AT,
                technique,
                Optional.empty(),
                "M-01",
                "",
                Optional.empty(),
                Map.of(),
                new PackedCapture.Plain(capture),
                List.of(photo));
    }

    @Test
    void everyKindOfCaptureComesBackAsItWasPacked() throws PackageException {
        List<Capture> captures = List.of(
                new TableCapture(
                        List.of(
                                new TableCapture.Numbers("time", "s", new double[] {0, 0.5, 2}),
                                new TableCapture.Numbers(
                                        "tunnel, zone \"2\"", "°C", new double[] {71.5, Double.NaN, -1e-7}),
                                new TableCapture.Words("said", List.of("door; open", "two\nlines", ""))),
                        List.of(new TableCapture.Marker(0.5, "door opened"))),
                new PictureCapture("image/jpeg", new byte[] {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF, 7}),
                new TextCapture(List.of("P0420", "", "U0100 no answer")),
                new ValueCapture(new Amount(0.1 + 0.2, UnitCatalogue.BAR)));
        List<PackedReading> readings = new java.util.ArrayList<>();
        captures.forEach(capture -> readings.add(kept("r" + readings.size(), "any", capture)));
        List<ReadingsPackage.DigestedReading> back = ReadingsPackage.unpack(
                        ReadingsPackage.pack(AT, VH2, Optional.empty(), readings))
                .readings();
        for (int i = 0; i < captures.size(); i++) {
            assertThat(back.get(i).reading().capture().toCapture())
                    .usingRecursiveComparison()
                    .withEqualsForType((a, b) -> Double.compare(a, b) == 0, Double.class)
                    .isEqualTo(captures.get(i));
            assertThat(back.get(i).reading().photos()).hasSize(1);
            assertThat(CaptureFile.of(captures.get(i)).capture())
                    .usingRecursiveComparison()
                    .withEqualsForType((a, b) -> Double.compare(a, b) == 0, Double.class)
                    .isEqualTo(captures.get(i));
        }
        assertThat(back)
                .extracting(ReadingsPackage.DigestedReading::captureSha256)
                .doesNotHaveDuplicates();
    }

    @Test
    void charactersThatNobodyCanKeepAreLeftOut() throws Exception {
        byte[] packed = ReadingsPackage.pack(
                AT, VH2, Optional.empty(), List.of(kept("r", "codes", new TextCapture(List.of("P0420")))));
        assertThat(ReadingsPackage.unpack(described(packed, "M-01", "M\\u0000-\\u000701"))
                        .readings()
                        .get(0)
                        .reading()
                        .label())
                .isEqualTo("M-01");
    }

    private static String reason(byte[] packed, String from, String to) throws Exception {
        ReadingsPackage taken = ReadingsPackage.unpack(described(packed, from, to));
        assertThat(taken.readings()).isEmpty();
        assertThat(taken.leftOut()).hasSize(1);
        return taken.leftOut().get(0).reason().toString();
    }

    @Test
    void aCaptureThatIsNotWhatItSaysIsLeftOutWithItsLine() throws Exception {
        Capture table =
                new TableCapture(List.of(new TableCapture.Numbers("time", "s", new double[] {0, 1})), List.of());
        byte[] packed = ReadingsPackage.pack(AT, VH2, Optional.empty(), List.of(kept("r", "run", table)));
        assertThat(reason(packed, "\"numbers\"", "\"guesses\"")).contains("readings.ndjson:1");
        assertThat(reason(packed, "\"name\":\"time\"", "\"name\":\"hour\"")).contains("packet.tableHeading");
        assertThat(reason(packed, "\"table\"", "\"value\"")).contains("readings.ndjson:1");
        assertThat(reason(packed, "photos/r-1.png", "photos/r-2.png")).contains("packet.notListed");
    }

    private static PackedReading waveform(String id, float[] samples, double rateHz) {
        return new PackedReading(
                id,
                AT,
                "vibration",
                Optional.empty(),
                "M-01",
                "",
                Optional.empty(),
                Map.of(),
                new PackedReading.Waveform(
                        samples,
                        rateHz,
                        UnitCatalogue.METRE_PER_SQUARE_SECOND,
                        1,
                        OptionalDouble.empty(),
                        OptionalDouble.empty()));
    }

    /** The faults that were seen: each of these was stored and could not be opened, or refused the whole package. */
    @Test
    void oneBadReadingKeepsNobodyFromTheOthers() throws Exception {
        byte[] packed = ReadingsPackage.pack(
                AT,
                VH2,
                Optional.empty(),
                List.of(waveform("a", new float[] {1, 2}, 25_600), waveform("b", new float[] {3, 4}, 25_600)));
        String[][] changes = {
            {"\"unit\":\"m/s²\"", "\"unit\":\"m/s^3\"", "unit.unknown {symbol=m/s^3}"},
            {"\"unit\":\"m/s²\"", "\"unit\":\"mm/s\"", "reading.waveformUnit {unit=mm/s}"},
            {"\"rateHz\":25600.0", "\"rateHz\":25000.0", "packet.ratesDiffer {rate=25600, said=25000.0}"},
            {"\"scale\":1.0", "\"scale\":0.0", "packet.scale {scale=0.0}"},
            {"\"id\":\"a\"", "\"id\":\"\"", "/id: must be at least 1 characters long"},
            {"\"takenAt\":\"2", "\"takenAt\":\"x", "takenAt"},
        };
        for (String[] change : changes) {
            ReadingsPackage taken = ReadingsPackage.unpack(describedOnce(packed, change[0], change[1]));
            assertThat(taken.readings())
                    .as(change[1])
                    .extracting(one -> one.reading().id())
                    .containsExactly("b");
            assertThat(taken.leftOut())
                    .singleElement()
                    .satisfies(one -> assertThat(one.reason())
                            .asString()
                            .contains("readings.ndjson:1")
                            .contains(change[2]));
        }
        assertThat(ReadingsPackage.unpack(describedOnce(packed, changes[0][0], changes[0][1]))
                        .leftOut()
                        .get(0)
                        .unknownUnit())
                .isEqualTo("m/s^3");
        UnitReading said = new UnitReading(Map.of("m/s^3", "m/s²"));
        assertThat(ReadingsPackage.unpack(describedOnce(packed, changes[0][0], changes[0][1]), said)
                        .readings())
                .as("once somebody said what it means")
                .hasSize(2);
        assertThat(ReadingsPackage.unpack(describedOnce(packed, changes[0][0], "\"unit\":\"m/s2\""))
                        .readings())
                .as("written in a usual way")
                .hasSize(2);
    }

    @Test
    void aWaveformWithoutSamplesOrWithWhatIsNoNumberIsNone() {
        assertThatThrownBy(() -> waveform("a", new float[0], 25_600)).hasMessageContaining("reading.waveformEmpty");
        assertThatThrownBy(() -> waveform("a", new float[] {1, Float.NaN}, 25_600))
                .hasMessageContaining("reading.waveformNotNumbers");
        assertThatThrownBy(() -> waveform("a", new float[] {1}, 0)).hasMessageContaining("reading.rateNotAbove0");
    }

    @Test
    void aRateNeedNotBeWhole() throws Exception {
        byte[] packed =
                ReadingsPackage.pack(AT, VH2, Optional.empty(), List.of(waveform("a", new float[] {1, 2}, 1_234.56)));
        PackedReading back = ReadingsPackage.unpack(packed).readings().get(0).reading();
        assertThat(((PackedReading.Waveform) back.capture()).rateHz()).isEqualTo(1_234.56);
    }

    private static byte[] describedOnce(byte[] packed, String from, String to) throws IOException {
        return described(packed, text -> text.replaceFirst(Pattern.quote(from), Matcher.quoteReplacement(to)));
    }

    private static byte[] described(byte[] packed, String from, String to) throws IOException {
        return described(packed, text -> text.replace(from, to));
    }

    /** The package with something in its readings changed, and the digests made to agree again. */
    private static byte[] described(byte[] packed, UnaryOperator<String> change) throws IOException {
        Map<String, byte[]> entries = unzip(packed);
        byte[] before = entries.get("readings.ndjson");
        byte[] after = change.apply(new String(before, StandardCharsets.UTF_8)).getBytes(StandardCharsets.UTF_8);
        assertThat(after).isNotEqualTo(before);
        entries.put("readings.ndjson", after);
        String manifest = new String(entries.get("manifest.json"), StandardCharsets.UTF_8)
                .replace(rovek.link.Sha256.of(before), rovek.link.Sha256.of(after))
                .replace("\"size\":" + before.length, "\"size\":" + after.length);
        entries.put("manifest.json", manifest.getBytes(StandardCharsets.UTF_8));
        return zip(entries);
    }
}
