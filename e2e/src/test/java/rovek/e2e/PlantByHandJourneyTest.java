package rovek.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** A plant built in minutes: by keyboard, out of templates, by pasting, from a file. */
class PlantByHandJourneyTest extends SignedInJourney {

    private static final int MOST_STROKES_A_CLASS = 60;

    private String area;

    @BeforeEach
    void beginInAnArea() {
        area = plant.id(
                plant.id(plant.id(null, "CLIENT", "", "Marrowdale Works"), "SITE", "", "Bottling works"),
                "AREA",
                "",
                "Wellfield");
        browser.room("Plant");
        choose("Wellfield");
    }

    private void choose(String text) {
        browser.click(row(text));
        browser.see(By.xpath("//tr[@data-node][@aria-selected='true'][contains(., '" + text + "')]"));
    }

    private void type(String label, String text) {
        browser.awaitFocus(label);
        browser.keys(text, Keys.ENTER);
    }

    private int checksInTheArea() {
        return plant.standing(area).get("notJudged").asInt();
    }

    private void awaitChecks(int wanted) {
        browser.await(() -> checksInTheArea() == wanted);
    }

    @Test
    void tenMachinesOutOfATemplateAndAPasteInOneGo() {
        keepingAPicture(() -> {
            StringBuilder rows = new StringBuilder("tag\tname\ttemplate\n");
            for (int i = 1; i <= 10; i++) {
                rows.append("P-2%02d\tBooster pump %d\tTwo-bearing pump set\n".formatted(i, i));
            }
            browser.fillClipboard(rows.toString());
            browser.chord(Keys.CONTROL, "v");
            browser.see("10 new. No errors.");
            Accessibility.check(browser, "rows to be pasted");
            browser.keys(Keys.ENTER);
            browser.see(row("Booster pump 10"));
            assertThat(checksInTheArea()).isEqualTo(10 * 12);
            browser.chord(Keys.CONTROL, "z");
            browser.see("Undone.");
            awaitChecks(0);
            browser.chord(Keys.CONTROL, "y");
            browser.see("Redone.");
            awaitChecks(10 * 12);
        });
    }

    @Test
    void fortyMachinesOfFourPointsAndThreeChecksWithFewKeys() {
        keepingAPicture(() -> {
            int before = browser.strokes();
            typeOneMachine();
            browser.press("Save as template");
            browser.see("Save P-1 Pump as template");
            browser.keys(Keys.ENTER);
            browser.see("Saved as Pump, revision 1.");
            choose("Wellfield");
            StringBuilder rows = new StringBuilder("tag\ttemplate\n");
            for (int i = 2; i <= 40; i++) {
                rows.append("P-%d\tPump\n".formatted(i));
            }
            browser.fillClipboard(rows.toString());
            browser.chord(Keys.CONTROL, "v");
            browser.see("39 new. No errors.");
            browser.keys(Keys.ENTER);
            awaitChecks(40 * 4 * 3);
            assertThat(browser.strokes() - before)
                    .as("keys struck, names and the paste included")
                    .isLessThan(MOST_STROKES_A_CLASS);
        });
    }

    /** One pump with four points of three checks each: the first point typed, the others duplicated and renamed. */
    private void typeOneMachine() {
        browser.keys(Keys.ENTER);
        browser.awaitFocus("New area");
        browser.keys(Keys.TAB);
        type("New asset", "P-1 Pump");
        browser.see(row("Pump"));
        browser.keys(Keys.TAB);
        type("New point", "DE");
        browser.see(row("DE"));
        browser.keys(Keys.TAB);
        browser.awaitFocus("New check");
        browser.keys(Keys.ENTER);
        browser.see(row("Velocity 10–1000 Hz"));
        browser.keys(Keys.ARROW_DOWN, Keys.ENTER);
        browser.see(row("Acceleration 1–10 kHz"));
        browser.keys(Keys.ARROW_DOWN, Keys.ENTER);
        browser.see(row("Velocity 2–1000 Hz"));
        awaitChecks(3);
        browser.keys(Keys.ESCAPE);
        browser.awaitFocusIn(row("Velocity 2–1000 Hz"));
        // First to its sibling, then to the point it stands in.
        browser.keys(Keys.ARROW_LEFT);
        browser.see(By.xpath("//tr[@data-node][@aria-selected='true'][contains(., 'DE')]"));
        for (int copy = 1; copy <= 3; copy++) {
            browser.chord(Keys.CONTROL, "d");
            awaitChecks(3 + 3 * copy);
        }
        browser.seeRows(row("DE"), 4);
        for (String name : List.of("1", "2", "3")) {
            browser.keys(Keys.ARROW_LEFT);
            browser.keys(Keys.ARROW_DOWN);
            browser.keys(Keys.F2);
            type("Rename", name);
            browser.see(row(name));
        }
        choose("Pump");
    }

    @Test
    void aFileWithFiveKindsOfErrorIsShownRowByRowAndNothingOfItIsTaken() throws IOException {
        String sound = "path,tag,name,level,template,nameplate.powerKw\n"
                + "Marrowdale Works / Bottling works / Wellfield,P-301,Well pump,,Two-bearing pump set,\n";
        Path wrong = Files.writeString(
                files.resolve("plant.csv"),
                sound
                        + "Marrowdale Works / Bottling works / Nowhere,P-302,Well pump,,,\n"
                        + "Marrowdale Works / Bottling works / Wellfield,P-303,Well pump,machine,,\n"
                        + "Marrowdale Works / Bottling works / Wellfield,P-304,Well pump,,Unheard of,\n"
                        + "Marrowdale Works / Bottling works / Wellfield,P-305,Well pump,asset,,plenty\n"
                        + "Marrowdale Works / Bottling works / Wellfield,P-301,The same again,,,\n");
        Path corrected = Files.writeString(files.resolve("corrected.csv"), sound);
        keepingAPicture(() -> {
            take(wrong);
            browser.see("5 of 6 rows have errors. Nothing is imported until all are correct.");
            browser.see("\"Nowhere\" is not in Marrowdale Works, Bottling works.");
            browser.see("\"machine\" is not a level.");
            browser.see("There is no template \"Unheard of\".");
            browser.see("Power: enter a number from 0.01 to 100000 kW, not \"plenty\".");
            browser.see("This row is listed twice.");
            Accessibility.check(browser, "a file with errors");
            assertThat(browser.isEnabled("Import rows")).isFalse();
            browser.press("Cancel");
            assertThat(checksInTheArea()).isZero();
            take(corrected);
            browser.see("1 new. No errors.");
            browser.press("Import 19 rows");
            browser.see(row("P-301"));
            assertThat(checksInTheArea()).isEqualTo(12);
        });
    }

    private void take(Path file) {
        browser.press("Import / Export");
        browser.see("Import and export the plant");
        browser.chooseFile("Choose file", file);
    }
}
