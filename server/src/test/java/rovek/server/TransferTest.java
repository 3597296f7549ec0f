package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Loading and reading back over a real socket with a real stand-in, as things go well. */
@ExtendWith(OneRovek.class)
class TransferTest extends WalkedTransfer {

    TransferTest(RunningRovek rovek) {
        super(rovek);
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
}
