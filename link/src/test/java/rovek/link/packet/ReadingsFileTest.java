package rovek.link.packet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rovek.core.reading.ValueCapture;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.link.Sha256;

/** Packages on disk: of any size up to the bounds in little memory, and nothing beyond the bounds in any. */
class ReadingsFileTest {

    private static final Instant AT = Instant.parse("2026-11-23T09:12:00Z");
    private static final Maker MAKER =
            new Maker("Elsewhere", Optional.of(new Maker.MakingInstrument("Maker", "M1", "1", "1")));

    @TempDir
    Path folder;

    private static String manifest(Map<String, byte[]> entries) {
        return new String(Manifest.written("readings", AT, MAKER, entries), StandardCharsets.UTF_8);
    }

    private static String line(String id, String capture) {
        return "{\"id\":\"%s\",\"takenAt\":\"%s\",\"technique\":\"vibration\",\"label\":\"x\",\"settings\":{},\"capture\":%s}"
                .formatted(id, AT, capture);
    }

    private static String waveform(String path) {
        return "{\"path\":\"%s\",\"unit\":\"m/s2\",\"rateHz\":25600}".formatted(path);
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private Path zipped(String manifest, Map<String, byte[]> entries) throws IOException {
        Path file = folder.resolve(Long.toHexString(new Random().nextLong()) + ".zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
                zip.putNextEntry(new ZipEntry(entry.getKey()));
                zip.write(entry.getValue());
            }
            // Last: a maker may put its entries in any order.
            zip.putNextEntry(new ZipEntry(Manifest.PATH));
            zip.write(bytes(manifest));
        }
        return file;
    }

    private Path zipped(Map<String, byte[]> entries) throws IOException {
        return zipped(manifest(entries), entries);
    }

    private static Map<String, byte[]> entries(String lines, Map<String, byte[]> others) {
        Map<String, byte[]> entries = new LinkedHashMap<>(others);
        entries.put(ReadingLine.READINGS, bytes(lines));
        return entries;
    }

    private static ReadingsFile open(Path file) throws PackageException {
        return ReadingsFile.open(file, UnitReading.USUAL);
    }

    @Test
    void whatWasRecordedIsFetchedReadingByReading() throws Exception {
        byte[] one = new Wav(25_600, new float[] {1, -2}).toBytes();
        byte[] other = new Wav(25_600, new float[] {3}).toBytes();
        Path file = zipped(entries(
                line("a", waveform("captures/a.wav")) + "\n\n" + line("b", waveform("captures/b.wav")) + "\n",
                Map.of("captures/b.wav", other, "captures/a.wav", one)));
        try (ReadingsFile readings = open(file)) {
            assertThat(readings.readings()).extracting(ListedReading::id).containsExactly("a", "b");
            assertThat(readings.readings()).extracting(ListedReading::line).containsExactly(1, 3);
            assertThat(readings.readings()).extracting(ListedReading::bytes).containsExactly((long) one.length, (long)
                    other.length);
            assertThat(readings.readings().get(0).captureSha256()).isEqualTo(Sha256.of(one));
            assertThat(((PackedReading.Waveform)
                                    readings.whole(readings.readings().get(1)).capture())
                            .samples())
                    .containsExactly(3);
        }
        assertThat(ReadingsFile.glance(file).maker()).isEqualTo(MAKER);
        assertThat(ReadingsFile.verified(file)).isEqualTo(MAKER);
    }

    @Test
    void anEntryThatNobodyNamesMustAgreeToo() throws IOException {
        Map<String, byte[]> entries = entries("", Map.of("source/table.csv", bytes("a;b\n")));
        String said = manifest(entries);
        entries.put("source/table.csv", bytes("a;c\n"));
        Path file = zipped(said, entries);
        assertThatThrownBy(() -> open(file)).hasMessageContaining("packet.digestDiffers {path=source/table.csv}");
        assertThatThrownBy(() -> ReadingsFile.verified(file))
                .hasMessageContaining("packet.digestDiffers {path=source/table.csv}");
        entries.put("source/table.csv", bytes("a;b\nmore"));
        Path longer = zipped(said, entries);
        assertThatThrownBy(() -> open(longer)).hasMessageContaining("packet.digestDiffers {path=source/table.csv}");
    }

    @Test
    void partsAreAsLargeAsMayBeInMemoryAndKeepTheOrder() {
        List<ListedReading> readings = IntStream.range(0, 5_000)
                .mapToObj(i -> listed(i, i == 2_500 ? 60L << 20 : 10_000))
                .toList();
        List<List<ListedReading>> parts = ReadingsFile.parts(readings);
        assertThat(parts.stream().flatMap(List::stream).toList()).isEqualTo(readings);
        assertThat(parts).allSatisfy(part -> {
            assertThat(part.size()).isBetween(1, 2_000);
            assertThat(part.size() == 1
                            || part.stream().mapToLong(ListedReading::bytes).sum() <= 8 << 20)
                    .isTrue();
        });
        assertThat(parts)
                .anySatisfy(part ->
                        assertThat(part).as("too large for others beside it").containsExactly(readings.get(2_500)));
        assertThat(ReadingsFile.parts(List.of())).isEmpty();
        assertThat(ReadingsFile.parts(
                        IntStream.range(0, 4_001).mapToObj(i -> listed(i, 0)).toList()))
                .extracting(List::size)
                .containsExactly(2_000, 2_000, 1);
    }

    private static ListedReading listed(int i, long bytes) {
        return new ListedReading(
                i + 1,
                "r" + i,
                AT,
                "gauge",
                Optional.empty(),
                "",
                "",
                Optional.empty(),
                Map.of(),
                "",
                bytes,
                new ListedReading.Mere(new ValueCapture(new Amount(i, UnitCatalogue.BAR)), List.of()));
    }

    @Test
    void whatIsTooLargeForOneReadingLeavesTheOthers() throws Exception {
        byte[] text = new byte[(4 << 20) + 1];
        Arrays.fill(text, (byte) '\n');
        new Random(1).ints(40_000, 0, text.length).forEach(at -> text[at] = 'x');
        byte[] waveform = new byte[58 + 4 * ((1 << 21) + 1)];
        ByteBuffer.wrap(waveform)
                .put(0, new Wav(25_600, new float[] {1}).toBytes(), 0, 58)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(54, waveform.length - 58);
        new Random(2).ints(100_000, 58, waveform.length - 4).forEach(at -> waveform[at & ~3] = 1);
        String lines = String.join(
                "\n",
                line("text", "{\"kind\":\"text\",\"path\":\"captures/t.txt\"}"),
                line("long", waveform("captures/w.wav")),
                line("sound", "{\"kind\":\"value\",\"value\":1.5,\"unit\":\"bar\"}"),
                line("x".repeat(1 << 20), "{\"kind\":\"value\",\"value\":1.5,\"unit\":\"bar\"}"),
                line("gone", waveform("captures/none.wav")),
                line("wide", "{\"kind\":\"table\",\"path\":\"captures/c.csv\",\"columns\":[" + columns(64) + "]}"));
        String heads = IntStream.range(0, 64).mapToObj(i -> "c" + i).collect(Collectors.joining(","));
        String row = "1,2.5,,".repeat(21) + "7";
        byte[] table = bytes(heads + "\r\n" + (row + "\r\n").repeat(4_500_000 / 64 + 1));
        try (ReadingsFile readings = open(zipped(entries(
                lines,
                Map.of(
                        "captures/t.txt",
                        text,
                        "captures/w.wav",
                        waveform,
                        "captures/c.csv",
                        table,
                        "noise",
                        noise()))))) {
            assertThat(readings.readings()).extracting(ListedReading::id).containsExactly("sound");
            assertThat(readings.leftOut())
                    .extracting(ReadingsPackage.LeftOut::line)
                    .containsExactly(1, 2, 4, 5, 6);
            assertThat(readings.leftOut())
                    .extracting(ReadingsPackage.LeftOut::reason)
                    .satisfiesExactly(
                            one -> assertThat(one).asString().contains("packet.fileTooLarge {most=4"),
                            two -> assertThat(two).asString().contains("packet.tooManySamples {most=2097152}"),
                            four -> assertThat(four).asString().contains("packet.lineTooLong"),
                            five -> assertThat(five).asString().contains("packet.notListed"),
                            six -> assertThat(six)
                                    .asString()
                                    .contains("packet.tableTooLarge {cells=4500000, rows=2000000}"));
        }
    }

    private static String columns(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> "{\"name\":\"c%d\",\"holds\":\"numbers\"}".formatted(i))
                .collect(Collectors.joining(","));
    }

    @Test
    void packagesBeyondTheBoundsAreRefusedBeforeTheyAreUnpacked() throws IOException {
        Path many = folder.resolve("many.zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(many))) {
            for (int i = 0; i <= 20_000; i++) {
                zip.putNextEntry(new ZipEntry("e" + i));
            }
        }
        assertThatThrownBy(() -> open(many)).hasMessageContaining("packet.tooManyEntries {most=20000}");
        Path directory = folder.resolve("directory.zip");
        ByteBuffer end = ByteBuffer.allocate(22)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(0x06054b50)
                .putShort(10, (short) 1)
                .putInt(12, 200 << 20);
        Files.write(directory, end.array());
        assertThatThrownBy(() -> open(directory))
                .as("a directory of 200 MB")
                .hasMessageContaining("packet.tooManyEntries {most=20000}");
        Path large = folder.resolve("large.zip");
        try (var sparse = new java.io.RandomAccessFile(large.toFile(), "rw")) {
            sparse.setLength((256L << 20) + 1);
        }
        assertThatThrownBy(() -> open(large)).hasMessageContaining("packet.packedTooLarge {most=256}");
        String value = line("r", "{\"kind\":\"value\",\"value\":1.5,\"unit\":\"bar\"}") + "\n";
        Path readings = zipped(entries(value.repeat(202_000), Map.of("source/noise", noise())));
        assertThatThrownBy(() -> open(readings)).hasMessageContaining("packet.tooManyReadings {most=200000}");
        Path senseless = zipped(entries("{}\n".repeat(12_001), Map.of()));
        assertThatThrownBy(() -> open(senseless)).hasMessageContaining("packet.tooManyLeftOut {most=10000}");
    }

    private static byte[] noise() {
        byte[] noise = new byte[300_000];
        new Random(3).nextBytes(noise);
        return noise;
    }

    /** 800 waveforms of 16,384 samples, 52 MB, in a virtual machine that has 40 MB. */
    @Test
    void aLargePackageFitsIntoLittleMemory() throws Exception {
        Path file = large(800);
        Process process = new ProcessBuilder(
                        System.getProperty("java.home") + "/bin/java",
                        "-Xmx40m",
                        "-XX:+ExitOnOutOfMemoryError",
                        "-cp",
                        System.getProperty("java.class.path"),
                        Reader.class.getName(),
                        file.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        assertThat(said).contains("800 readings, 13107200 samples");
    }

    /** Takes a package as the server does. */
    static final class Reader {

        private Reader() {}

        public static void main(String[] args) throws PackageException {
            try (ReadingsFile readings = open(Path.of(args[0]))) {
                long samples = 0;
                for (List<ListedReading> part : ReadingsFile.parts(readings.readings())) {
                    samples += part.parallelStream()
                            .mapToLong(one -> ((PackedReading.Waveform)
                                            readings.whole(one).capture())
                                    .samples()
                                    .length)
                            .sum();
                }
                System.out.println(readings.readings().size() + " readings, " + samples + " samples");
            }
        }
    }

    private Path large(int count) throws Exception {
        float[] samples = new float[16_384];
        Random random = new Random(4);
        StringBuilder lines = new StringBuilder();
        StringBuilder manifest = new StringBuilder();
        Path file = folder.resolve("waveforms.zip");
        try (OutputStream out = Files.newOutputStream(file);
                ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.setLevel(1);
            for (int i = 0; i < count; i++) {
                for (int k = 0; k < samples.length; k++) {
                    samples[k] = random.nextFloat();
                }
                String path = "captures/%d.wav".formatted(i);
                byte[] wav = new Wav(25_600, samples).toBytes();
                zip.putNextEntry(new ZipEntry(path));
                zip.write(wav);
                lines.append(line("r" + i, waveform(path))).append('\n');
                manifest.append(
                        ",{\"path\":\"%s\",\"size\":%d,\"sha256\":\"%s\"}".formatted(path, wav.length, Sha256.of(wav)));
            }
            byte[] all = bytes(lines.toString());
            zip.putNextEntry(new ZipEntry(ReadingLine.READINGS));
            zip.write(all);
            zip.putNextEntry(new ZipEntry(Manifest.PATH));
            zip.write(bytes(manifest(Map.of(ReadingLine.READINGS, all)).replace("}]}", "}" + manifest + "]}")));
        }
        return file;
    }
}
