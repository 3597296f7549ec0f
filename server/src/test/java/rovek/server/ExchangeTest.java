package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** The plant out into files and in again, and rows pasted, through the published API. */
@ExtendWith(OneRovek.class)
class ExchangeTest {

    private final Caller caller;
    private final SmallPlant plant;

    private final RunningRovek rovek;

    ExchangeTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    private JsonNode node(String tag) {
        return caller.get("/api/plant")
                .ok()
                .valueStream()
                .filter(one -> one.get("tag").asString().equals(tag))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode template(String name) {
        return caller.get("/api/templates")
                .ok()
                .valueStream()
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private Caller.Answer take(Caller at, byte[] file) {
        JsonNode preview =
                at.sendFile("/api/plant/import/preview", "plant", file).ok();
        assertThat(preview.get("wrong").asInt())
                .as(preview.get("rows").toString())
                .isZero();
        return at.sendFile(
                "/api/plant/import?changeId=" + UUID.randomUUID() + "&digest="
                        + preview.get("digest").asString(),
                "plant",
                file);
    }

    @ParameterizedTest
    @ValueSource(strings = {"csv", "xlsx", "json"})
    void aPlantReadIntoAnEmptyRovekIsTheSamePlant(String format) {
        List<String> checks = plant.pump("P-6" + format.length() + format.charAt(0));
        caller.limit(checks.get(0), "vibration", "velocity.rms", 2.8, 4.5).ok();
        String asset = plant.row(checks.get(0)).get("node").get("parentId").asString();
        plant.alter(asset, "nameplate.note", "", "a \"quoted\", note").ok();
        caller.put("/api/plant/nodes/" + asset + "/settings", Map.of("lines", "3200"))
                .ok();
        byte[] file = caller.get("/api/plant/export?format=" + format).bytes();
        String whole = caller.get("/api/plant/export?format=csv").text();
        try (RunningRovek empty = RunningRovek.start()) {
            Caller other = Caller.signedIn(empty);
            take(other, file).ok();
            assertThat(other.get("/api/plant/export?format=csv").text()).isEqualTo(whole);
            JsonNode again =
                    other.sendFile("/api/plant/import/preview", "plant", file).ok();
            assertThat(again.get("changes").asInt())
                    .as("once more there is nothing to do")
                    .isZero();
        }
    }

    /**
     * While it waits for somebody else's change of the plant it is seen by others, told to stop, and leaves nothing;
     * the same once more goes through.
     */
    @Test
    void anImportIsFollowedAndStoppedAndLeavesNothing() throws Exception {
        StringBuilder csv = new StringBuilder(
                "path,level,tag,name\n,CLIENT,,Client of many\nClient of many,SITE,,Works\nClient of many / Works,AREA,,Long hall\n");
        for (int i = 0; i < 2_500; i++) {
            csv.append("Client of many / Works / Long hall,ASSET,LH-").append(i).append(",Machine\n");
        }
        byte[] file = csv.toString().getBytes(StandardCharsets.UTF_8);
        JsonNode preview =
                caller.sendFile("/api/plant/import/preview", "plant", file).ok();
        assertThat(preview.get("wrong").asInt())
                .as(preview.get("rows").toString())
                .isZero();
        UUID change = UUID.randomUUID();
        String path = "/api/plant/import?changeId=" + change + "&digest="
                + preview.get("digest").asString();
        Future<Caller.Answer> answer;
        ExecutorService other = Executors.newSingleThreadExecutor();
        try (var db = rovek.database().connect();
                var statement = db.createStatement()) {
            db.setAutoCommit(false);
            statement.execute("SELECT pg_advisory_xact_lock(7150, hashtext(''))");
            answer = other.submit(() -> caller.sendFile(path, "plant", file));
            while (!caller.get("/api/jobs/" + change).text().contains("Reading the rows")) {
                Thread.sleep(50);
            }
            assertThat(caller.sendFile(path, "plant", file).sentence())
                    .as("the same twice at once")
                    .contains("already under way");
            caller.post("/api/jobs/" + change + "/stop", Map.of());
            db.rollback();
        }
        other.shutdown();
        assertThat(answer.get(1, TimeUnit.MINUTES).sentence()).isEqualTo("Stopped. Nothing was imported.");
        assertThat(caller.get("/api/jobs/" + change).ok().get("state").asString())
                .isEqualTo("STOPPED");
        assertThat(caller.get("/api/outline/find?text=LH-1").text()).doesNotContain("LH-1");
        JsonNode done = caller.sendFile(path, "plant", file).ok();
        assertThat(done.get("sentence").asString()).contains("2,503 new");
        JsonNode job = caller.get("/api/jobs/" + change).ok();
        assertThat(job.get("state").asString()).isEqualTo("DONE");
        assertThat(job.get("sentence")).isEqualTo(done.get("sentence"));
    }

    @Test
    void whatIsImportedIsWhatWasShownOrNothing() {
        plant.pump("P-610");
        String csv = "id,tag,name\n" + node("P-610").get("id").asString() + ",P-610,Renamed by a file";
        byte[] file = csv.getBytes(StandardCharsets.UTF_8);
        JsonNode preview =
                caller.sendFile("/api/plant/import/preview", "plant.csv", file).ok();
        assertThat(preview.get("rows").get(0).get("notes").get(0).asString())
                .isEqualTo("name: Well pump → Renamed by a file");
        plant.alter(node("P-610").get("id").asString(), "name", "Well pump", "Renamed by a person")
                .ok();
        Caller.Answer late = caller.sendFile(
                "/api/plant/import?changeId=" + UUID.randomUUID() + "&digest="
                        + preview.get("digest").asString(),
                "plant.csv",
                file);
        assertThat(late.sentence()).contains("The plant was changed since you opened the preview");
        assertThat(node("P-610").get("name").asString()).isEqualTo("Renamed by a person");
        JsonNode done = take(caller, file).ok();
        caller.post("/api/plant/changes/" + done.get("changeId").asString() + "/undo", Map.of())
                .ok();
        assertThat(node("P-610").get("name").asString()).isEqualTo("Renamed by a person");
    }

    @Test
    void tenMachinesComeOutOfATemplateAndAPaste() {
        plant.pump("P-620");
        String area = node("P-620").get("parentId").asString();
        StringBuilder rows = new StringBuilder();
        for (int i = 0; i < 10; i++) {
            rows.append("P-62")
                    .append((char) ('A' + i))
                    .append("1\tBooster pump\tTwo-bearing pump set\n".replace("1\t", "\t"));
        }
        Map<String, Object> pasted =
                new HashMap<>(Map.of("parentId", area, "text", rows.toString().replace("P-62", "PB-62")));
        JsonNode preview = caller.post("/api/plant/paste/preview", pasted).ok();
        assertThat(preview.get("fresh").asInt()).as(preview.toString()).isEqualTo(10);
        pasted.put("changeId", UUID.randomUUID().toString());
        pasted.put("digest", preview.get("digest").asString());
        JsonNode done = caller.post("/api/plant/paste", pasted).ok();
        assertThat(plant.standing(area).get("notJudged").asInt()).isEqualTo(4 + 10 * 12);
        caller.post("/api/plant/paste", pasted).ok();
        assertThat(plant.standing(area).get("notJudged").asInt())
                .as("pressed twice")
                .isEqualTo(4 + 10 * 12);
        caller.post("/api/plant/changes/" + done.get("changeId").asString() + "/undo", Map.of())
                .ok();
        assertThat(plant.standing(area).get("notJudged").asInt()).isEqualTo(4);
    }

    @Test
    void aStampedAssetFollowsItsTemplateWhereItWasNotChangedByHand() {
        List<String> checks = plant.pump("P-630");
        String example = node("P-630").get("id").asString();
        String area = node("P-630").get("parentId").asString();
        JsonNode kept = caller.post("/api/templates", Map.of("nodeId", example, "name", "Well pump set"))
                .ok();
        String template = kept.get("id").asString();
        caller.post(
                        "/api/templates/" + template + "/stamp",
                        Map.of("parentId", area, "tags", "P-631..P-633", "name", ""))
                .ok();
        assertThat(template("Well pump set").get("stamped").asInt()).isEqualTo(4);
        String byHand = caller.get("/api/nodes/" + node("P-632").get("id").asString() + "/sheet")
                .ok()
                .get("checks")
                .get(0)
                .get("checkId")
                .asString();
        caller.put("/api/plant/nodes/" + byHand + "/settings", Map.of("lines", "400"))
                .ok();
        caller.put("/api/plant/nodes/" + checks.get(0) + "/settings", Map.of("lines", "3200"))
                .ok();
        caller.post("/api/templates", Map.of("nodeId", example, "templateId", template))
                .ok();
        JsonNode followers =
                caller.get("/api/templates/" + template + "/followers").ok();
        assertThat(followers
                        .valueStream()
                        .map(one -> one.get("tag").asString() + " "
                                + one.get("changes").asInt() + " "
                                + one.get("kept").asInt()))
                .containsExactly("P-631 1 0", "P-632 0 1", "P-633 1 0");
        JsonNode done = caller.post(
                        "/api/templates/" + template + "/follow",
                        List.of(
                                node("P-631").get("id").asString(),
                                node("P-632").get("id").asString()))
                .ok();
        assertThat(lines("P-631")).isEqualTo("3200");
        assertThat(lines("P-632")).isEqualTo("400");
        assertThat(lines("P-633")).isEqualTo("6400");
        assertThat(template("Well pump set").get("behind").asInt()).isEqualTo(1);
        caller.post("/api/plant/changes/" + done.get("changeId").asString() + "/undo", Map.of())
                .ok();
        assertThat(lines("P-631")).isEqualTo("6400");
    }

    private String lines(String tag) {
        String check = caller.get("/api/nodes/" + node(tag).get("id").asString() + "/sheet")
                .ok()
                .get("checks")
                .get(0)
                .get("checkId")
                .asString();
        return caller.get("/api/plant/nodes/" + check + "/settings")
                .ok()
                .valueStream()
                .filter(line -> line.get("key").asString().equals("lines"))
                .findFirst()
                .orElseThrow()
                .get("value")
                .asString();
    }

    @Test
    void whatCannotBeStampedOrReadSaysWhy() {
        plant.pump("P-640");
        String area = node("P-640").get("parentId").asString();
        String pump = template("Two-bearing pump set").get("id").asString();
        assertThat(caller.post(
                                "/api/templates/" + pump + "/stamp",
                                Map.of("parentId", area, "tags", "P-639..P-641", "name", ""))
                        .sentence())
                .isEqualTo("P-640 already exists: Client of P-640, Works, Wellfield, P-640 Well pump.");
        assertThat(caller.post(
                                "/api/templates/" + pump + "/stamp",
                                Map.of("parentId", area, "tags", "P-9..P-3", "name", ""))
                        .sentence())
                .contains("does not count up");
        assertThat(caller.post(
                                "/api/templates",
                                Map.of("nodeId", node("P-640").get("id").asString(), "name", "Belt fan"))
                        .sentence())
                .contains("There is already a template \"Belt fan\"");
        assertThat(caller.sendFile(
                                "/api/plant/import/preview",
                                "x.xlsx",
                                "PK no workbook".getBytes(StandardCharsets.UTF_8))
                        .sentence())
                .contains("The workbook cannot be read");
        assertThat(caller.sendFile("/api/plant/import/preview", "x.csv", new byte[] {(byte) 0xE4, 'a', '\n'})
                        .sentence())
                .contains("not written in UTF-8");
        assertThat(caller.sendFile(
                                "/api/plant/import/preview",
                                "x.csv",
                                "colour,size\nred,1".getBytes(StandardCharsets.UTF_8))
                        .sentence())
                .contains("has to name the columns");
        assertThat(caller.get("/api/plant/export?format=docx").sentence())
                .isEqualTo("A plant is exported as CSV, XLSX or JSON.");
    }
}
