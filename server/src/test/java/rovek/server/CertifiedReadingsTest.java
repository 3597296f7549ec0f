package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Year;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import rovek.fieldsim.Fieldsim;
import tools.jackson.databind.JsonNode;

/**
 * A report says all that was chosen, with what was used and its calibration then, prints what was seen, and says what
 * became of its readings.
 */
@ExtendWith(SharedRovek.class)
class CertifiedReadingsTest {

    @TempDir
    Path folder;

    private final RunningRovek rovek;
    private final Caller caller;
    private final SmallPlant plant;
    private final JdbcClient db;
    private final String tag = "P-" + UUID.randomUUID().toString().substring(0, 4) + "-A/1";
    private List<String> checks;

    CertifiedReadingsTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
        this.db = rovek.bean(JdbcClient.class);
    }

    @BeforeEach
    void plan() {
        checks = plant.pump(tag);
    }

    /** A walk that measured the first stop and skipped the second, read back. */
    private String visit(String serial) {
        try (FieldDay field = new FieldDay(Fieldsim.Kind.VIBRATION, serial, folder.resolve(serial))) {
            String instrument = field.connect(caller);
            field.load(caller, instrument, plant.route(checks));
            field.press("/api/stops/" + checks.get(0) + "/measure", Map.of());
            field.press("/api/stops/" + checks.get(1) + "/skip", Map.of("note", "guard in the way"));
            field.readBack(caller, instrument);
            return caller.get("/api/visits")
                    .ok()
                    .valueStream()
                    .map(line -> line.get("id").asString())
                    .filter(id -> caller.get("/api/visits/" + id)
                            .ok()
                            .get("instrument")
                            .get("id")
                            .asString()
                            .equals(instrument))
                    .findFirst()
                    .orElseThrow();
        }
    }

    private String prepared(String visit, List<String> chosen) {
        return caller.post("/api/certificates", Map.of("visitId", visit, "checkIds", chosen))
                .ok()
                .get("id")
                .asString();
    }

    private JsonNode preview(String id) {
        return caller.get("/api/certificates/" + id + "/preview").ok();
    }

    private Caller.Answer sign(String id, String digest) {
        return caller.post(
                "/api/certificates/" + id + "/sign", Map.of("password", RunningRovek.PASSWORD, "digest", digest));
    }

    private String issued(String visit, List<String> chosen) {
        String id = prepared(visit, chosen);
        sign(id, preview(id).get("digest").asString()).ok();
        return id;
    }

    private List<String> lines(String id) throws IOException {
        try (var document =
                Loader.loadPDF(caller.get("/api/certificates/" + id + "/pdf").bytes())) {
            return new PDFTextStripper()
                    .getText(document)
                    .lines()
                    .map(String::strip)
                    .toList();
        }
    }

    private JsonNode line(String id) {
        return caller.get("/api/certificates")
                .ok()
                .valueStream()
                .filter(line -> line.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private String reading(String visit) {
        return caller.get("/api/visits/" + visit)
                .ok()
                .get("rows")
                .get(0)
                .get("readingId")
                .asString();
    }

    @Test
    void everyChosenResultStandsOnItAlsoWithoutANumber() {
        for (String result : List.of("velocity.rms", "velocity.peak", "acceleration.rms")) {
            caller.limit(checks.get(2), "vibration", result, null, 5.0);
        }
        String visit = visit("7001");
        long limited = caller.get("/api/visits/" + visit).ok().get("rows").size();
        assertThat(limited).isEqualTo(4);
        String html =
                preview(prepared(visit, List.of(checks.get(2)))).get("html").asString();
        assertThat(html)
                .contains("2 results: 0 fail, 0 watch, 0 pass, 2 not judged.")
                .contains("velocity RMS: not measured")
                .contains("velocity peak: not measured");
    }

    @Test
    void aChosenCheckThatIsGoneKeepsItFromBeingSigned() {
        String visit = visit("7002");
        String id = prepared(visit, List.of(checks.get(0), checks.get(1)));
        caller.post("/api/plant/remove", Map.of("ids", List.of(checks.get(1)))).ok();
        assertThat(preview(id).get("missing").get(0).asString())
                .startsWith("1 of the chosen checks is no longer in the visit.");
        assertThat(sign(id, preview(id).get("digest").asString()).sentence()).contains("Nothing was signed.");
    }

    @Test
    void whatIsPrintedIsWhatWasSeenThoughALimitChangesWhileItWaitsForItsNumber() throws Exception {
        caller.limit(checks.get(0), "vibration", "velocity.rms", null, 0.123).ok();
        String visit = visit("7003");
        String id = prepared(visit, List.of(checks.get(0)));
        String digest = preview(id).get("digest").asString();
        CompletableFuture<Caller.Answer> signing;
        try (Connection other = rovek.database().connect();
                var sql = other.createStatement()) {
            other.setAutoCommit(false);
            sql.execute(
                    "INSERT INTO certificate_number VALUES (%d, 0) ON CONFLICT (year) DO UPDATE SET last = certificate_number.last"
                            .formatted(Year.now(ZoneOffset.UTC).getValue()));
            signing = CompletableFuture.supplyAsync(() -> sign(id, digest));
            awaitSomebodyWaiting();
            caller.limit(checks.get(0), "vibration", "velocity.rms", null, 99.0).ok();
            other.commit();
        }
        signing.get().ok();
        assertThat(String.join(" ", lines(id)))
                .contains("above 0.123")
                .doesNotContain("99.0")
                .contains("1 fail");
    }

    private void awaitSomebodyWaiting() throws InterruptedException, SQLException {
        for (int i = 0; i < 200; i++) {
            if (db.sql("SELECT count(*) FROM pg_stat_activity WHERE datname = current_database() "
                                    + "AND wait_event_type = 'Lock' AND query LIKE '%certificate_number%'")
                            .query(Integer.class)
                            .single()
                    > 0) {
                return;
            }
            Thread.sleep(25);
        }
        throw new AssertionError("nobody waits for a number");
    }

    @Test
    void calibrationsAreThoseOfTheDayOfTheMeasurementSensorsToo() {
        String sensor = UUID.randomUUID().toString();
        Map<String, Object> draft = new HashMap<>(Map.of(
                "tag",
                "ACC-" + tag.substring(2, 6),
                "technique",
                "vibration",
                "serial",
                "SN 12-3",
                "sensitivity",
                100,
                "rangeLow",
                -50,
                "rangeHigh",
                50,
                "calibratedOn",
                "2025-03-14",
                "calibrationMonths",
                12,
                "retired",
                false,
                "version",
                0));
        int version =
                caller.put("/api/sensors/" + sensor, draft).ok().get("version").asInt();
        String point = plant.row(checks.get(0)).get("node").get("parentId").asString();
        caller.put("/api/plant/nodes/" + point + "/settings", Map.of("sensor", draft.get("tag")))
                .ok();
        String here = visit("7004");
        List<String> own = checks;
        checks = plant.pump(tag + "b");
        String there = visit("7005");
        db.sql("UPDATE visit SET began_at = '2025-06-01T08:00:00Z' WHERE id = ?::uuid")
                .param(here)
                .update();
        db.sql(
                        "UPDATE reading SET calibrated_on = '2025-01-05', calibrated_until = '2026-01-05' WHERE visit_id = ?::uuid")
                .param(there)
                .update();
        draft.put("calibratedOn", "2026-05-01");
        draft.put("version", version);
        caller.put("/api/sensors/" + sensor, draft).ok();

        String moved = reading(there);
        caller.post("/api/visits/" + there + "/move-readings", Map.of("readingIds", List.of(moved), "visitId", here))
                .ok();
        String html = preview(prepared(here, List.of(own.get(0), checks.get(0))))
                .get("html")
                .asString();
        assertThat(html)
                .contains("Fieldsim VH-2, serial number 7005, calibrated on 2025-01-05, due again on 2026-01-05");
        assertThat(html).contains("Fieldsim VH-2, serial number 7004, calibrated on");
        assertThat(html)
                .contains(
                        draft.get("tag") + ", serial number SN 12-3, calibrated on 2025-03-14, due again on 2026-03-14")
                .doesNotContain("2026-05-01");
    }

    @Test
    void aLaterCalibrationDoesNotReachBack() {
        String visit = visit("7008");
        String until =
                caller.get("/api/visits/" + visit).ok().get("calibratedUntil").asString();
        db.sql(
                        "UPDATE instrument SET calibrated_on = '2026-11-01', calibrated_until = '2031-01-01' WHERE serial = '7008'")
                .update();
        assertThat(caller.get("/api/visits/" + visit)
                        .ok()
                        .get("calibratedUntil")
                        .asString())
                .isEqualTo(until);
        assertThat(preview(prepared(visit, List.of(checks.get(0)))).get("html").asString())
                .contains("due again on " + until)
                .doesNotContain("2031-01-01");
        assertThat(preview(prepared(visit, List.of(checks.get(3)))).get("html").asString())
                .as("nothing measured: the visit's own")
                .contains("due again on " + until)
                .doesNotContain("2031-01-01");
    }

    /** An instrument that tells no calibration: what is missing for the report is entered after the walk. */
    @Test
    void aCalibrationThatIsEnteredAfterwardsStandsOnTheReport() {
        String visit = visit("7009");
        db.sql("UPDATE reading SET calibrated_on = NULL, calibrated_until = NULL WHERE visit_id = ?::uuid")
                .param(visit)
                .update();
        db.sql("UPDATE instrument SET calibrated_on = NULL, calibrated_until = NULL WHERE serial = '7009'")
                .update();
        String report = prepared(visit, List.of(checks.get(0)));
        assertThat(preview(report).get("missing").get(0).asString()).contains("serial number 7009 is not known");
        String instrument = caller.get("/api/visits/" + visit)
                .ok()
                .get("instrument")
                .get("id")
                .asString();
        caller.put(
                        "/api/instruments/" + instrument + "/calibration",
                        Map.of("calibratedOn", "2026-02-03", "months", 24))
                .ok();
        assertThat(preview(report).get("missing")).isEmpty();
        assertThat(preview(report).get("html").asString())
                .contains("serial number 7009, calibrated on 2026-02-03, due again on 2028-02-03");
    }

    @Test
    void aReportSaysWhatBecameOfItsReadingsSince() {
        String visit = visit("7006");
        String reading = reading(visit);
        String id = issued(visit, List.of(checks.get(0), checks.get(1)));
        String number = line(id).get("number").asString();
        assertThat(line(id).get("changedSince")).isEmpty();
        assertThat(caller.get("/api/certificates/of-visit/" + visit)
                        .ok()
                        .get(0)
                        .get("number")
                        .asString())
                .isEqualTo(number);
        assertThat(caller.get("/api/certificates/of-visit/" + visit)
                        .ok()
                        .get(0)
                        .get("readingId")
                        .asString())
                .isEqualTo(reading);

        String discarded = caller.post("/api/readings/" + reading + "/discard", Map.of("reason", "cable off"))
                .ok()
                .get("id")
                .asString();
        String place = tag + " Drive end, Velocity 10–1000 Hz";
        assertThat(line(id).get("changedSince").get(0).asString())
                .isEqualTo(place + ": the reading was discarded since: cable off.");
        caller.post("/api/corrections/" + discarded + "/undo", null).ok();
        assertThat(line(id).get("changedSince")).isEmpty();
        caller.post("/api/readings/" + reading + "/place", Map.of("checkId", checks.get(2)))
                .ok();
        assertThat(line(id).get("changedSince").get(0).asString())
                .isEqualTo(place + ": the reading was moved since to " + tag + " Non-drive end, Velocity 10–1000 Hz.");
        caller.post("/api/certificates/" + id + "/withdraw", Map.of("reason", "wrong machine"))
                .ok();
        assertThat(caller.get("/api/certificates/of-visit/" + visit).ok())
                .as("it is in force no more")
                .isEmpty();
    }

    @Test
    void noWordOfItIsBrokenAtItsHyphenOrSlash() throws IOException {
        caller.limit(checks.get(0), "vibration", "velocity.rms", 0.123456, 0.1234567)
                .ok();
        String visit = visit("7007");
        assertThat(lines(issued(visit, checks))).isNotEmpty().noneMatch(line -> line.matches(".*\\S[-/–]"));
    }
}
