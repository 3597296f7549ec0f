package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import rovek.fieldsim.Fieldsim;
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
            String id = caller.get("/api/instruments/" + instrument + "/originals").ok().get(0).get("id").asString();
            Caller.Answer file = caller.get("/api/originals/" + id + "/file");
            assertThat(file.status()).isEqualTo(200);
            return new Walked(instrument, file.bytes(), id);
        }
    }

    private static JsonNode taken(Caller where, byte[] bytes) {
        return where.awaitJob(where.sendFile("/api/originals", "C:\\memory\\W0001.zip", bytes).ok());
    }

    private int readings() {
        return caller.get("/api/visits").ok().valueStream().mapToInt(visit -> visit.get("readings").asInt()).sum();
    }

    @Test
    void whatWasReadBackIsNotStoredAgainWhenItComesAsAFileOrIsTakenAgain(@TempDir Path memory) {
        Walked walked = walked("30601", memory, plant.pump("P-61"));
        int before = readings();
        JsonNode job = taken(caller, walked.original());
        assertThat(job.get("state").asString()).as(job.toString()).isEqualTo("DONE");
        assertThat(job.get("sentence").asString()).startsWith("0 new readings, 4 stored before");
        JsonNode again = caller.awaitJob(caller.post("/api/originals/" + walked.originalId() + "/take", null).ok());
        assertThat(again.get("sentence").asString()).startsWith("0 new readings, 4 stored before");
        assertThat(readings()).isEqualTo(before);
        assertThat(caller.get("/api/instruments/" + walked.instrument() + "/originals").ok()).as("the same bytes are one original").hasSize(1);
    }

    @Test
    void anotherRovekTakesItWholeAndOnlyOnce(@TempDir Path memory) {
        Walked walked = walked("30602", memory, plant.pump("P-62"));
        try (RunningRovek other = RunningRovek.start()) {
            Caller there = Caller.signedIn(other);
            assertThat(taken(there, walked.original()).get("sentence").asString()).startsWith("4 new readings, 4 of them loose");
            assertThat(taken(there, walked.original()).get("sentence").asString()).startsWith("0 new readings, 4 stored before");
            JsonNode instrument = there.get("/api/instruments").ok().get(0);
            assertThat(instrument.get("serial").asString()).isEqualTo("30602");
            assertThat(there.get("/api/instruments/" + instrument.get("id").asString() + "/connection").sentence()).contains("known from a file only");
            JsonNode original = there.get("/api/instruments/" + instrument.get("id").asString() + "/originals").ok().get(0);
            assertThat(original.get("fileName").asString()).as("without the folder it came from").isEqualTo("W0001.zip");
            assertThat(there.get("/api/originals/" + original.get("id").asString() + "/file").bytes()).isEqualTo(walked.original());
        }
    }

    @Test
    void theSameFileByTwoWaysAtOnceIsTakenOnce(@TempDir Path memory) {
        Walked walked = walked("30604", memory, plant.pump("P-64"));
        try (RunningRovek other = RunningRovek.start(); ConfigurableApplicationContext second = other.startAnother()) {
            Caller there = Caller.signedIn(other);
            Caller beside = there.onServer(RunningRovek.addressOf(second));
            List<Caller> four = List.of(there, beside, there, beside);
            List<JsonNode> jobs = four.stream().map(one -> one.sendFile("/api/originals", "W0001.zip", walked.original()).ok()).toList();
            List<String> sentences = jobs.stream().map(job -> there.awaitJob(job).get("sentence").asString()).toList();
            assertThat(sentences).as("%s", sentences).filteredOn(sentence -> sentence.startsWith("4 new readings")).hasSize(1);
            assertThat(sentences).filteredOn(sentence -> sentence.startsWith("0 new readings, 4 stored before")).hasSize(3);
            assertThat(there.get("/api/visits").ok()).hasSize(1);
        }
    }

    @Test
    void aFileThatIsNoReadingsIsRefusedWithASentenceAndNothingIsKept(@TempDir Path memory) {
        Walked walked = walked("30603", memory, plant.pump("P-63"));
        byte[] bitten = walked.original().clone();
        bitten[bitten.length / 2] ^= 0x55;
        Map<String, byte[]> wrong = Map.of(
                "not a ZIP file", "tag;value".getBytes(), "damaged", bitten, "field package", Arrays.copyOf(walked.original(), walked.original().length / 3));
        int instruments = caller.get("/api/instruments").ok().size();
        wrong.forEach((sentence, bytes) -> {
            Caller.Answer answer = caller.sendFile("/api/originals", "x.zip", bytes);
            assertThat(answer.status()).as(sentence).isEqualTo(422);
            assertThat(answer.sentence()).contains(sentence);
        });
        assertThat(caller.get("/api/instruments").ok()).hasSize(instruments);
    }
}
