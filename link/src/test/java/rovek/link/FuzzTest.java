package rovek.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import rovek.core.reading.PictureCapture;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TextCapture;
import rovek.core.reading.ValueCapture;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.link.packet.FirmwarePackage;
import rovek.link.packet.Maker;
import rovek.link.packet.PackageException;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.SetupPackage;
import rovek.link.packet.Walk;

/**
 * Ten thousand packages and answers that somebody spoilt: each is understood, or refused by one of the named errors.
 */
class FuzzTest {

    private static final int PACKAGES = 7_000;
    private static final int ANSWERS = 3_000;
    private static final long SEED = 20_261_123;

    private static byte[] sound() {
        TableCapture table = new TableCapture(
                List.of(
                        new TableCapture.Numbers("time", "s", new double[] {0, 1, 2}),
                        new TableCapture.Words("said", List.of("a", "b", "c"))),
                List.of(new TableCapture.Marker(1, "door")));
        PictureCapture picture = new PictureCapture("image/png", new byte[] {(byte) 0x89, 'P', 'N', 'G', 1});
        List<PackedCapture> captures = List.of(
                new PackedReading.Waveform(
                        new float[] {0.5f, 1f, -1f},
                        25_600,
                        UnitCatalogue.VOLT,
                        1,
                        OptionalDouble.of(100),
                        OptionalDouble.of(5)),
                new PackedCapture.Plain(table),
                new PackedCapture.Plain(picture),
                new PackedCapture.Plain(new TextCapture(List.of("P0420"))),
                new PackedCapture.Plain(new ValueCapture(new Amount(3.5, UnitCatalogue.BAR))));
        List<PackedReading> readings = new ArrayList<>();
        captures.forEach(capture -> readings.add(new PackedReading(
                "r" + readings.size(),
                Instant.parse("2026-11-23T09:12:00Z"),
                "any",
                Optional.empty(),
                "M-1",
                "",
                Optional.empty(),
                Map.of("lines", "400"),
                capture,
                List.of(picture))));
        Walk walk = new Walk(
                new UUID(1, 1),
                new UUID(2, 2),
                "Monthly",
                List.of(new Walk.WalkedStop(new UUID(3, 3), Walk.Progress.DONE, "")));
        return ReadingsPackage.pack(
                Instant.EPOCH,
                new Maker("Fieldsim", Optional.of(new Maker.MakingInstrument("VH-2", "1", "1"))),
                Optional.of(walk),
                readings);
    }

    private static byte[] spoilt(byte[] bytes, Random random) {
        byte[] out = bytes.clone();
        switch (random.nextInt(4)) {
            case 0 -> {
                return java.util.Arrays.copyOf(out, random.nextInt(out.length + 1));
            }
            case 1 -> {
                int from = random.nextInt(out.length);
                int count = Math.min(out.length - from, 1 + random.nextInt(12));
                System.arraycopy(out, random.nextInt(out.length - count + 1), out, from, count);
            }
            default -> {
                for (int i = 0; i <= random.nextInt(4); i++) {
                    out[random.nextInt(out.length)] = (byte) random.nextInt(256);
                }
            }
        }
        return out;
    }

    /** Spoils one entry and makes the manifest's sizes and digests agree again, so that what lies deeper is reached. */
    private static byte[] spoiltWithin(byte[] packed, Random random) throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(packed))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                entries.put(entry.getName(), zip.readAllBytes());
            }
        }
        List<String> names = entries.keySet().stream()
                .filter(name -> !name.equals("manifest.json"))
                .toList();
        String name = names.get(random.nextInt(names.size()));
        byte[] before = entries.get(name);
        byte[] after =
                name.endsWith("json") && random.nextInt(3) > 0 ? spoiltText(before, random) : spoilt(before, random);
        entries.put(name, after);
        String manifest = new String(entries.get("manifest.json"), StandardCharsets.UTF_8)
                .replace(
                        "\"size\":%d,\"sha256\":\"%s\"".formatted(before.length, Sha256.of(before)),
                        "\"size\":%d,\"sha256\":\"%s\"".formatted(after.length, Sha256.of(after)));
        entries.put(
                "manifest.json",
                random.nextInt(10) == 0
                        ? spoiltText(manifest.getBytes(StandardCharsets.UTF_8), random)
                        : manifest.getBytes(StandardCharsets.UTF_8));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
                zip.putNextEntry(new ZipEntry(entry.getKey()));
                zip.write(entry.getValue());
            }
        }
        return out.toByteArray();
    }

    private static final List<String> ODDITIES = List.of(
            "null",
            "-1",
            "1e400",
            "1e-400",
            "NaN",
            "\"\"",
            "[]",
            "{}",
            "true",
            "\"2026-13-45T99:99:99Z\"",
            "\"\\u0000\"",
            "99999999999999999999",
            "\"µ\"",
            "0.0",
            "\"no-such\"");

    /** Replaces one value of a JSON text by an odd one. */
    private static byte[] spoiltText(byte[] text, Random random) {
        String json = new String(text, StandardCharsets.UTF_8);
        List<int[]> values = new ArrayList<>();
        var matcher = java.util.regex.Pattern.compile(":(\"[^\"]*\"|-?[0-9.eE+]+|true|false)")
                .matcher(json);
        while (matcher.find()) {
            values.add(new int[] {matcher.start(1), matcher.end(1)});
        }
        if (values.isEmpty()) {
            return spoilt(text, random);
        }
        int[] at = values.get(random.nextInt(values.size()));
        return (json.substring(0, at[0]) + ODDITIES.get(random.nextInt(ODDITIES.size())) + json.substring(at[1]))
                .getBytes(StandardCharsets.UTF_8);
    }

    private interface Unpacking {
        void of(byte[] packed) throws PackageException;
    }

    @Test
    void spoiltPackagesAreUnderstoodOrRefusedByName() throws IOException {
        Random random = new Random(SEED);
        byte[] readings = sound();
        byte[] route = new RoutePackage(
                        new UUID(1, 2),
                        "Walk",
                        Instant.EPOCH,
                        List.of(new RoutePackage.RouteStop(
                                new UUID(4, 4),
                                "P-1",
                                "Pump",
                                "Drive end",
                                "Velocity",
                                "vibration",
                                Map.of("lines", "400"))))
                .pack();
        byte[] setup = new SetupPackage(
                        new UUID(5, 5),
                        1,
                        "S",
                        "logger",
                        Instant.EPOCH,
                        new rovek.core.setup.SetupContent(
                                Map.of("intervalSeconds", "10"), List.of(Map.of("name", "a"))))
                .pack();
        byte[] firmware = new FirmwarePackage("VH-2", "2", 10, Instant.EPOCH, new byte[64]).pack();
        Map<Unpacking, byte[]> all = new LinkedHashMap<>();
        all.put(ReadingsPackage::unpack, readings);
        all.put(RoutePackage::unpack, route);
        all.put(SetupPackage::unpack, setup);
        all.put(FirmwarePackage::unpack, firmware);
        int refused = 0;
        int understood = 0;
        for (int i = 0; i < PACKAGES; i++) {
            // Readings have the most in them.
            int which = i % 8 < 5 ? 0 : i % 8 - 4;
            var one = List.copyOf(all.entrySet()).get(which);
            byte[] packed =
                    random.nextInt(4) == 0 ? spoilt(one.getValue(), random) : spoiltWithin(one.getValue(), random);
            try {
                one.getKey().of(packed);
                understood++;
            } catch (PackageException named) {
                assertThat(named.getMessage()).isNotBlank();
                assertThat(named.code()).startsWith("package.");
                refused++;
            } catch (RuntimeException | StackOverflowError unnamed) {
                fail("Spoilt package %d of seed %d gives no named error.".formatted(i, SEED), unnamed);
            }
        }
        assertThat(refused).as("most are refused, some changes do no harm").isGreaterThan(PACKAGES / 2);
        assertThat(understood).isPositive();
    }

    private static final List<String> QUERIES = List.of(
            "identity",
            "battery",
            "temperature",
            "clock",
            "catalogue",
            "digest",
            "slice",
            "firmware",
            "live",
            "fetch",
            "running",
            "options",
            "write");

    /** An instrument whose answers are sound but for one, which is spoilt. */
    private static final class Babbling extends FakeTransport {

        private final Random random;
        private final int spoiltAnswer;
        private int answers;
        private byte[] pending = new byte[0];

        Babbling(Random random) {
            this.random = random;
            this.spoiltAnswer = 2 + random.nextInt(8);
        }

        private static String sound(String command) {
            if (command.startsWith("SYSTem:ERRor?")) {
                return "0,\"No error\"\n";
            }
            if (command.startsWith("*IDN?")) {
                return "Fieldsim,VH-2,30417,2.4.1\n";
            }
            if (command.startsWith("*OPT?")) {
                return "\"VIBRATION:1\"\n";
            }
            if (command.contains("CALibration")) {
                return "\"2026-01-01\"\n";
            }
            if (command.contains("BATTery") || command.contains("TEMPerature")) {
                return "24\n";
            }
            if (command.contains("DATE?")) {
                return "2026,11,23\n";
            }
            if (command.contains("TIME?")) {
                return "9,12,0\n";
            }
            if (command.contains("CATalog")) {
                return "100,200,\"RESULTS/W0001.zip,READINGS,100\"\n";
            }
            if (command.contains("DIGest")) {
                return "\"" + "a".repeat(64) + "\"\n";
            }
            if (command.contains("SLICe")) {
                return "#15abcde\n";
            }
            if (command.contains("LIVE:CHANnels")) {
                return "\"Level\",\"m\",\"Loop\",\"mA\"\n";
            }
            if (command.startsWith("FETCh?")) {
                return "1.5,9.91E37\n";
            }
            if (command.contains("CONDition?")) {
                return "16\n";
            }
            if (command.contains("AVAilable?")) {
                return "\"CHANNELS16\"\n";
            }
            return command.contains("FIRMware:STATe?") ? "\"\",0,\"READY\"\n" : "";
        }

        @Override
        public void send(byte[] bytes) {
            String answer = sound(new String(bytes, StandardCharsets.ISO_8859_1));
            byte[] out = answer.getBytes(StandardCharsets.ISO_8859_1);
            pending = out.length > 0 && ++answers == spoiltAnswer ? spoilt(out, random) : out;
        }

        @Override
        public int receive(byte[] into, Duration patience) {
            int count = Math.min(pending.length, into.length);
            System.arraycopy(pending, 0, into, 0, count);
            pending = new byte[0];
            return count;
        }
    }

    @Test
    void spoiltAnswersAreUnderstoodOrRefusedByName() {
        Random random = new Random(SEED + 1);
        int refused = 0;
        for (int i = 0; i < ANSWERS; i++) {
            String query = QUERIES.get(i % QUERIES.size());
            try (Instrument instrument =
                    Instrument.connect(new Babbling(random), Optional.of("4711"), Duration.ofMillis(20))) {
                ask(instrument, query);
            } catch (LinkException named) {
                assertThat(named.getMessage()).isNotBlank();
                assertThat(named.code()).startsWith("link.");
                refused++;
            } catch (RuntimeException unnamed) {
                fail("Spoilt answer %d of seed %d to %s gives no named error.".formatted(i, SEED + 1, query), unnamed);
            }
        }
        assertThat(refused).isGreaterThan(ANSWERS / 10);
    }

    private static void ask(Instrument instrument, String query) throws LinkException {
        switch (query) {
            case "identity" -> instrument.identity();
            case "battery" -> instrument.batteryPercent();
            case "temperature" -> instrument.temperatureCelsius();
            case "clock" -> instrument.clock();
            case "catalogue" -> instrument.catalogue();
            case "digest" -> instrument.digest("RESULTS/W0001.zip");
            case "slice" -> instrument.slice("RESULTS/W0001.zip", 0, 5);
            case "firmware" -> instrument.firmware();
            case "live" -> instrument.liveChannels();
            case "fetch" -> instrument.fetch();
            case "running" -> instrument.isRunning();
            case "options" -> instrument.availableOptions();
            default -> instrument.write("ROUTES/ROUTE.zip", new byte[5]);
        }
    }
}
