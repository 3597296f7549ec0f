package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Loading and reading back over a real socket with a real stand-in, as things go well and as they go wrong. */
@ExtendWith(OneRovek.class)
class TransferTest {

    private final RunningRovek rovek;
    private final Caller caller;
    private final SmallPlant plant;

    @TempDir
    Path memory;

    private FieldDay field;
    private String instrument;
    private List<String> checks;
    private String route;

    TransferTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    @BeforeEach
    void prepare() {
        field = new FieldDay(memory);
        instrument = field.connect(caller);
        checks = plant.pump("P-102");
        route = plant.route(checks);
    }

    @AfterEach
    void switchOff() {
        field.close();
    }

    private long count(String table) {
        try (var db = rovek.database().connect();
                var statement = db.createStatement();
                var rows = statement.executeQuery("SELECT count(*) FROM " + table)) {
            rows.next();
            return rows.getLong(1);
        } catch (SQLException e) {
            throw new AssertionError(e);
        }
    }

    private JsonNode look() {
        return caller.get("/api/instruments/" + instrument + "/connection").ok();
    }

    private JsonNode file(String kind) {
        return StreamSupport.stream(look().get("files").spliterator(), false)
                .filter(file -> file.get("kind").asString().equals(kind))
                .findFirst()
                .orElseThrow();
    }

    private void loadAndWalk() {
        assertThat(field.load(caller, instrument, route).get("state").asString())
                .isEqualTo("DONE");
        field.press("/api/walk-all", Map.of());
    }

    /** The visit of this test's own route: other tests' visits may have begun within the same second. */
    private JsonNode visit() {
        return caller.get("/api/visits")
                .ok()
                .valueStream()
                .map(line ->
                        caller.get("/api/visits/" + line.get("id").asString()).ok())
                .filter(sheet -> sheet.get("rows").toString().contains(checks.get(3)))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aWalkComesBackAsJudgedReadings() {
        caller.limit(checks.get(0), "vibration", "velocity.rms", 0.5, 1.0).ok();
        caller.limit(checks.get(1), "vibration", "acceleration.rms", 500.0, 1000.0)
                .ok();
        loadAndWalk();
        assertThat(file("READINGS").get("state").asString()).isEqualTo("NEW");
        JsonNode job = field.readBack(caller, instrument);
        assertThat(job.get("state").asString()).as(job.toString()).isEqualTo("DONE");
        assertThat(job.get("sentence").asString()).startsWith("4 new readings.");
        assertThat(file("READINGS").get("state").asString()).isEqualTo("STORED");
        JsonNode rows = visit().get("rows");
        assertThat(rows).hasSize(4);
        assertThat(rows.get(0).get("verdict").asString())
                .as("velocity of about 1.8 against 1.0")
                .isEqualTo("FAIL");
        assertThat(rows.get(0).get("value").asDouble()).isBetween(1.2, 2.6);
        assertThat(rows.get(1).get("verdict").asString()).isEqualTo("PASS");
        assertThat(rows.get(2).get("verdict").asString()).isEqualTo("NOT_JUDGED");
        assertThat(rows.get(2).get("reason").asString()).isEqualTo("no limit is set");
        JsonNode standing = new SmallPlant(caller).standing(checks.get(0));
        assertThat(standing.get("worst").asString()).isEqualTo("FAIL");
        String reading = rows.get(0).get("readingId").asString();
        JsonNode curves =
                caller.get("/api/readings/" + reading + "/curves").ok().get("curves");
        assertThat(curves.get(0).get("id").asString()).isEqualTo("spectrum");
        assertThat(curves.get(0).get("y")).hasSize(6401);
        JsonNode trend = caller.get("/api/checks/" + checks.get(0) + "/trend").ok();
        assertThat(trend.get("points")).hasSize(1);
        assertThat(trend.get("lines").get(0).get("fail").asDouble()).isEqualTo(1.0);
    }

    @Test
    void theSameMemoryTakenTwiceStoresNothingTwice() {
        loadAndWalk();
        field.readBack(caller, instrument);
        long readings = count("reading");
        long originals = count("original");
        assertThat(field.readBack(caller, instrument).get("sentence").asString())
                .contains("0 new readings, 4 already stored");
        assertThat(count("reading")).isEqualTo(readings);
        assertThat(count("original")).isEqualTo(originals);
    }

    @Test
    void moreMeasuredSinceAddsOnlyTheNewAndKeepsBothOriginals() {
        field.load(caller, instrument, route);
        field.press("/api/stops/" + checks.get(0) + "/measure", Map.of());
        field.readBack(caller, instrument);
        field.press("/api/stops/" + checks.get(0) + "/measure", Map.of());
        field.press("/api/stops/" + checks.get(1) + "/skip", Map.of("note", "stood still"));
        JsonNode job = field.readBack(caller, instrument);
        assertThat(job.get("sentence").asString()).startsWith("1 new reading, 1 already stored");
        JsonNode rows = visit().get("rows");
        assertThat(rows.get(0).get("repeats").asInt())
                .as("the repeated reading replaces the first")
                .isEqualTo(1);
        assertThat(rows.get(1).get("progress").asString()).isEqualTo("skipped");
        assertThat(rows.get(1).get("note").asString()).isEqualTo("stood still");
        assertThat(rows.get(2).get("progress").asString()).isEqualTo("to do");
    }

    @Test
    void aCutLinkLeavesTheStateBeforeAndTheSecondTryGoesOn() {
        loadAndWalk();
        long readings = count("reading");
        field.faults(Map.of("cutAfterBytes", 180_000));
        JsonNode cut = field.readBack(caller, instrument);
        assertThat(cut.get("state").asString()).isEqualTo("FAILED");
        assertThat(cut.get("sentence").asString()).contains("The link to the instrument was interrupted");
        assertThat(count("reading")).isEqualTo(readings);
        JsonNode part = file("READINGS");
        assertThat(part.get("state").asString()).isEqualTo("PART");
        assertThat(part.get("arrivedBytes").asLong()).isEqualTo(128 << 10);
        JsonNode second = field.readBack(caller, instrument);
        assertThat(second.get("state").asString()).as(second.toString()).isEqualTo("DONE");
        assertThat(count("reading")).isEqualTo(readings + 4);
        assertThat(count("transfer")).isZero();
    }

    @Test
    void aCorruptTransferIsFoundAndStoresNothing() {
        loadAndWalk();
        long originals = count("original");
        field.faults(Map.of("corrupt", true));
        JsonNode job = field.readBack(caller, instrument);
        assertThat(job.get("state").asString()).isEqualTo("FAILED");
        assertThat(job.get("sentence").asString()).contains("its checksum does not match");
        assertThat(count("original")).isEqualTo(originals);
        assertThat(field.readBack(caller, instrument).get("state").asString()).isEqualTo("DONE");
    }

    @Test
    void whatTheInstrumentKeptOtherwiseThanItWasWrittenIsNotCalledLoaded() {
        field.faults(Map.of("damageWrite", true));
        JsonNode job = field.load(caller, instrument, route);
        assertThat(job.get("state").asString()).isEqualTo("FAILED");
        assertThat(job.get("sentence").asString())
                .contains("its checksum does not match")
                .doesNotContain("You can unplug");
        assertThat(caller.get("/api/routes/" + route).ok().get("loaded"))
                .as("nothing is noted as loaded")
                .isEmpty();
        assertThat(field.load(caller, instrument, route).get("state").asString())
                .isEqualTo("DONE");
    }

    @Test
    void aFullMemoryIsSaidBeforeAnythingIsLoaded() {
        field.faults(Map.of("memoryFull", true));
        JsonNode fit = caller.get("/api/instruments/" + instrument + "/fit?routeId=" + route)
                .ok();
        assertThat(fit.get("outcome").asString()).isNotEqualTo("WHOLE");
        JsonNode job = field.load(caller, instrument, route);
        assertThat(job.get("state").asString()).isEqualTo("FAILED");
        assertThat(job.get("sentence").asString())
                .contains("The route was not loaded")
                .contains("read back and free memory first");
    }

    @Test
    void onlyWhatIsStoredIsCleared() {
        loadAndWalk();
        String name = file("READINGS").get("name").asString();
        JsonNode left = caller.post(
                        "/api/instruments/" + instrument + "/clear",
                        Map.of("files", List.of(name, "RESULTS/W9999.zip")))
                .ok();
        assertThat(left.get("files").asInt()).isZero();
        assertThat(left.get("stays").get(0).get("why").asString()).contains("not stored here; read it back first");
        assertThat(left.get("stays").get(1).get("why").asString()).isEqualTo("it is no longer there");
        assertThat(file("READINGS").get("state").asString()).isEqualTo("NEW");
        field.readBack(caller, instrument);
        assertThat(caller.post("/api/instruments/" + instrument + "/clear", Map.of("files", List.of(name)))
                        .ok()
                        .get("files")
                        .asInt())
                .isEqualTo(1);
        assertThat(look().get("files")).hasSize(1);
    }

    @Test
    void aFileThatWasOnlyLookedIntoIsNewStill() {
        loadAndWalk();
        String name = file("READINGS").get("name").asString();
        caller.get("/api/instruments/" + instrument + "/inside?file=" + name).ok();
        assertThat(file("READINGS").get("state").asString()).isEqualTo("NEW");
        assertThat(file("READINGS").get("arrivedBytes").asLong()).isZero();
        assertThat(field.readBack(caller, instrument).get("sentence").asString())
                .startsWith("4 new readings");
    }

    @Test
    void aLooseReadingWaitsInTheTrayAndIsPlaced() {
        loadAndWalk();
        field.press("/api/loose", Map.of("assetTag", "P-102", "point", "Drive end"));
        JsonNode job = field.readBack(caller, instrument);
        assertThat(job.get("sentence").asString()).contains("1 of them loose");
        JsonNode visit = visit();
        JsonNode loose = visit.get("tray").get(0);
        assertThat(loose.get("label").asString()).isEqualTo("P-102 Drive end");
        assertThat(loose.get("value").asDouble())
                .as("the RMS leads, not the peak")
                .isBetween(1.2, 2.6);
        JsonNode proposal = loose.get("proposals").get(0);
        assertThat(proposal.get("reason").asString())
                .contains("P-102 typed on the instrument")
                .contains("the point typed");
        assertThat(proposal.get("certainty").asDouble()).isBetween(0.3, 1.0);
        String place = "/api/readings/" + loose.get("id").asString() + "/place";
        caller.post(place, Map.of("checkId", checks.get(3))).ok();
        JsonNode after = visit();
        assertThat(after.get("tray")).isEmpty();
        JsonNode trend = caller.get("/api/checks/" + checks.get(3) + "/trend").ok();
        assertThat(trend.get("points")).as("analysed again as acceleration").hasSize(2);
        assertThat(trend.get("unit").asString()).isEqualTo("m/s²");
        assertThat(caller.post("/api/readings/" + loose.get("id").asString() + "/discard", Map.of("reason", " "))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void onlyWhatIsChosenIsTakenAndTheRestJoinsTheSameVisit() {
        loadAndWalk();
        field.press("/api/loose", Map.of("assetTag", "P-102", "point", "Coupling"));
        String loose = file("LOOSE").get("name").asString();
        assertThat(field.readBack(caller, instrument, List.of(loose))
                        .get("sentence")
                        .asString())
                .startsWith("1 new reading, 1 of them loose.");
        assertThat(file("LOOSE").get("state").asString()).isEqualTo("STORED");
        assertThat(file("READINGS").get("state").asString()).isEqualTo("NEW");
        field.readBack(caller, instrument);
        JsonNode visit = visit();
        assertThat(visit.get("title").asString()).isEqualTo("Monthly walk");
        assertThat(visit.get("rows")).hasSize(4);
        assertThat(visit.get("tray")
                        .valueStream()
                        .map(reading -> reading.get("label").asString()))
                .contains("P-102 Coupling");
    }

    @Test
    void whatAnInstrumentTellsAnewIsInTheAuditTrail() throws SQLException {
        try (var db = rovek.database().connect();
                var statement = db.createStatement()) {
            statement.execute("UPDATE instrument SET firmware = '2.4.0'");
        }
        look();
        look();
        String trail = caller.get("/api/audit?subjectType=instrument&subjectId=" + instrument)
                .text();
        assertThat(trail.split("changed by what the instrument reported", -1))
                .as("once, not at every look")
                .hasSize(2);
    }

    @Test
    void anInstrumentHoldsTheRouteAsItWasAndItIsSaidWhatChangedSince() {
        field.load(caller, instrument, route);
        JsonNode before = caller.get("/api/routes/" + route).ok();
        JsonNode held = before.get("loaded")
                .valueStream()
                .filter(one -> one.get("instrumentId").asString().equals(instrument))
                .findFirst()
                .orElseThrow();
        assertThat(held.get("changes").asString()).isEmpty();
        caller.put(
                        "/api/routes/" + route,
                        Map.of(
                                "name",
                                "Monthly walk",
                                "checkIds",
                                checks.subList(0, 3),
                                "version",
                                before.get("version").asInt()))
                .ok();
        caller.put("/api/plant/nodes/" + checks.get(1) + "/settings", Map.of("lines", "3200"))
                .ok();
        JsonNode after = caller.get("/api/routes/" + route).ok();
        assertThat(after.get("revision").asInt())
                .isEqualTo(before.get("revision").asInt() + 1);
        JsonNode old = after.get("loaded")
                .valueStream()
                .filter(one -> one.get("instrumentId").asString().equals(instrument))
                .findFirst()
                .orElseThrow();
        assertThat(old.get("revision").asInt()).isEqualTo(before.get("revision").asInt());
        assertThat(old.get("changes").asString()).isEqualTo("1 stop removed, 1 stop changed");
        field.press("/api/walk-all", Map.of());
        field.readBack(caller, instrument);
        assertThat(visit().get("rows"))
                .as("read back against the old revision, every reading finds its check")
                .hasSize(4);
        assertThat(visit().get("tray")).isEmpty();
        JsonNode scheduled = caller.get("/api/schedule")
                .ok()
                .get("routes")
                .valueStream()
                .filter(one -> one.get("routeId").asString().equals(route))
                .findFirst()
                .orElseThrow();
        assertThat(scheduled.get("isMeasured").asBoolean())
                .as("walked now: its own times")
                .isTrue();
    }

    @Test
    void readingsOfACheckRemovedMeanwhileAreNotLost() {
        field.load(caller, instrument, route);
        new SmallPlant(caller).remove(checks.get(0)).ok();
        field.press("/api/walk-all", Map.of());
        JsonNode job = field.readBack(caller, instrument);
        assertThat(job.get("sentence").asString()).contains("4 new readings, 1 of them loose");
        assertThat(visit().get("tray").get(0).get("label").asString()).isEqualTo("stop 1 of Monthly walk");
    }

    @Test
    void twoPeopleAtOneInstrumentDoNotDisturbEachOther() {
        loadAndWalk();
        field.faults(Map.of("slowMillis", 300));
        JsonNode job = started();
        Caller.Answer second = lookAt();
        // Whichever comes first has the instrument; where that was the look, the job is begun once more.
        while (second.status() == 200) {
            job = caller.get("/api/jobs/" + job.get("id").asString())
                            .ok()
                            .get("state")
                            .asString()
                            .equals("RUNNING")
                    ? job
                    : started();
            second = lookAt();
        }
        assertThat(second.sentence())
                .isEqualTo("The instrument is in use: reading back by administrator. Wait until that has ended.");
        field.faults(Map.of());
        assertThat(caller.awaitJob(job).get("state").asString()).isEqualTo("DONE");
    }

    private JsonNode started() {
        return caller.post(
                        "/api/instruments/" + instrument + "/read-back",
                        Map.of("files", List.of(), "correctClock", true))
                .ok();
    }

    private Caller.Answer lookAt() {
        return caller.get("/api/instruments/" + instrument + "/connection");
    }

    @Test
    void anInstrumentThatIsOffIsSaidToBeOff() {
        field.close();
        Caller.Answer answer = caller.get("/api/instruments/" + instrument + "/connection");
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.sentence()).startsWith("No instrument answers at 127.0.0.1");
    }

    @Test
    void aWrongPassCodeIsSaid() {
        Caller.Answer answer = caller.post(
                "/api/connections", Map.of("host", "127.0.0.1", "port", field.instrumentPort(), "passCode", "1"));
        assertThat(answer.sentence()).contains("asks for its pass code");
    }
}
