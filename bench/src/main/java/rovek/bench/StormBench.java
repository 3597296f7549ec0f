package rovek.bench;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageIO;
import rovek.core.unit.UnitCatalogue;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;

/**
 * Twenty requests at once of each kind that takes much memory, against a server of 768 MB; somebody else reads
 * meanwhile, and is to be answered within two seconds.
 */
final class StormBench {

    private static final int AT_ONCE = 20;
    private static final int WANTED_MILLIS = 2_000;
    private static final int MOST_TRIES = 120;

    /** @return what was measured, a line each */
    List<String> run() throws Exception {
        return new ServerRun().measure(BigPlant::plant, this::measure);
    }

    /** With a second server on the same database, at which the others are. */
    List<String> runAtTwo() throws Exception {
        return new ServerRun().measureTwo(BigPlant::plant, this::measure);
    }

    private interface Request {
        Person.Answer by(Person person) throws InterruptedException;
    }

    private List<String> measure(ServerRun.Running running) throws Exception {
        Person reader = signedIn(running.addressOf(1));
        Person attacker = signedIn(running.address());
        reader.call("POST", "/api/outline", "{}");
        String asset = BigPlant.id(4, 1);
        byte[] comment = withHugeText(png(40, 30), 300);
        byte[] large = png(3_000, 2_000);
        byte[] waveforms = waveforms();
        byte[] table = ("path,level,tag,name\n" + ("x,ASSET,P," + "y".repeat(200) + "\n").repeat(40_000))
                .getBytes(StandardCharsets.UTF_8);
        String text = "{\"parentId\":null,\"text\":\"" + "a\\n".repeat(199_000) + "\"}";
        Map<String, Request> storms = new TreeMap<>(Map.of(
                "pictures whose comment unpacks to 300 MB",
                        person -> person.sendFile("/api/nodes/" + asset + "/pictures?id=" + UUID.randomUUID(), comment),
                "pictures of 6 million dots",
                        person -> person.sendFile("/api/nodes/" + asset + "/pictures?id=" + UUID.randomUUID(), large),
                "plant tables of 9 MB", person -> person.sendFile("/api/plant/import/preview", table),
                "pasted tables of 199,000 lines", person -> person.call("POST", "/api/plant/paste/preview", text),
                "packages of 850 waveforms, 52 MB", person -> person.sendFile("/api/originals", waveforms),
                "packages that are none, of 60 MB", person -> person.sendFile("/api/originals", new byte[60 << 20])));
        List<String> lines = new ArrayList<>();
        for (Map.Entry<String, Request> storm : storms.entrySet()) {
            lines.add(storm(reader, attacker, storm.getKey(), storm.getValue()));
        }
        running.second()
                .ifPresent(other -> lines.add("  the others' requests went to a second server on the same database"));
        lines.add("  server: heap limit 768 MB, largest resident size %d MB"
                .formatted(ServerRun.peakMegabytes(running.process())));
        return lines;
    }

    private static String storm(Person reader, Person attacker, String what, Request request) throws Exception {
        ExecutorService crowd = Executors.newFixedThreadPool(AT_ONCE);
        List<Callable<Integer>> all = new ArrayList<>();
        for (int i = 0; i < AT_ONCE; i++) {
            all.add(() -> request.by(attacker).status());
        }
        List<Future<Integer>> under = new ArrayList<>();
        long began = System.nanoTime();
        all.forEach(one -> under.add(crowd.submit(one)));
        double longest = 0;
        int reads = 0;
        int failed = 0;
        while (under.stream().anyMatch(one -> !one.isDone())) {
            Person.Answer answer = reader.call("GET", "/api/visits", null);
            longest = Math.max(longest, answer.millis());
            failed += answer.status() == 200 ? 0 : 1;
            reads++;
            Thread.sleep(100);
        }
        Map<Integer, Integer> statuses = new TreeMap<>();
        for (Future<Integer> one : under) {
            statuses.merge(one.get(), 1, Integer::sum);
        }
        crowd.shutdown();
        return "%d %s: answered %s within %.1f s; of %d others' requests %d failed, the longest took %.0f ms (wanted at most %d)"
                .formatted(
                        AT_ONCE,
                        what,
                        statuses,
                        (System.nanoTime() - began) / 1e9,
                        reads,
                        failed,
                        longest,
                        WANTED_MILLIS);
    }

    private static byte[] waveforms() {
        Random random = new Random(1);
        List<PackedReading> readings = new ArrayList<>();
        for (int i = 0; i < 850; i++) {
            float[] samples = new float[16_384];
            for (int k = 0; k < samples.length; k++) {
                samples[k] = random.nextFloat();
            }
            readings.add(new PackedReading(
                    "r" + i,
                    Instant.EPOCH.plusSeconds(i),
                    "vibration",
                    Optional.empty(),
                    "P-1",
                    "",
                    Optional.empty(),
                    Map.of(),
                    new PackedReading.Waveform(
                            samples,
                            25_600,
                            UnitCatalogue.METRE_PER_SQUARE_SECOND,
                            1,
                            OptionalDouble.empty(),
                            OptionalDouble.empty())));
        }
        return ReadingsPackage.pack(
                Instant.EPOCH,
                new Maker("bench", Optional.of(new Maker.MakingInstrument("Storm", "bench-9", "1"))),
                Optional.empty(),
                readings);
    }

    private static Person signedIn(String address) throws InterruptedException {
        Person person = new Person(address);
        for (int i = 0;
                i < MOST_TRIES && person.signIn("bench", ServerRun.PASSWORD).status() != 200;
                i++) {
            Thread.sleep(500);
        }
        return person;
    }

    private static byte[] png(int width, int height) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_BYTE_INDEXED), "png", out);
        return out.toByteArray();
    }

    /** Nothing, a lot of it, in a compressed text beside the dots (ISO/IEC 15948, 11.3.4.3). */
    private static byte[] withHugeText(byte[] png, int megabytes) throws IOException {
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        packed.write("zTXtComment\0\0".getBytes(StandardCharsets.ISO_8859_1));
        try (DeflaterOutputStream deflater = new DeflaterOutputStream(packed)) {
            byte[] nothing = new byte[1 << 20];
            for (int i = 0; i < megabytes; i++) {
                deflater.write(nothing);
            }
        }
        CRC32 sum = new CRC32();
        sum.update(packed.toByteArray());
        int afterHeader = 8 + 12 + 13;
        return ByteBuffer.allocate(png.length + packed.size() + 8)
                .put(png, 0, afterHeader)
                .putInt(packed.size() - 4)
                .put(packed.toByteArray())
                .putInt((int) sum.getValue())
                .put(png, afterHeader, png.length - afterHeader)
                .array();
    }
}
