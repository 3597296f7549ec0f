package rovek.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import rovek.fieldsim.Fieldsim;
import rovek.server.FieldDay;
import tools.jackson.databind.JsonNode;

/**
 * What goes along into the plant: the sensor, the picture of the machine, the order of the walk, the set-up of a
 * logger.
 */
class PlanningJourneyTest extends SignedInJourney {

    private Path photograph() {
        BufferedImage image = new BufferedImage(3_000, 2_000, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setColor(new Color(0x9fb3b5));
        pen.fillRect(0, 0, 3_000, 2_000);
        pen.dispose();
        Path file = files.resolve("pump from the door.jpg");
        try {
            ImageIO.write(image, "jpeg", file.toFile());
            return file;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void aSensorIsChosenAPictureMarkedAndBothGoAlongToTheInstrument() {
        keepingAPicture(() -> {
            List<String> checks = plant.pump("P-101");
            registerASensor();
            browser.room("Plant");
            browser.click(row("Well pump"));
            browser.see(By.xpath("//section//h2[.='Well pump']"));
            chooseTheSensor();
            markAPicture();
            planTheWalk(checks);
        });
    }

    private void registerASensor() {
        try (FieldDay handheld = new FieldDay(files.resolve("handheld"))) {
            handheld.connect(caller);
            browser.room("Instruments");
            browser.press("Add sensor");
            browser.fill("Tag", "ACC-7");
            browser.fill("Sensitivity", "98,7");
            Accessibility.check(browser, "a sensor");
            browser.click(inDialog("Save"));
            browser.see("98.7 mV/g");
        }
    }

    private void chooseTheSensor() {
        browser.click(By.xpath("//summary[.='Settings']"));
        browser.click(By.xpath("//select[@aria-label='Sensor']/option[.='ACC-7']"));
        browser.see("Changes how 4 checks are measured.");
        browser.press("Change setting");
        browser.see("of sensor ACC-7");
        browser.see("98.7 mV/g");
    }

    private void markAPicture() {
        browser.chooseFile("Choose picture", photograph());
        browser.see("pump from the door");
        browser.click(By.xpath("(//div[@role='dialog']//button[.='Mark'])[1]"));
        browser.click(By.xpath("//button[@aria-label='Mark the point here']"));
        browser.see(By.xpath("//button[starts-with(@aria-label, 'Drive end:')]"));
        Accessibility.check(browser, "a picture");
        browser.click(inDialog("Save"));
        browser.see(By.xpath("//button[starts-with(@aria-label, 'Open picture')]"));
    }

    private void planTheWalk(List<String> checks) {
        browser.room("Routes");
        browser.click(By.xpath("//label[contains(., 'Well pump')]/input"));
        browser.see(By.xpath("//input[@aria-label='Instruction 4']"));
        browser.click(By.xpath("//input[@aria-label='Instruction 4']"));
        browser.chord(Keys.ALT, Keys.ARROW_UP);
        browser.press("Shortest route");
        browser.see("You visit 1 asset, as now.");
        browser.click(inDialog("Cancel"));
        browser.press("Pictures for all stops");
        browser.see("2 stops show their picture now.");
        browser.fill("Name of the route", "Pump walk");
        browser.press("Save route");
        browser.see("Route saved.");
        JsonNode route = caller.get("/api/routes").ok().get(0);
        assertThat(route.get("stops")
                        .valueStream()
                        .map(stop -> stop.get("checkId").asString())
                        .toList())
                .containsExactly(checks.get(0), checks.get(1), checks.get(3), checks.get(2));
        try (FieldDay handheld = new FieldDay(files.resolve("handheld"))) {
            String instrument = handheld.connect(caller);
            handheld.load(caller, instrument, route.get("id").asString());
            browser.open(handheld.panelAddress());
            browser.see(By.xpath("//tr[contains(., 'Drive end')]//img"));
            browser.await(() -> (Boolean) browser.run(
                    "return [...document.querySelectorAll('td img')].every(one => one.naturalWidth === 640)"));
            browser.click(By.xpath("(//select[starts-with(@aria-label, 'Skip')])[1]/option[.='Not accessible']"));
            browser.see(By.xpath("//tr[contains(., 'skipped')]"));
        }
    }

    @Test
    void aSetUpIsWrittenLoadedAndChanged() {
        keepingAPicture(() -> {
            try (FieldDay logger = new FieldDay(Fieldsim.Kind.LOGGER, "", files.resolve("logger"))) {
                logger.connect(caller);
                browser.room("Routes");
                browser.press("New set-up");
                browser.fill("Name of the set-up", "Reservoir over night");
                browser.click(By.xpath("//select[@aria-label='Stops']/option[.='after a time']"));
                browser.fill("Stop after", "0");
                browser.fill("Name 1", "Reservoir level");
                browser.fill("Unit 1", "m");
                browser.press("Save set-up");
                browser.see("Stop after: enter a number from 0.1 to 527040 min, not \"0\".");
                browser.fill("Stop after", "600");
                Accessibility.check(browser, "a set-up");
                browser.press("Save set-up");
                browser.see("1 channel every 10 s, 3,601 samples in 10 h.");
                browser.click(By.xpath("//a[.='Load set-up']"));
                browser.see("Ready to load.");
                browser.click(inDialog("Load"));
                browser.see("Reservoir over night is on the instrument, revision 1, verified. You can unplug it.");
                browser.room("Routes");
                browser.click(By.xpath("//nav//button[contains(., 'Reservoir over night')]"));
                browser.see("Holds revision 1, the current one.");
                browser.fill("Interval", "60");
                browser.press("Save set-up");
                browser.see("Holds revision 1, an older one.");
                browser.click(By.xpath("//summary[.='Revisions']"));
                browser.see("Start from this revision");
            }
        });
    }
}
