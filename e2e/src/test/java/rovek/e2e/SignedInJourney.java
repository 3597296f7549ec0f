package rovek.e2e;

import java.nio.file.Path;
import java.util.Locale;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import rovek.server.Caller;
import rovek.server.RunningRovek;
import rovek.server.SmallPlant;

/** A journey of somebody who is signed in, through a Rovek that is empty when it begins. */
abstract class SignedInJourney {

    @TempDir
    Path files;

    RunningRovek rovek;
    Browser browser;
    Caller caller;
    SmallPlant plant;

    @BeforeEach
    void signIn() {
        rovek = RunningRovek.start();
        browser = new Browser();
        caller = Caller.signedIn(rovek);
        plant = new SmallPlant(caller);
        browser.open(rovek.address());
        browser.fill("Name", RunningRovek.ADMINISTRATOR);
        browser.fill("Password", RunningRovek.PASSWORD);
        browser.press("Sign in");
    }

    @AfterEach
    void close() {
        browser.close();
        rovek.close();
    }

    void keepingAPicture(Runnable journey) {
        try {
            journey.run();
        } catch (RuntimeException | AssertionError failed) {
            browser.keepPicture(Path.of("target", getClass().getSimpleName().toLowerCase(Locale.ROOT) + "-failed.png"));
            throw failed;
        }
    }

    static By row(String text) {
        return By.xpath("//tr[@data-node][contains(., '" + text + "')]");
    }

    static By inDialog(String words) {
        return By.xpath("//div[@role='dialog']//button[.='" + words + "']");
    }
}
