package rovek.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import rovek.server.FieldDay;
import tools.jackson.databind.JsonNode;

/**
 * What was filed under the wrong client, or dated by a clock that had been reset, is put right by the person who finds
 * it.
 */
class CorrectionJourneyTest extends SignedInJourney {

    private static final String TAG = "P-301";

    private List<String> wrong;
    private List<String> right;

    private void walkAtTheWrongClient(FieldDay handheld, String instrument) {
        wrong = plant.pump(TAG);
        right = plant.pumpOf("Lower Fell Depot", TAG);
        handheld.loadOnThatDay(caller, instrument, plant.route(wrong));
        handheld.press("/api/walk-all", Map.of());
    }

    private JsonNode sheet() {
        return caller.get("/api/visits/"
                        + caller.get("/api/visits").ok().get(0).get("id").asString())
                .ok();
    }

    private List<String> checks() {
        return sheet().get("rows")
                .valueStream()
                .map(row -> row.get("checkId").asString())
                .toList();
    }

    private void openTheVisit() {
        browser.room("Visits");
        browser.click(By.xpath("//tr[contains(., 'Monthly walk')]//a"));
        browser.see("Whole visit:");
    }

    @Test
    void wrongClient() {
        keepingAPicture(() -> {
            try (FieldDay handheld = new FieldDay(files.resolve("handheld"))) {
                String instrument = handheld.connect(caller);
                walkAtTheWrongClient(handheld, instrument);
                handheld.readBack(caller, instrument);
                openTheVisit();
                Accessibility.check(browser, "a visit that can be corrected");
                browser.press("Move to another place");
                browser.fill("Client, site or asset", "Lower Fell");
                browser.click(By.xpath("//div[@role='dialog']//li//button[contains(., 'Lower Fell Depot')]"));
                browser.see(By.xpath("//div[@role='dialog']//td[starts-with(., '" + TAG + " Drive end')]"));
                Accessibility.check(browser, "moving a visit");
                browser.press("Move 4 readings");
                browser.see("4 readings moved to Lower Fell Depot.");
                browser.await(() -> checks().equals(right));
                browser.see("Lower Fell Depot");
                browser.press("Undo");
                browser.see("Correction undone.");
                browser.await(() -> checks().equals(wrong));
            }
        });
    }

    @Test
    void wrongClock() {
        keepingAPicture(() -> {
            try (FieldDay handheld = new FieldDay(files.resolve("handheld"))) {
                String instrument = handheld.connect(caller);
                Instant birth = Instant.parse("2000-01-01T06:00:00Z");
                handheld.press(
                        "/api/clock-error",
                        Map.of("seconds", Duration.between(Instant.now(), birth).toSeconds()));
                walkAtTheWrongClient(handheld, instrument);
                // The battery was changed once more: what the clock says now tells nothing of what it said then.
                caller.awaitJob(caller.post(
                                "/api/instruments/" + instrument + "/read-back",
                                Map.of("files", List.of(), "correctClock", false))
                        .ok());
                openTheVisit();
                browser.see("before the instrument was last calibrated: its clock was probably reset.");
                browser.press("Correct times");
                LocalDateTime truly = LocalDateTime.now().minusHours(2).truncatedTo(ChronoUnit.SECONDS);
                browser.fillAsIs("True time", truly.toString());
                Accessibility.check(browser, "saying when a reading was taken");
                browser.press("Shift all times");
                browser.see("Times of the visit corrected.");
                browser.await(
                        () -> Instant.parse(sheet().get("newest").get("takenAt").asString())
                                .equals(truly.atZone(ZoneId.systemDefault()).toInstant()));
                assertThat(sheet().get("clockDoubt").asString()).isEmpty();
                browser.see("Use instrument times");
                browser.press("Undo");
                browser.see("its clock was probably reset.");
            }
        });
    }
}
