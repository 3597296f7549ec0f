package rovek.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import rovek.fieldsim.Transmitter;
import tools.jackson.databind.JsonNode;

/** Readings that no handheld brings: written down by hand, taken from a foreign table, recorded live. */
class OtherWaysInJourneyTest extends SignedInJourney {

    private String point(String tag) {
        String client = plant.id(null, "CLIENT", "", "Client " + UUID.randomUUID());
        String area = plant.id(plant.id(client, "SITE", "", "Works"), "AREA", "", "Hall");
        return plant.id(plant.id(area, "ASSET", tag, "Compressor"), "POINT", "", "Panel");
    }

    private JsonNode trend(String check) {
        return caller.get("/api/checks/" + check + "/trend?result=").ok().get("points");
    }

    @Test
    void aRoundIsWrittenDownByHand() {
        keepingAPicture(() -> {
            String point = point("C-310");
            String pressure = plant.check(point, "gauge", "Pressure");
            String guard = plant.check(point, "question", "Yes or no");
            plant.route(List.of(pressure, guard, plant.check(point, "remark", "Remark")));
            browser.room("Routes");
            browser.see("All stops are entered by hand; no instrument is needed.");
            browser.press("Enter readings");
            browser.awaitFocus("Reading of C-310 Panel, Pressure");
            browser.keys("seven", Keys.ENTER, Keys.SPACE);
            browser.press("Save round");
            browser.see("C-310 Panel, Pressure: \"seven\" is not a number.");
            Accessibility.check(browser, "a round by hand");
            browser.fill("Reading of C-310 Panel, Pressure", "7,2");
            browser.press("Save round");
            browser.see("Readings saved.");
            browser.see("none, entered by hand");
            assertThat(trend(pressure).get(0).get("value").asDouble()).isEqualTo(7.2);
            assertThat(trend(guard).get(0).get("value").asDouble()).isEqualTo(1);
        });
    }

    @Test
    void aForeignTableIsUnderstoodOnItsOwnRows() {
        keepingAPicture(() -> {
            String pressure = plant.check(point("C-311"), "gauge", "Pressure");
            Path log = files.resolve("panel-log.csv");
            write(log, "Tag;When;Pressure [mbar]\nC-311;03/04/2026 06:00;7200,5\nC-311;04/04/2026 06:00;7300,0\n");
            browser.room("Visits");
            browser.chooseFile("Field package, or table as CSV", log);
            browser.see("“03/04/2026 06:00” can be read in more than one way.");
            browser.click(By.xpath("//select/option[.='day, month, year']"));
            browser.see("2 readings: 2 on their checks, 0 to the tray.");
            browser.fill("Model", "Panel logger");
            browser.fill("Serial number", "PL-4");
            Accessibility.check(browser, "a foreign table");
            browser.press("Import 2 readings");
            browser.see("2 new readings.");
            assertThat(trend(pressure).get(0).get("at").asString()).startsWith("2026-04-03T06:00");
            assertThat(trend(pressure).get(1).get("value").asDouble()).isEqualTo(7.3);
        });
    }

    @Test
    void aTransmitterIsWatchedAndRecorded() {
        keepingAPicture(() -> {
            try (Transmitter transmitter = Transmitter.start(0, Clock.systemUTC())) {
                browser.room("Routes");
                browser.press("New set-up");
                browser.click(By.xpath("//select/option[.='Modbus transmitter']"));
                browser.fill("Name of the set-up", "Booster outlet");
                browser.fill("Address", "127.0.0.1");
                browser.fill("Port", String.valueOf(transmitter.port()));
                browser.fill("Name 1", "Pressure");
                browser.fill("In 1", "bar");
                browser.press("Save set-up");
                browser.see("1 channel read live from 127.0.0.1 port " + transmitter.port());
                browser.press("Live values");
                browser.see("Booster outlet: 1 channel, live");
                browser.press("Limits");
                browser.fill("Min Pressure", "2");
                browser.fill("Max Pressure", "9");
                browser.press("Save");
                browser.see(By.xpath("//li[contains(., 'Pressure')]//*[.='Go']"));
                Accessibility.check(browser, "the live view");
                browser.fill("Name of the recording", "Start-up");
                browser.fill("Interval", "0,2");
                browser.press("Start recording");
                browser.see("Recording Start-up:");
                browser.fill("Marker text", "valve opened");
                browser.press("Add marker");
                browser.see("1 marker");
                browser.press("Large");
                browser.see(By.xpath("//*[@role='status'][@aria-label='Overall'][contains(., 'Go')]"));
                Accessibility.check(browser, "go or no-go, large");
                browser.keys(Keys.ESCAPE);
                browser.press("End recording");
                browser.see("Recording saved.");
                browser.see("1 loose reading is to be placed");
                browser.see("Start-up");
            }
        });
    }

    private static void write(Path file, String text) {
        try {
            Files.writeString(file, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
