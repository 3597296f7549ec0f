package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/**
 * What is known of an instrument beside its readings: its calibration and papers, its firmware, what lies in its
 * memory.
 */
@ExtendWith(OneRovek.class)
class RegisterTest extends ConnectedHandheld {

    private static final byte[] PDF = "%PDF-1.4 calibrated".getBytes(StandardCharsets.ISO_8859_1);

    RegisterTest(RunningRovek rovek) {
        super(rovek);
    }

    private JsonNode view() {
        return caller.get("/api/instruments")
                .ok()
                .valueStream()
                .filter(one -> one.get("id").asString().equals(instrument))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatIsWrittenDownOfACalibrationCountsWhereTheInstrumentDoesNotTell() {
        assertThat(view().get("tellsCalibration").asBoolean()).isTrue();
        String told = view().get("calibratedUntil").asString();
        String path = "/api/instruments/" + instrument + "/calibration";
        assertThat(caller.put(path, Map.of("calibratedOn", "2026-01-10", "months", 12))
                        .ok()
                        .get("calibratedUntil")
                        .asString())
                .isEqualTo(told);
        rovek.bean(JdbcClient.class)
                .sql("UPDATE instrument SET calibrated_on = NULL, calibrated_until = NULL WHERE id = ?")
                .param(UUID.fromString(instrument))
                .update();
        assertThat(view().get("calibratedUntil").asString()).isEqualTo("2027-01-10");
        assertThat(caller.put(path, Map.of("months", 0)).sentence()).contains("1 to 240 months");
        assertThat(caller.put(path, Map.of("calibratedOn", "2099-01-01")).sentence())
                .contains("lies in the past");
    }

    @Test
    void papersAreKeptAsTheyAre() {
        String path = "/api/instruments/" + instrument + "/papers";
        assertThat(caller.sendFile(path, "note.txt", "hello".getBytes(StandardCharsets.UTF_8))
                        .sentence())
                .contains("PDF, PNG or JPEG");
        JsonNode kept =
                caller.sendFile(path, "C:\\certs\\VH-2 2026.pdf", PDF).ok().get(0);
        assertThat(kept.get("fileName").asString()).isEqualTo("VH-2 2026.pdf");
        assertThat(caller.get("/api/papers/" + kept.get("id").asString() + "/file")
                        .bytes())
                .isEqualTo(PDF);
        assertThat(caller.sendFile("/api/sensors/" + UUID.randomUUID() + "/papers", "x.pdf", PDF)
                        .status())
                .isEqualTo(404);
        assertThat(caller.get(path).ok()).hasSize(1);
    }

    @Test
    void anOverdueCalibrationIsWarnedOfAndRefusedWhereTheHouseWantsItSo() {
        List<String> checks = plant.pump("P-" + UUID.randomUUID().toString().substring(0, 6));
        checks.forEach(check -> caller.limit(
                        check,
                        "vibration",
                        checks.indexOf(check) % 2 == 0 ? "velocity.rms" : "acceleration.rms",
                        null,
                        50.0)
                .ok());
        field.load(caller, instrument, plant.route(checks));
        field.press("/api/walk-all", Map.of());
        field.readBack(caller, instrument);
        String visit = caller.get("/api/visits").ok().get(0).get("id").asString();
        rovek.bean(JdbcClient.class)
                .sql(
                        "UPDATE reading SET calibrated_on = '2024-01-01', calibrated_until = '2025-01-01' WHERE visit_id = ?")
                .param(UUID.fromString(visit))
                .update();
        String certificate = caller.post("/api/certificates", Map.of("visitId", visit, "checkIds", checks))
                .ok()
                .get("id")
                .asString();
        String ranOut = "had expired on the day of the visit";
        JsonNode refused =
                caller.get("/api/certificates/" + certificate + "/preview").ok();
        assertThat(refused.get("missing").get(0).asString()).contains(ranOut);
        Map<String, Object> signature = Map.of(
                "password",
                RunningRovek.PASSWORD,
                "digest",
                refused.get("digest").asString());
        assertThat(caller.post("/api/certificates/" + certificate + "/sign", signature)
                        .sentence())
                .contains("Nothing was signed.")
                .contains(ranOut);
        caller.put("/api/policies", Map.of("refuseOverdue", false, "fileNeedsSecond", true))
                .ok();
        JsonNode warned =
                caller.get("/api/certificates/" + certificate + "/preview").ok();
        assertThat(warned.get("missing")).isEmpty();
        assertThat(warned.get("warnings").get(0).asString()).contains(ranOut);
        caller.post("/api/certificates/" + certificate + "/sign", signature).ok();
        caller.put("/api/policies", Map.of("refuseOverdue", true, "fileNeedsSecond", true))
                .ok();
    }

    @Test
    void aLookInsideShowsReadingsAndTakesNothing() {
        List<String> checks = plant.pump("P-" + UUID.randomUUID().toString().substring(0, 6));
        field.load(caller, instrument, plant.route(checks));
        field.press("/api/walk-all", Map.of());
        field.press("/api/loose", Map.of("assetTag", "P-7", "point", "Coupling"));
        Map<String, JsonNode> inside = new HashMap<>();
        caller.get("/api/instruments/" + instrument + "/connection")
                .ok()
                .get("files")
                .valueStream()
                .filter(file -> !file.get("state").asString().equals("LOADED"))
                .forEach(file -> inside.put(
                        file.get("kind").asString(),
                        caller.get("/api/instruments/" + instrument + "/inside?file="
                                        + file.get("name").asString())
                                .ok()));
        assertThat(inside.get("READINGS").get("walk").asString()).isEqualTo("Monthly walk");
        JsonNode first = inside.get("READINGS").get("readings").get(0);
        assertThat(first.get("place").asString()).endsWith("Drive end");
        assertThat(first.get("value").asDouble()).isPositive();
        assertThat(first.get("isStored").asBoolean()).isFalse();
        assertThat(inside.get("LOOSE").get("readings").get(0).get("place").asString())
                .isEqualTo("P-7 Coupling");
        assertThat(caller.get("/api/instruments/" + instrument + "/originals").ok())
                .isEmpty();
        field.readBack(caller, instrument);
        assertThat(caller.get("/api/instruments/" + instrument + "/inside?file=RESULTS/LOOSE.zip")
                        .ok()
                        .get("readings")
                        .get(0)
                        .get("isStored")
                        .asBoolean())
                .isTrue();
        assertThat(caller.get("/api/instruments/" + instrument + "/inside?file=RESULTS/W9999.zip")
                        .sentence())
                .contains("no longer holds");
    }
}
