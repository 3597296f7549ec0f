package rovek.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import rovek.server.FieldDay;

/** Ten readings that no stop asked for, and a file that comes by hand: all of it finds its place. */
class TrayJourneyTest extends SignedInJourney {

    private static final By LOOSE = By.xpath("//button[@data-loose]");

    @Test
    void tenLooseReadingsFindTheirPlaceAndAFileIsNoNews() {
        keepingAPicture(() -> {
            try (FieldDay handheld = new FieldDay(files.resolve("handheld"))) {
                String instrument = handheld.connect(caller);
                for (int pump = 1; pump <= 4; pump++) {
                    plant.pump("P-20" + pump);
                    handheld.press("/api/loose", Map.of("assetTag", "P-20" + pump, "point", "Drive end"));
                    handheld.press("/api/loose", Map.of("assetTag", "P-20" + pump, "point", "Non-drive end"));
                }
                handheld.press("/api/loose", Map.of("assetTag", "P-201", "point", ""));
                handheld.press("/api/loose", Map.of("assetTag", "", "point", "behind the door"));
                handheld.readBack(caller, instrument);
                placeThem();
                takeTheFile(instrument);
            }
        });
    }

    private void placeThem() {
        browser.room("Visits");
        browser.click(By.xpath("//tr[contains(., 'Loose readings')]//a"));
        browser.seeRows(LOOSE, 10);
        Accessibility.check(browser, "a visit with loose readings");
        browser.press("Place 8 with at least 80 % match");
        browser.seeRows(LOOSE, 2);
        browser.press("Undo");
        browser.seeRows(LOOSE, 10);
        browser.press("Place 8 with at least 80 % match");
        browser.seeRows(LOOSE, 2);
        browser.click(By.xpath("//button[@data-loose][starts-with(., 'P-201')]"));
        browser.keys(Keys.ENTER);
        browser.seeRows(LOOSE, 1);
        browser.click(LOOSE);
        browser.keys("d");
        browser.fill("Reason for discarding", "wrong machine");
        browser.click(inDialog("Discard"));
        browser.see("All readings are placed.");
    }

    private void takeTheFile(String instrument) {
        String original = caller.get("/api/instruments/" + instrument + "/originals")
                .ok()
                .get(0)
                .get("id")
                .asString();
        Path file = files.resolve("memory.zip");
        try {
            Files.write(file, caller.get("/api/originals/" + original + "/file").bytes());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        browser.room("Instruments");
        browser.see("Import file");
        browser.chooseFile("Field package, or table as CSV", file);
        browser.see("0 new readings, 10 already stored. The originals are kept and verified.");
        browser.click(inDialog("Close"));
        browser.click(By.xpath("//summary[starts-with(., 'Originals')]"));
        browser.press("Import again");
        browser.see("0 new readings, 10 already stored.");
        assertThat(List.of(caller.get("/api/visits").ok().get(0).get("readings").asInt()))
                .containsExactly(10);
    }
}
