package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import rovek.fieldsim.Fieldsim;
import rovek.link.Sha256;
import tools.jackson.databind.JsonNode;

/**
 * Packages whose digests agree and whose words make no sense: taken or refused with a sentence, never a fault of the
 * server.
 */
@ExtendWith(OneRovek.class)
class SpoiltPackagesTest {

    private static final int PACKAGES = 300;
    private static final Pattern VALUE = Pattern.compile(":(\"[^\"]*\"|-?[0-9.eE+]+|true|false)");
    private static final List<String> ODDITIES = List.of(
            "null",
            "-1",
            "0",
            "1e308",
            "1e-320",
            "\"\"",
            "[]",
            "{}",
            "\"9999-12-31T23:59:59Z\"",
            "\"0001-01-01T00:00:00Z\"",
            "\"\\u0000\"",
            "\"\\ud800\"",
            "99999999999999999999",
            "\"" + "x".repeat(5_000) + "\"",
            "\"vibration\"",
            "\"loop\"",
            "\"done\"");

    @TempDir
    Path memory;

    private final Caller caller;

    SpoiltPackagesTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
    }

    private byte[] sound() {
        try (FieldDay field =
                new FieldDay(Fieldsim.Kind.VIBRATION, UUID.randomUUID().toString(), memory)) {
            String instrument = field.connect(caller);
            SmallPlant plant = new SmallPlant(caller);
            field.load(caller, instrument, plant.route(plant.pump("P-" + UUID.randomUUID())));
            field.press("/api/walk-all", Map.of());
            field.readBack(caller, instrument);
            String original = caller.get("/api/instruments/" + instrument + "/originals")
                    .ok()
                    .get(0)
                    .get("id")
                    .asString();
            return caller.get("/api/originals/" + original + "/file").bytes();
        }
    }

    private static byte[] spoilt(byte[] packed, Random random) throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(packed))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                entries.put(entry.getName(), zip.readAllBytes());
            }
        }
        String name = List.of("readings.ndjson", "readings.ndjson", "walk.json", "manifest.json")
                .get(random.nextInt(4));
        byte[] before = entries.get(name);
        String text = new String(before, StandardCharsets.UTF_8);
        for (int i = 0; i <= random.nextInt(3); i++) {
            text = oneOdd(text, random);
        }
        byte[] after = text.getBytes(StandardCharsets.UTF_8);
        entries.put(name, after);
        String manifest = new String(entries.get("manifest.json"), StandardCharsets.UTF_8)
                .replace(
                        "\"size\":%d,\"sha256\":\"%s\"".formatted(before.length, Sha256.of(before)),
                        "\"size\":%d,\"sha256\":\"%s\"".formatted(after.length, Sha256.of(after)));
        // Another instrument each time: what was stored before would not be looked at again.
        String another = manifest.replaceFirst(
                "\"serial\":\"[^\"]*\"", "\"serial\":\"" + new UUID(random.nextLong(), random.nextLong()) + "\"");
        entries.put("manifest.json", another.getBytes(StandardCharsets.UTF_8));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
                zip.putNextEntry(new ZipEntry(entry.getKey()));
                zip.write(entry.getValue());
            }
        }
        return out.toByteArray();
    }

    private static String oneOdd(String text, Random random) {
        List<int[]> values = new ArrayList<>();
        Matcher matcher = VALUE.matcher(text);
        while (matcher.find()) {
            values.add(new int[] {matcher.start(1), matcher.end(1)});
        }
        int[] at = values.get(random.nextInt(values.size()));
        return text.substring(0, at[0]) + ODDITIES.get(random.nextInt(ODDITIES.size())) + text.substring(at[1]);
    }

    @Test
    void noneIsAFaultOfTheServer() throws IOException {
        byte[] sound = sound();
        Random random = new Random(20_261_124);
        int taken = 0;
        for (int i = 0; i < PACKAGES; i++) {
            Caller.Answer answer = caller.sendFile("/api/originals", "spoilt.zip", spoilt(sound, random));
            assertThat(answer.status()).as("package %d: %s", i, answer.text()).isLessThan(500);
            if (answer.status() == 202) {
                JsonNode job = caller.awaitJob(answer.body());
                assertThat(job.get("sentence").asString()).as("package %d", i).doesNotContain("Something went wrong");
                taken++;
            }
        }
        assertThat(taken).as("some oddities do no harm").isBetween(1, PACKAGES - 1);
        assertThat(caller.get("/api/visits").status()).isEqualTo(200);
        for (JsonNode visit : caller.get("/api/visits").ok()) {
            assertThat(caller.get("/api/visits/" + visit.get("id").asString()).status())
                    .isEqualTo(200);
        }
        assertThat(caller.get("/api/today").status()).isEqualTo(200);
    }
}
