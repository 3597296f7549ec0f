package rovek.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import rovek.server.Caller;
import rovek.server.FieldDay;
import rovek.server.RunningRovek;
import rovek.server.SmallPlant;

/** What a person sees when the link breaks, the role does not allow it, or somebody else was faster. */
class WhenThingsGoWrongJourneyTest {

    @TempDir
    Path memory;

    private RunningRovek rovek;
    private FieldDay field;
    private Browser browser;
    private Caller administrator;
    private List<String> checks;

    @BeforeEach
    void open() {
        rovek = RunningRovek.start();
        field = new FieldDay(memory);
        browser = new Browser();
        administrator = Caller.signedIn(rovek);
        SmallPlant plant = new SmallPlant(administrator);
        checks = plant.pump("P-102");
        String instrument = field.connect(administrator);
        field.load(administrator, instrument, plant.route(checks));
    }

    @AfterEach
    void close() {
        browser.close();
        field.close();
        rovek.close();
    }

    private void signIn(String name) {
        browser.open(rovek.address());
        browser.fill("Name", name);
        browser.fill("Password", RunningRovek.PASSWORD);
        browser.press("Sign in");
        browser.see(By.xpath("//nav[@aria-label='Rooms']"));
    }

    private void addPerson(String name, String role) {
        administrator
                .post(
                        "/api/accounts",
                        Map.of(
                                "name",
                                name,
                                "displayName",
                                "Test " + role,
                                "role",
                                role,
                                "password",
                                RunningRovek.PASSWORD))
                .ok();
    }

    private void keepingAPicture(Runnable journey) {
        try {
            journey.run();
        } catch (RuntimeException | AssertionError failed) {
            browser.keepPicture(Path.of("target/when-things-go-wrong-failed.png"));
            throw failed;
        }
    }

    @Test
    void aBrokenReadBackSaysWhatWasKeptAndGoesOn() {
        field.press("/api/walk-all", Map.of());
        keepingAPicture(() -> {
            signIn(RunningRovek.ADMINISTRATOR);
            browser.room("Instruments");
            browser.see("1 new file on VH-2.");
            field.faults(Map.of("cutAfterBytes", 180_000));
            browser.press("Read back new files");
            browser.see(
                    "The link to the instrument was interrupted. What had arrived was kept; try again to continue from there.");
            browser.see("interrupted, 131 kB kept");
            Accessibility.check(browser, "instrument, broken off");
            browser.press("Retry");
            browser.see("4 new readings. The originals are kept and verified.");
            browser.press("Free memory");
            browser.see("1 file deleted from the instrument.");
            field.close();
            browser.press("Refresh");
            browser.see("No instrument answers at 127.0.0.1");
        });
    }

    @Test
    void aViewerSeesEverythingAndCanChangeNothing() {
        addPerson("looker", "VIEWER");
        keepingAPicture(() -> {
            signIn("looker");
            browser.room("Plant");
            browser.click(By.xpath("//tr[@data-node][contains(., 'Well pump')]"));
            browser.see(By.xpath("//section//tr[contains(., 'Velocity')]"));
            assertThat(browser.texts(By.xpath("//button[.='Set limit']"))).isEmpty();
            assertThat(browser.texts(By.xpath("//button[.='History']"))).isEmpty();
            browser.room("Instruments");
            browser.see("Nothing new on VH-2.");
            browser.press("Load");
            browser.see("Ready to load.");
            browser.click(By.xpath("//div[@role='dialog']//button[.='Load']"));
            browser.see("Your role does not allow this. Nothing was changed; ask an administrator.");
        });
    }

    @Test
    void aClosedAccountIsAskedToSignInAgainAndAStaleNameIsNotOverwritten() {
        addPerson("planner", "TECHNICIAN");
        keepingAPicture(() -> {
            signIn("planner");
            browser.room("Plant");
            browser.see(By.xpath("//tr[@data-node][contains(., 'Well pump')]"));
            String pump = nodeId("P-102");
            administrator
                    .post(
                            "/api/plant/alter",
                            SmallPlant.altering(pump, "name", "Well pump", "Renamed by somebody else"))
                    .ok();
            rename("P-102 Mine");
            browser.see("Two people changed the same thing");
            browser.see(By.xpath("//div[@role='dialog']//td[contains(., 'Renamed by somebody else')]"));
            Accessibility.check(browser, "contradiction");
            browser.press("Keep saved");
            browser.see(By.xpath("//tr[@data-node][contains(., 'Renamed by somebody else')]"));
            browser.click(By.xpath("//tr[@data-node][contains(., 'Renamed by somebody else')]"));
            administrator
                    .post(
                            "/api/plant/alter",
                            SmallPlant.altering(pump, "name", "Renamed by somebody else", "Renamed once more"))
                    .ok();
            browser.keys(org.openqa.selenium.Keys.F2);
            browser.awaitFocus("Rename");
            browser.keys("P-102 Mine after all", org.openqa.selenium.Keys.ENTER);
            browser.see(By.xpath("//div[@role='dialog']//td[contains(., 'Renamed once more')]"));
            browser.press("Use mine");
            browser.see(By.xpath("//tr[@data-node][contains(., 'Mine after all')]"));
            closeAccount("planner");
            browser.room("Visits");
            browser.see(By.xpath("//h1[contains(., 'Sign in')]"));
            browser.fill("Name", "planner");
            browser.fill("Password", RunningRovek.PASSWORD);
            browser.press("Sign in");
            browser.see("Name or password is wrong.");
        });
    }

    private void rename(String to) {
        browser.click(By.xpath("//tr[@data-node][contains(., 'Well pump')]"));
        browser.keys(org.openqa.selenium.Keys.F2);
        browser.awaitFocus("Rename");
        browser.keys(to, org.openqa.selenium.Keys.ENTER);
    }

    private String nodeId(String tag) {
        return administrator
                .get("/api/plant")
                .ok()
                .valueStream()
                .filter(node -> node.get("tag").asString().equals(tag))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }

    private void closeAccount(String name) {
        var account = administrator
                .get("/api/accounts")
                .ok()
                .valueStream()
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
        administrator
                .patch(
                        "/api/accounts/" + account.get("id").asString(),
                        Map.of(
                                "active",
                                false,
                                "version",
                                account.get("version").asInt()))
                .ok();
    }
}
