package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.fieldsim.Fieldsim;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import tools.jackson.databind.JsonNode;

@ExtendWith(OneRovek.class)
class PackageFilesTest {

    private final Caller caller;
    private final SmallPlant plant;

    PackageFilesTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    private record Walked(String instrument, byte[] original, String originalId) {}

    /** One walk along four checks, read back over the link. */
    private Walked walked(String serial, Path memory, List<String> checks) {
        try (FieldDay day = new FieldDay(Fieldsim.Kind.VIBRATION, serial, memory)) {
            String instrument = day.connect(caller);
            day.load(caller, instrument, plant.route(checks));
            day.press("/api/walk-all", Map.of());
            day.readBack(caller, instrument);
            String id = caller.get("/api/instruments/" + instrument + "/originals")
                    .ok()
                    .get(0)
                    .get("id")
                    .asString();
            Caller.Answer file = caller.get("/api/originals/" + id + "/file");
            assertThat(file.status()).isEqualTo(200);
            return new Walked(instrument, file.bytes(), id);
        }
    }

    private static JsonNode taken(Caller where, byte[] bytes) {
        return where.awaitJob(
                where.sendFile("/api/originals", "C:\\memory\\W0001.zip", bytes).ok());
    }

    private int readings() {
        return caller.get("/api/visits")
                .ok()
                .valueStream()
                .mapToInt(visit -> visit.get("readings").asInt())
                .sum();
    }

    @Test
    void whatWasReadBackIsNotStoredAgainWhenItComesAsAFileOrIsTakenAgain(@TempDir Path memory) {
        Walked walked = walked("30601", memory, plant.pump("P-61"));
        int before = readings();
        JsonNode job = taken(caller, walked.original());
        assertThat(job.get("state").asString()).as(job.toString()).isEqualTo("DONE");
        assertThat(job.get("sentence").asString()).startsWith("0 new readings, 4 already stored");
        JsonNode again = caller.awaitJob(caller.post("/api/originals/" + walked.originalId() + "/take", null)
                .ok());
        assertThat(again.get("sentence").asString()).startsWith("0 new readings, 4 already stored");
        assertThat(readings()).isEqualTo(before);
        assertThat(caller.get("/api/instruments/" + walked.instrument() + "/originals")
                        .ok())
                .as("the same bytes are one original")
                .hasSize(1);
    }

    @Test
    void anotherRovekTakesItWholeAndOnlyOnce(@TempDir Path memory) {
        Walked walked = walked("30602", memory, plant.pump("P-62"));
        try (RunningRovek other = RunningRovek.start()) {
            Caller there = Caller.signedIn(other);
            assertThat(taken(there, walked.original()).get("sentence").asString())
                    .startsWith("4 new readings, 4 of them loose");
            assertThat(taken(there, walked.original()).get("sentence").asString())
                    .startsWith("0 new readings, 4 already stored");
            JsonNode instrument = there.get("/api/instruments").ok().get(0);
            assertThat(instrument.get("serial").asString()).isEqualTo("30602");
            assertThat(there.get("/api/instruments/" + instrument.get("id").asString() + "/connection")
                            .sentence())
                    .contains("known from a file only");
            JsonNode original = there.get(
                            "/api/instruments/" + instrument.get("id").asString() + "/originals")
                    .ok()
                    .get(0);
            assertThat(original.get("fileName").asString())
                    .as("without the folder it came from")
                    .isEqualTo("W0001.zip");
            assertThat(there.get("/api/originals/" + original.get("id").asString() + "/file")
                            .bytes())
                    .isEqualTo(walked.original());
        }
    }

    @Test
    void theSameFileByTwoWaysAtOnceIsTakenOnce(@TempDir Path memory) {
        Walked walked = walked("30604", memory, plant.pump("P-64"));
        try (RunningRovek other = RunningRovek.start();
                ConfigurableApplicationContext second = other.startAnother()) {
            Caller there = Caller.signedIn(other);
            Caller beside = there.onServer(RunningRovek.addressOf(second));
            List<Caller> four = List.of(there, beside, there, beside);
            List<JsonNode> jobs = four.stream()
                    .map(one -> one.sendFile("/api/originals", "W0001.zip", walked.original())
                            .ok())
                    .toList();
            List<String> sentences = jobs.stream()
                    .map(job -> there.awaitJob(job).get("sentence").asString())
                    .toList();
            assertThat(sentences)
                    .as("%s", sentences)
                    .filteredOn(sentence -> sentence.startsWith("4 new readings"))
                    .hasSize(1);
            assertThat(sentences)
                    .filteredOn(sentence -> sentence.startsWith("0 new readings, 4 already stored"))
                    .hasSize(3);
            assertThat(there.get("/api/visits").ok()).hasSize(1);
        }
    }

    @Test
    void aFileThatIsNoReadingsIsRefusedWithASentenceAndNothingIsKept(@TempDir Path memory) {
        Walked walked = walked("30603", memory, plant.pump("P-63"));
        byte[] bitten = walked.original().clone();
        bitten[bitten.length / 2] ^= 0x55;
        Map<String, byte[]> wrong = Map.of(
                "not a ZIP file",
                "tag;value".getBytes(),
                "damaged",
                bitten,
                "field package",
                Arrays.copyOf(walked.original(), walked.original().length / 3));
        int instruments = caller.get("/api/instruments").ok().size();
        wrong.forEach((sentence, bytes) -> {
            Caller.Answer answer = caller.sendFile("/api/originals", "x.zip", bytes);
            assertThat(answer.status()).as(sentence).isEqualTo(422);
            assertThat(answer.sentence()).contains(sentence);
        });
        assertThat(caller.get("/api/instruments").ok()).hasSize(instruments);
    }

    private static PackedReading waveform(String id, UnitOfMeasure unit) {
        float[] samples = new float[16_384];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) Math.sin(2 * Math.PI * 50 * i / 25_600.0);
        }
        return new PackedReading(
                id,
                Instant.parse("2026-11-02T08:00:00Z"),
                "vibration",
                Optional.empty(),
                "P-77 Coupling",
                "",
                Optional.empty(),
                Map.of(),
                new PackedReading.Waveform(samples, 25_600, unit, 1, OptionalDouble.empty(), OptionalDouble.empty()));
    }

    private static byte[] looseAt(String serial, String... times) {
        List<PackedReading> readings = Arrays.stream(times)
                .map(at -> new PackedReading(
                        "r" + Instant.parse(at).getEpochSecond(),
                        Instant.parse(at),
                        "vibration",
                        Optional.empty(),
                        "somewhere",
                        "",
                        Optional.empty(),
                        Map.of(),
                        waveform("x", UnitCatalogue.METRE_PER_SQUARE_SECOND).capture()))
                .toList();
        Maker maker = new Maker("Elsewhere", Optional.of(new Maker.MakingInstrument("M1", serial, "1.0")));
        return ReadingsPackage.pack(Instant.parse(times[times.length - 1]), maker, Optional.empty(), readings);
    }

    private long visitsOf(String serial) {
        return caller.get("/api/visits")
                .ok()
                .valueStream()
                .filter(line -> line.get("instrument").asString().equals("M1 no. " + serial))
                .count();
    }

    /**
     * Loose readings are of one visit while no more than 14 hours lie between one and the next, in one file or in
     * several.
     */
    @Test
    void afterFourteenHoursWithoutAReadingAnotherVisitBegins() {
        taken(caller, looseAt("8801", "2026-10-05T06:00:00Z", "2026-10-05T20:00:00Z", "2026-10-06T10:00:01Z"));
        assertThat(visitsOf("8801"))
                .as("14 h are one visit, a second more is another")
                .isEqualTo(2);
        taken(caller, looseAt("8802", "2026-10-05T06:00:00Z"));
        taken(caller, looseAt("8802", "2026-10-05T20:00:00Z"));
        assertThat(visitsOf("8802")).isEqualTo(1);
        taken(caller, looseAt("8802", "2026-10-05T20:00:01Z"));
        assertThat(visitsOf("8802")).as("from when the visit began").isEqualTo(2);
    }

    /** A maker's own spelling of one unit kept the whole package out, and its file on the instrument for ever. */
    @Test
    void whatCannotBeUnderstoodStaysInTheOriginalUntilSomebodySaysWhatItMeans() {
        UnitOfMeasure odd = new UnitOfMeasure("mtr/sec2", UnitCatalogue.METRE_PER_SQUARE_SECOND.unit());
        Maker maker = new Maker("Elsewhere", Optional.of(new Maker.MakingInstrument("M1", "771", "1.0")));
        byte[] bytes = ReadingsPackage.pack(
                Instant.parse("2026-11-02T09:00:00Z"),
                maker,
                Optional.empty(),
                List.of(waveform("1", UnitCatalogue.METRE_PER_SQUARE_SECOND), waveform("2", odd)));
        int before = readings();
        JsonNode job = taken(caller, bytes);
        assertThat(job.get("state").asString()).as(job.toString()).isEqualTo("DONE");
        assertThat(job.get("sentence").asString())
                .startsWith("1 new reading, 1 of them loose.")
                .contains("1 reading could not be read: readings.ndjson:2: \"mtr/sec2\" is not a known unit");
        assertThat(readings()).isEqualTo(before + 1);
        String instrument = caller.get("/api/instruments")
                .ok()
                .valueStream()
                .filter(one -> one.get("serial").asString().equals("771"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        JsonNode original =
                caller.get("/api/instruments/" + instrument + "/originals").ok().get(0);
        assertThat(original.get("leftOut")).hasSize(1);
        assertThat(original.get("unknownUnits").get(0).asString()).isEqualTo("mtr/sec2");

        assertThat(caller.put("/api/unit-spellings", Map.of("written", "mm/s", "symbol", "m/s²"))
                        .sentence())
                .isEqualTo("\"mm/s\" is already known as mm/s.");
        assertThat(caller.put("/api/unit-spellings", Map.of("written", "x".repeat(41), "symbol", "g"))
                        .status())
                .isEqualTo(422);
        assertThat(caller.put("/api/unit-spellings", Map.of("written", "mtr/sec2", "symbol", "furlong"))
                        .status())
                .isEqualTo(422);
        caller.put("/api/unit-spellings", Map.of("written", "mtr/sec2", "symbol", "m/s²"))
                .ok();
        JsonNode again = caller.awaitJob(
                caller.post("/api/originals/" + original.get("id").asString() + "/take", null)
                        .ok());
        assertThat(again.get("sentence").asString())
                .startsWith("1 new reading, 1 of them loose, 1 already stored.")
                .doesNotContain("could not");
        assertThat(readings()).isEqualTo(before + 2);
        JsonNode whole =
                caller.get("/api/instruments/" + instrument + "/originals").ok().get(0);
        assertThat(whole.get("leftOut")).isEmpty();
        assertThat(whole.get("newReadings").asInt()).isEqualTo(2);
        assertThat(caller.call("DELETE", "/api/unit-spellings?written=mtr/sec2", null)
                        .ok()
                        .get("said"))
                .isEmpty();
    }
}
