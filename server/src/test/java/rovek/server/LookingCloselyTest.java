package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import rovek.core.unit.UnitCatalogue;
import rovek.fieldsim.Fieldsim;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import tools.jackson.databind.JsonNode;

/**
 * Readings looked at closely: spectra in any manner, runs, bands of their own, and the numbers behind them as files.
 */
@ExtendWith(OneRovek.class)
class LookingCloselyTest {

    @TempDir
    private Path files;

    private final RunningRovek rovek;
    private final Caller caller;
    private final SmallPlant plant;

    LookingCloselyTest(RunningRovek rovek) {
        this.rovek = rovek;
        caller = Caller.signedIn(rovek);
        plant = new SmallPlant(caller);
    }

    /** Two walks past one point. */
    private String walkedTwice() {
        String velocity = plant.pump("L-" + UUID.randomUUID()).get(0);
        try (FieldDay day = new FieldDay(files)) {
            String instrument = day.connect(caller);
            String route = plant.route(List.of(velocity));
            for (int walk = 0; walk < 2; walk++) {
                day.load(caller, instrument, route);
                day.press("/api/walk-all", Map.of());
                day.readBack(caller, instrument);
            }
        }
        return velocity;
    }

    private JsonNode comparable(String check) {
        return caller.get("/api/checks/" + check + "/comparable").ok();
    }

    private JsonNode curve(String reading, String name, String look) {
        return caller.get("/api/readings/" + reading + "/curves" + look)
                .ok()
                .get("curves")
                .valueStream()
                .filter(curve -> curve.get("id").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    /** @param unit of a vibration velocity, as it is shown to whoever asks; null for the one that is stored */
    private void choose(@Nullable String unit) {
        Map<String, Object> choice = new HashMap<>();
        choice.put("kind", "vibration-velocity");
        choice.put("chosen", unit == null ? null : new Chosen(unit, null));
        caller.put("/api/units/mine", Map.of("choices", List.of(choice))).ok();
    }

    private record Chosen(String unit, @Nullable Integer decimals) {}

    private static double number(String line, int column) {
        return Double.parseDouble(line.split(",")[column].replace("\"", ""));
    }

    private List<String> csv(String path) {
        Caller.Answer answer = caller.get(path);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return new String(answer.bytes(), StandardCharsets.UTF_8)
                .replace("\uFEFF", "")
                .lines()
                .toList();
    }

    private Sheet sheet(String path) throws IOException {
        return new XSSFWorkbook(new ByteArrayInputStream(caller.get(path).bytes())).getSheetAt(0);
    }

    @Test
    void aSpectrumIsLookedAtInAnyMannerAndItsNumbersAreTakenAlongWhole() throws IOException {
        String check = walkedTwice();
        JsonNode own = comparable(check).get("own");
        assertThat(own).hasSize(2);
        String newest = own.get(0).get("readingId").asString();
        String before = own.get(1).get("readingId").asString();

        JsonNode usual = curve(newest, "spectrum", "");
        assertThat(usual.get("yUnit").asString()).isEqualTo("mm/s");
        assertThat(usual.get("step").isNull()).as("sent whole, evenly spaced").isFalse();
        JsonNode other =
                curve(newest, "spectrum", "?quantity=displacement&averages=4&averaging=peak%20hold&window=flat-top");
        assertThat(other.get("yUnit").asString()).isEqualTo("µm");
        assertThat(other.get("how").asString()).isEqualTo("flat-top, peak hold of 4");
        assertThat(other.get("y").size()).isLessThan(usual.get("y").size() / 2);
        assertThat(curve(newest, "waveform", "?quantity=displacement")
                        .get("yUnit")
                        .asString())
                .isEqualTo("µm");
        Caller.Answer wrong = caller.get("/api/readings/" + newest + "/curves?window=round");
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.sentence()).contains("Window: choose one of");

        String file = "/api/readings/" + newest + "/curves/waveform/file?form=";
        int samples = curve(newest, "waveform", "").get("y").size();
        List<String> whole = csv(file + "csv");
        assertThat(whole).hasSize(samples + 1);
        assertThat(whole.get(0)).startsWith("\"Time, s\",\"Waveform, mm/s");
        assertThat(csv(file + "csv&from=0.2&to=0.3"))
                .hasSize((int) Math.floor(0.3 * 25_600) - (int) Math.ceil(0.2 * 25_600) + 2);
        assertThat(csv(file + "csv&from=5&to=4")).as("nothing lies there").hasSize(1);
        Sheet beside = sheet(file + "xlsx&with=" + before);
        assertThat(beside.getLastRowNum()).isEqualTo(samples);
        assertThat(beside.getRow(0).getLastCellNum()).isEqualTo((short) 4);
        assertThat(beside.getRow(1).getCell(1).getNumericCellValue())
                .isEqualTo(Double.parseDouble(whole.get(1).split(",")[1]));
        assertThat(caller.get(file + "pdf").sentence()).contains("csv or xlsx");
        assertThat(csv("/api/checks/" + check + "/waterfall/file?form=csv")
                        .get(0)
                        .split("\",\""))
                .hasSize(3);

        List<String> trend = csv("/api/checks/" + check + "/trend/file?form=csv&with=" + check + "%20velocity.peak");
        assertThat(trend).hasSize(5);
        assertThat(trend.get(1)).contains("velocity RMS").contains("not judged");
        assertThat(trend.get(4)).contains("velocity peak");
        assertThat(sheet("/api/checks/" + check + "/trend/file?form=xlsx").getLastRowNum())
                .isEqualTo(2);

        choose("in/s");
        List<String> inches = csv("/api/checks/" + check + "/trend/file?form=csv");
        assertThat(inches.get(1)).contains(",in/s,").doesNotContain("mm/s");
        assertThat(number(inches.get(1), 5)).isEqualTo(number(trend.get(1), 5) / 25.4, within(1e-12));
        List<String> inInches = csv(file + "csv");
        assertThat(inInches.get(0)).startsWith("\"Time, s\",\"Waveform, in/s");
        assertThat(number(inInches.get(9), 0)).isEqualTo(number(whole.get(9), 0));
        assertThat(number(inInches.get(9), 1)).isEqualTo(number(whole.get(9), 1) / 25.4, within(1e-12));
        String fall = "/api/checks/" + check + "/waterfall/file?form=csv";
        List<String> fallInInches = csv(fall);
        assertThat(fallInInches.get(0)).contains(", in/s RMS").doesNotContain("mm/s");
        choose(null);
        List<String> fallStored = csv(fall);
        assertThat(number(fallInInches.get(40), 1)).isEqualTo(number(fallStored.get(40), 1) / 25.4, within(1e-12));
        assertThat(csv("/api/checks/" + check + "/trend/file?form=csv")).isEqualTo(trend.subList(0, 3));
    }

    private JsonNode calculated(String check) {
        return caller.awaitJob(
                caller.post("/api/checks/" + check + "/recalculate", Map.of()).ok());
    }

    /** More than are done at once: each batch stays, the rest is told and done the next time. */
    @Test
    void recalculatingIsDoneInPartsAndMayBeStopped() {
        String client = plant.id(null, "CLIENT", "", "Client of many readings " + UUID.randomUUID());
        String check = plant.check(
                plant.id(plant.id(client, "ASSET", "M-" + UUID.randomUUID(), "Machine"), "POINT", "", "Drive end"),
                "Velocity 10–1000 Hz");
        List<PackedReading> readings = new ArrayList<>();
        for (int i = 0; i < 330; i++) {
            float[] samples = new float[1_024];
            for (int k = 0; k < samples.length; k++) {
                samples[k] = (float) Math.sin(0.3 * k + i);
            }
            readings.add(new PackedReading(
                    "m" + i,
                    Instant.parse("2026-03-01T08:00:00Z").plusSeconds(600L * i),
                    "vibration",
                    Optional.of(UUID.fromString(check)),
                    "",
                    "",
                    Optional.empty(),
                    Map.of(),
                    new PackedReading.Waveform(
                            samples,
                            2_560,
                            UnitCatalogue.METRE_PER_SQUARE_SECOND,
                            1,
                            OptionalDouble.empty(),
                            OptionalDouble.empty())));
        }
        Maker maker = new Maker("Elsewhere", Optional.of(new Maker.MakingInstrument("Maker", "M1", "9003", "1.0")));
        caller.awaitJob(caller.sendFile(
                        "/api/originals",
                        "M.zip",
                        ReadingsPackage.pack(Instant.parse("2026-03-09T08:00:00Z"), maker, Optional.empty(), readings))
                .ok());
        plant.alter(check, "setting.vibration.bandsHz", "", "running: 20..60").ok();
        assertThat(comparable(check).get("calculatedOtherwise").asInt()).isEqualTo(330);
        JsonNode job =
                caller.post("/api/checks/" + check + "/recalculate", Map.of()).ok();
        assertThat(caller.post("/api/checks/" + check + "/recalculate", Map.of())
                        .ok()
                        .get("id"))
                .as("the same work")
                .isEqualTo(job.get("id"));
        caller.post("/api/jobs/" + job.get("id").asString() + "/stop", Map.of());
        JsonNode stopped = caller.awaitJob(job);
        assertThat(stopped.get("state").asString()).isEqualTo("STOPPED");
        assertThat(stopped.get("sentence").asString()).startsWith("Stopped. ").contains("can be recalculated later");
        int left = comparable(check).get("calculatedOtherwise").asInt();
        assertThat(left).isIn(30, 130, 230, 330);
        assertThat(calculated(check).get("sentence").asString()).isEqualTo("%d readings recalculated.".formatted(left));
        assertThat(comparable(check).get("calculatedOtherwise").asInt()).isZero();
        assertThat(rovek.bean(JdbcClient.class)
                        .sql("SELECT count(DISTINCT subject_id) = 330 AND count(*) = 330 FROM audit_entry a "
                                + "JOIN reading r ON r.id::text = a.subject_id WHERE a.action = 'recalculate' "
                                + "AND r.check_id = ?::uuid")
                        .param(check)
                        .query(Boolean.class)
                        .single())
                .as("each once, over both")
                .isTrue();
    }

    private int counting(String reading) {
        return rovek.bean(JdbcClient.class)
                .sql("SELECT count(*) FROM result WHERE reading_id = ?::uuid AND counts")
                .param(reading)
                .query(Integer.class)
                .single();
    }

    @Test
    void aBandThatIsNamedLaterIsSeenInTheHistoryWhereThatIsChosenAndJudgedLikeAnyResult() {
        String check = walkedTwice();
        assertThat(comparable(check).get("calculatedOtherwise").asInt()).isZero();
        plant.alter(check, "setting.vibration.bandsHz", "", "running: 20..60").ok();
        assertThat(comparable(check).get("calculatedOtherwise").asInt()).isEqualTo(2);
        String newest = comparable(check).get("own").get(0).get("readingId").asString();
        assertThat(caller.get("/api/readings/" + newest + "/results").ok())
                .as("not measured yet")
                .hasSize(2);

        caller.post("/api/readings/" + newest + "/discard", Map.of("reason", "cable off"))
                .ok();
        List<String> clicks = List.of(1, 2, 3).parallelStream()
                .map(click -> calculated(check).get("state").asString())
                .toList();
        assertThat(clicks).as("whoever clicks thrice").containsOnly("DONE");
        assertThat(rovek.bean(JdbcClient.class)
                        .sql("SELECT count(*) FROM audit_entry a JOIN reading r ON r.id::text = a.subject_id "
                                + "WHERE a.action = 'recalculate' AND r.check_id = ?::uuid")
                        .param(check)
                        .query(Integer.class)
                        .single())
                .as("each once")
                .isEqualTo(2);
        assertThat(counting(newest))
                .as("what was discarded counts no more for being calculated again")
                .isZero();
        caller.post("/api/readings/" + newest + "/restore", null).ok();
        assertThat(counting(newest)).isEqualTo(3);
        caller.limit(check, "vibration", "velocity.band.running", 0.001, 0.002).ok();
        JsonNode band = caller.get("/api/readings/" + newest + "/results").ok().get(2);
        assertThat(band.get("name").asString()).isEqualTo("velocity in \"running\"");
        assertThat(band.get("verdict").asString())
                .as("the first limit of all holds for the history, too")
                .isEqualTo("FAIL");
        assertThat(band.get("fail").asDouble()).isEqualTo(0.002);
        assertThat(plant.standing(check).get("worst").asString()).isEqualTo("FAIL");
        assertThat(caller.get("/api/checks/" + check + "/trend?result=velocity.band.running")
                        .ok()
                        .get("points"))
                .hasSize(2);
        assertThat(curve(newest, "spectrum", "").get("bands").get(0).get("toHz").asDouble())
                .isEqualTo(60);
        assertThat(curve(newest, "spectrum", "?quantity=acceleration").get("bands"))
                .as("what is judged is a velocity")
                .isEmpty();
    }

    @Test
    void aRunIsSeenWithItsLimitsCountedAndJudgedByTheTimeOutside() {
        String client = plant.id(null, "CLIENT", "", "Client of the run " + UUID.randomUUID());
        String check = plant.check(
                plant.id(plant.id(client, "ASSET", "R-" + UUID.randomUUID(), "Reservoir"), "POINT", "", "Logger"),
                "run",
                "Run");
        String run;
        try (FieldDay day = new FieldDay(Fieldsim.Kind.LOGGER, "77002", files)) {
            String instrument = day.connect(caller);
            day.press("/api/loose", Map.of("technique", "run", "assetTag", "R-1", "point", "Logger", "unnamed", true));
            day.readBack(caller, instrument);
            JsonNode visit = caller.get("/api/visits/"
                            + caller.get("/api/visits").ok().get(0).get("id").asString())
                    .ok();
            run = visit.get("tray").get(0).get("id").asString();
        }
        caller.post("/api/readings/" + run + "/place", Map.of("checkId", check)).ok();
        JsonNode view = caller.get("/api/readings/" + run + "/run").ok();
        assertThat(view.get("channels")).hasSize(2);
        int rows = view.get("rows").asInt();
        assertThat(view.get("seconds")).hasSize(rows);
        assertThat(view.get("markers").get(0).get("text").asString()).isEqualTo("pump changed over");
        assertThat(view.get("channels").get(1).get("high").isNull()).isTrue();

        plant.alter(check, "setting.run.channelLimits", "", "channel 2: ..20").ok();
        assertThat(calculated(check).get("sentence").asString()).isEqualTo("1 reading recalculated.");
        assertThat(caller.get("/api/readings/" + run + "/run")
                        .ok()
                        .get("channels")
                        .get(1)
                        .get("high")
                        .asDouble())
                .isEqualTo(20);
        JsonNode whole = caller.get("/api/readings/" + run + "/run/statistics")
                .ok()
                .get(1)
                .get("statistics");
        JsonNode half = caller.get("/api/readings/" + run + "/run/statistics?from=0&to="
                        + view.get("seconds").get(rows / 2).asDouble())
                .ok()
                .get(1)
                .get("statistics");
        assertThat(half.get("coveredSeconds").asDouble())
                .isLessThan(whole.get("coveredSeconds").asDouble());
        assertThat(half.get("largest").asDouble())
                .isLessThanOrEqualTo(whole.get("largest").asDouble());
        JsonNode outside = caller.get("/api/readings/" + run + "/results").ok().get(0);
        assertThat(outside.get("value").asDouble() * 60)
                .isCloseTo(whole.get("outsideSeconds").asDouble(), org.assertj.core.api.Assertions.within(1e-6));
        assertThat(csv("/api/readings/" + run + "/run/file?form=csv")).hasSize(rows + 1);
        assertThat(csv("/api/readings/" + run + "/run/file?form=csv").get(0)).contains("\"channel 2, °C\"");
        assertThat(caller.get("/api/readings/" + UUID.randomUUID() + "/run").status())
                .isEqualTo(404);
    }
}
