package rovek.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import rovek.server.FieldDay;

/**
 * A pump that has been getting worse for a year: which one, until when, why, and what is to be done about its limits.
 */
class FollowingJourneyTest extends SignedInJourney {

    private static final int MONTHS = 12;

    /** A year of monthly walks past one point whose coupling goes out of line. */
    private String aYear() {
        List<String> checks = plant.pump("B-201");
        String velocity = checks.get(0);
        String asset = plant.rows().stream()
                .map(row -> row.get("node"))
                .filter(node -> node.get("tag").asString().equals("B-201"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        plant.alter(asset, "nameplate.speedRpm", "", "2950").ok();
        caller.limit(velocity, "vibration", "velocity.rms", 3.5, 7.1).ok();
        try (FieldDay day = new FieldDay(files)) {
            String instrument = day.connect(caller);
            String route = plant.route(List.of(velocity));
            Instant newest = Instant.now().truncatedTo(ChronoUnit.DAYS).minus(Duration.ofHours(12));
            for (int back = MONTHS; back >= 0; back--) {
                day.press(
                        "/api/time",
                        Map.of("at", newest.minus(Duration.ofDays(30L * back)).toString()));
                day.loadOnThatDay(caller, instrument, route);
                day.press("/api/walk-all", Map.of());
                // The stand-in really lives on those days: its clock is right.
                day.readBackAsWritten(caller, instrument);
            }
        }
        return velocity;
    }

    /** The plot is made again for it. */
    private void assertZoomingMovesNoPage() {
        By strip = By.xpath("//*[@role='slider'][@aria-label='Whole trend and visible range']");
        browser.run("arguments[0].scrollIntoView({block: 'start'})", browser.see(strip));
        browser.focus(strip);
        double before = browser.scrolled(strip);
        assertThat(before).as("scrolled down").isPositive();
        browser.keys("+", Keys.ARROW_LEFT);
        browser.await(() -> !"50".equals(browser.see(strip).getDomAttribute("aria-valuenow")));
        browser.see("Rising by");
        assertThat(browser.scrolled(strip)).isEqualTo(before);
        browser.keys("0");
    }

    @Test
    void whichGotWorseWhenItReachesItsLimitAndWhy() {
        keepingAPicture(() -> {
            String velocity = aYear();
            Instant began = Instant.now();
            browser.open(rovek.address());
            browser.see("1 is worse than last time");
            browser.click(By.xpath("//tr[contains(., 'B-201')]//a[.='Open']"));
            browser.see("Drive end Velocity 10–1000 Hz");
            browser.see("Rising by");
            browser.see("Reaches fail at 7.10 about");
            assertZoomingMovesNoPage();
            browser.see("typical of misalignment");
            browser.press("Show in plot");
            browser.see(By.xpath("//button[@aria-pressed='true'][.='Spectrum']"));
            browser.see(By.xpath("//*[@role='figure'][@aria-label='Spectrum']"));
            assertThat(Duration.between(began, Instant.now()))
                    .as("found in under a minute")
                    .isLessThan(Duration.ofMinutes(1));
            browser.press("Trend");
            Accessibility.check(browser, "a trend that leads to its limit");

            browser.press("Override verdict");
            browser.fill("Reason", "Measured while the valve was throttled");
            browser.click(inDialog("Save verdict"));
            browser.see("Your verdict is saved.");
            browser.see("by a person");
            assertThat(plant.standing(velocity).get("worst").asString()).isEqualTo("PASS");

            browser.press("Add event");
            browser.fill("Description", "Coupling aligned");
            browser.click(inDialog("Save event"));
            browser.see("Event saved.");
            browser.see("Coupling aligned");

            browser.click(By.xpath("//section[@aria-label='Now']//tr[contains(., 'Velocity')][contains(., 'Drive end')]"
                    + "//button[contains(., '/ 7.10')]"));
            browser.see("Limits of Drive end, Velocity 10–1000 Hz");
            browser.fill("Fail", "5");
            browser.see("Effect on the history");
            browser.see("of 13 readings on 1 check");
            Accessibility.check(browser, "limits on the history");
            browser.click(inDialog("Set limit"));
            browser.see("Limit saved.");
            browser.keys(Keys.ESCAPE);
            assertThat(caller.get("/api/nodes/" + velocity + "/limits")
                            .ok()
                            .get(0)
                            .get("revisions"))
                    .hasSize(2);
            assertThat(caller.get("/api/checks/" + velocity + "/trend").ok().get("lines"))
                    .hasSize(2);
        });
    }
}
