package rovek.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import rovek.fieldsim.Fieldsim;
import rovek.server.FieldDay;

/**
 * Somebody wants to know more than the number: looks at the spectrum and at the run, lays another date beside, and
 * takes it along.
 */
class LookingCloselyJourneyTest extends SignedInJourney {

    private static final By PLOT = By.cssSelector(".u-over");

    private void open(String node) {
        browser.open(rovek.address() + "/plant?node=" + node);
    }

    private static By chosen(String label, String option) {
        return By.xpath("//label[starts-with(normalize-space(.), '" + label + "')]//select//option[normalize-space(.)='"
                + option + "']");
    }

    @Test
    void aSpectrumInAnotherQuantityBesideAnotherDateAsPictureAndNumbers() {
        keepingAPicture(() -> {
            String velocity = plant.pump("P-7").get(0);
            plant.alter(velocity, "setting.vibration.bandsHz", "", "running: 20..40")
                    .ok();
            try (FieldDay day = new FieldDay(files)) {
                String instrument = day.connect(caller);
                String route = plant.route(List.of(velocity));
                for (String at : List.of("2026-03-02T08:00:00Z", "2026-04-02T08:00:00Z")) {
                    day.press("/api/time", Map.of("at", at));
                    day.loadOnThatDay(caller, instrument, route);
                    day.press("/api/walk-all", Map.of());
                    // The stand-in really lives on those days: its clock is right.
                    day.readBackAsWritten(caller, instrument);
                }
            }
            open(velocity);
            browser.press("Spectrum");
            browser.see(By.xpath("//*[@role='figure'][@aria-label='Spectrum']"));
            browser.clickWithin(PLOT, 0.3, false);
            browser.see(By.xpath("//p/span/span[.='A']"));
            browser.click(chosen("Cursor", "harmonics"));
            browser.see(By.xpath("//p/span/span[.='2×']"));
            browser.click(chosen("Compare with", "2 Mar 2026"));
            browser.see("dotted line: 2 Mar 2026");
            browser.click(By.xpath("//summary[starts-with(normalize-space(.), 'Display settings')]"));
            browser.click(chosen("Quantity", "displacement"));
            browser.click(chosen("Averages", "4"));
            browser.see("Hann, mean of 4");
            browser.click(By.xpath("//summary[.='Peaks']"));
            browser.see("Value µm RMS");
            Accessibility.check(browser, "a spectrum beside another date");

            browser.focus(By.cssSelector("[role=slider]"));
            browser.keys("+", "+", Keys.ARROW_LEFT.toString());
            browser.see("visible range as");
            browser.press("SVG");
            String svg = text(browser.keptAs("Spectrum, 2 Apr 2026.svg"));
            assertThat(svg)
                    .startsWith("<svg")
                    .contains("dotted line: 2 Mar 2026")
                    .contains("µm RMS");
            assertThat(svg.length()).as("the lines themselves are in it").isGreaterThan(5_000);
            browser.press("PNG");
            assertThat(bytes(browser.keptAs("Spectrum, 2 Apr 2026.png"))).startsWith(0x89, 'P', 'N', 'G');
            browser.click(By.xpath("(//button[.='CSV'])[1]"));
            List<String> csv =
                    text(browser.keptAs("Spectrum, 2 Apr 2026.csv")).lines().toList();
            assertThat(csv.get(0))
                    .contains("Spectrum, µm RMS (2026-04-02), Hann, mean of 4")
                    .contains("(2026-03-02)");

            browser.press("Waterfall");
            browser.see(By.xpath(
                    "//*[@role='group'][@aria-label='Waterfall']//*[@role='button'][@aria-label='2 Mar 2026']"));
            browser.press("Waveform");
            browser.clickWithin(PLOT, 0.3, false);
            browser.clickWithin(PLOT, 0.6, true);
            browser.see("that is");
        });
    }

    @Test
    void aRunIsGivenLimitsRecalculatedAndLookedThrough() {
        keepingAPicture(() -> {
            String client = plant.id(null, "CLIENT", "", "Marrowdale Works");
            String check = plant.check(
                    plant.id(plant.id(client, "ASSET", "R-1", "Reservoir"), "POINT", "", "Logger"), "run", "Run");
            try (FieldDay day = new FieldDay(Fieldsim.Kind.LOGGER, "77012", files)) {
                String instrument = day.connect(caller);
                day.press(
                        "/api/loose",
                        Map.of("technique", "run", "assetTag", "R-1", "point", "Logger", "unnamed", true));
                day.readBack(caller, instrument);
                String visit = caller.get("/api/visits").ok().get(0).get("id").asString();
                String run = caller.get("/api/visits/" + visit)
                        .ok()
                        .get("tray")
                        .get(0)
                        .get("id")
                        .asString();
                caller.post("/api/readings/" + run + "/place", Map.of("checkId", check))
                        .ok();
            }
            open(check);
            browser.see("no channel has limits");
            browser.see(By.xpath("//*[@role='figure'][@aria-label='Run: channel 1']"));
            Accessibility.check(browser, "a run");
            browser.click(By.xpath("//summary[.='Settings']"));
            browser.fill("Channels stay within", "channel 2 ..20");
            browser.keys(Keys.ENTER);
            browser.see("is not a range with a name");
            browser.fill("Channels stay within", "channel 2: ..20");
            browser.keys(Keys.ENTER);
            browser.see("1 reading was calculated with earlier settings.");
            browser.press("Recalculate");
            browser.see("1 reading recalculated.");
            browser.see("min outside");
            browser.press("Run");
            browser.see(By.xpath("//tr[contains(., 'channel 2')][contains(., '≤ 20.0')][contains(., '%')]"));
            browser.clickWithin(PLOT, 0.2, false);
            browser.clickWithin(PLOT, 0.5, true);
            browser.see("B − A 7:1");
            browser.click(By.cssSelector("input[aria-label='Show channel 1']"));
            browser.await(() -> browser.texts(By.cssSelector(".uplot")).size() == 1);
            browser.click(By.xpath("//button[contains(., 'pump changed over')]"));
            browser.see("Of the visible range. The mean is weighted by time; gaps do not count.");
            browser.click(By.xpath("(//button[.='XLSX'])[2]"));
            assertThat(bytes(browser.keptAs(".xlsx"))).startsWith('P', 'K');
        });
    }

    private static String text(Path file) {
        return new String(bytes(file), StandardCharsets.UTF_8);
    }

    private static byte[] bytes(Path file) {
        try {
            return Files.readAllBytes(file);
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
