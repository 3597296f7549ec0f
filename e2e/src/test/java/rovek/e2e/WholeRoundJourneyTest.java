package rovek.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import rovek.link.Sha256;
import rovek.server.FieldDay;
import rovek.server.RunningRovek;

/** From sign-in on an empty plant to a signed PDF, in the real browser, over a real link. */
class WholeRoundJourneyTest {

    private static final String VELOCITY = "Velocity 10–1000 Hz";
    private static final String ACCELERATION = "Acceleration 1–10 kHz";

    @TempDir
    Path memory;

    private RunningRovek rovek;
    private FieldDay field;
    private Browser browser;

    @BeforeEach
    void open() {
        rovek = RunningRovek.start();
        field = new FieldDay(memory);
        browser = new Browser();
    }

    @AfterEach
    void close() {
        browser.close();
        field.close();
        rovek.close();
    }

    @Test
    void fromAnEmptyPlantToASignedCertificate() throws IOException, InterruptedException {
        try {
            walkTheWholeRound();
        } catch (RuntimeException | AssertionError failed) {
            browser.keepPicture(Path.of("target/whole-round-failed.png"));
            throw failed;
        }
    }

    private void walkTheWholeRound() throws IOException, InterruptedException {
        signIn();
        planThePlantByKeyboardAlone();
        setALimit();
        connectTheInstrument();
        planAndLoadTheRoute();
        walkOnThePanel();
        readBack();
        lookAtTheVisit();
        followTheTrend();
        certify();
    }

    private void signIn() {
        browser.open(rovek.address());
        browser.fill("Name", RunningRovek.ADMINISTRATOR);
        browser.fill("Password", "not the password");
        browser.press("Sign in");
        browser.see("Name or password is wrong.");
        Accessibility.check(browser, "sign-in");
        browser.fill("Password", RunningRovek.PASSWORD);
        browser.press("Sign in");
        browser.see("From an empty plant to a signed certificate in six steps.");
        Accessibility.check(browser, "today, first round");
        browser.press("Start");
    }

    private void planThePlantByKeyboardAlone() {
        browser.see("The plant is empty. Type the client’s name and press Enter.");
        typeRow("New client", "Marrowdale Works");
        typeDeeper("New site", "Bottling works");
        typeDeeper("New area", "Wellfield");
        typeDeeper("New asset", "P-102 Well pump 2");
        typeDeeper("New point", "Drive end");
        browser.keys(Keys.TAB);
        browser.awaitFocus("New check");
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//tr[@data-node][contains(., '" + VELOCITY + "')]"));
        browser.awaitFocus("New check");
        browser.keys(Keys.ARROW_DOWN, Keys.ENTER);
        browser.see(By.xpath("//tr[@data-node][contains(., '" + ACCELERATION + "')]"));
        browser.keys(Keys.ESCAPE);
        renameRemoveAndUndo();
        Accessibility.check(browser, "plant");
    }

    private void typeRow(String label, String text) {
        browser.awaitFocus(label);
        browser.keys(text, Keys.ENTER);
        browser.see(By.xpath("//tr[@data-node]//*[contains(., '" + text.substring(text.indexOf(' ') + 1) + "')]"));
    }

    private void typeDeeper(String label, String text) {
        browser.keys(Keys.TAB);
        typeRow(label, text);
    }

    private void renameRemoveAndUndo() {
        browser.see("added.");
        browser.keys(Keys.ARROW_UP, Keys.ARROW_UP, Keys.F2);
        browser.awaitFocus("Rename");
        browser.keys("Drive end bearing", Keys.ENTER);
        browser.see(By.xpath("//tr[@data-node][contains(., 'Drive end bearing')]"));
        browser.see("Drive end renamed to Drive end bearing.");
        browser.keys(Keys.DELETE);
        browser.see("Drive end bearing removed, with 2 below.");
        assertThat(browser.texts(By.xpath("//tr[@data-node][contains(., '" + VELOCITY + "')]")))
                .isEmpty();
        browser.chord(Keys.CONTROL, "z");
        browser.see(By.xpath("//tr[@data-node][contains(., '" + VELOCITY + "')]"));
    }

    private void setALimit() {
        browser.click(By.xpath("//tr[@data-node][contains(., 'Well pump 2')]"));
        browser.click(By.xpath("//section//tr[contains(., '" + VELOCITY + "')]//button[.='Set limit']"));
        browser.fill("Watch", "0.3");
        browser.fill("Fail", "0.6");
        Accessibility.check(browser, "limits");
        browser.click(By.xpath("//div[@role='dialog']//button[.='Set limit']"));
        browser.see(By.xpath("//section//tr[contains(., '" + VELOCITY + "')]//button[.='0.300 / 0.600']"));
    }

    private void connectTheInstrument() {
        browser.room("Instruments");
        browser.press("Connect instrument");
        browser.fill("Port", String.valueOf(field.instrumentPort()));
        browser.fill("Pass code", "0000");
        browser.press("Connect");
        browser.see("The instrument asks for its pass code.");
        browser.fill("Pass code", "4711");
        browser.press("Connect");
        browser.see("Nothing new on VH-2.");
        browser.see("no. 30417, network: 127.0.0.1 port " + field.instrumentPort());
        Accessibility.check(browser, "instrument");
    }

    private void planAndLoadTheRoute() {
        browser.room("Routes");
        browser.click(
                By.xpath("//section[@aria-label='Choose checks']//label[contains(., 'Marrowdale Works')]//input"));
        browser.fill("Name of the route", "Wellfield, monthly walk");
        browser.press("Save route");
        browser.see("2 stops");
        browser.see("Fits.");
        Accessibility.check(browser, "routes");
        browser.press("Load route");
        browser.see("Ready to load.");
        browser.click(By.xpath("//div[@role='dialog']//button[.='Load']"));
        browser.see("Wellfield, monthly walk is on the instrument: 2 stops, verified. You can unplug it.");
    }

    private void walkOnThePanel() {
        browser.open(field.panelAddress());
        browser.see("Stand-in for a handheld instrument");
        browser.click(By.xpath("(//tbody[@id='stops']/tr)[1]//button[.='Measure']"));
        browser.see(By.xpath("(//tbody[@id='stops']/tr)[1]/td[normalize-space(.)='done']"));
        browser.click(By.xpath("(//tbody[@id='stops']/tr)[1]//button[.='Repeat']"));
        browser.see("done, repeated 1×");
        browser.press("Measure all stops");
        browser.see(By.xpath("(//tbody[@id='stops']/tr)[2]/td[normalize-space(.)='done']"));
        browser.press("Take a loose reading");
        browser.see("1 loose in memory");
    }

    private void readBack() {
        browser.open(rovek.address() + "/instruments");
        browser.see("2 new files on VH-2.");
        browser.click(By.xpath("//input[@aria-label='RESULTS/LOOSE.zip']"));
        browser.press("Read back 1 file");
        browser.see("1 new reading, 1 of them loose. The originals are kept and verified.");
        browser.see("1 new file on VH-2.");
        browser.press("Read back new files");
        browser.see("3 new readings. The originals are kept and verified.");
        browser.see("Nothing new on VH-2.");
        Accessibility.check(browser, "instrument, read back");
    }

    private void lookAtTheVisit() {
        browser.press("Open visits");
        browser.press("Wellfield, monthly walk");
        browser.see("1 loose reading is to be placed, then a certificate can be prepared.");
        assertThat(browser.texts(By.xpath("//section[@aria-label='Stops']//tbody/tr")))
                .satisfiesExactly(
                        velocity -> assertThat(velocity)
                                .contains("P-102")
                                .contains("0.60")
                                .contains("Fail")
                                .contains("repeated once"),
                        acceleration ->
                                assertThat(acceleration).contains("Set limit").contains("Not judged"));
        Accessibility.check(browser, "visit");
        browser.press("Discard");
        browser.fill("Reason for discarding", "only tried the button");
        browser.click(By.xpath("//div[@role='dialog']//button[.='Discard']"));
        browser.see("All readings are placed.");
    }

    private void followTheTrend() {
        browser.click(By.xpath("//section[@aria-label='Stops']//a[contains(., '" + VELOCITY + "')]"));
        browser.see("1 check is beyond its fail limit.");
        assertThat(browser.see(By.cssSelector("[aria-label^='Trend:']"))
                        .getSize()
                        .getHeight())
                .isGreaterThan(200);
        assertThat(browser.contents(By.xpath("//table[caption]//tr")))
                .singleElement()
                .asString()
                .contains("mm/s")
                .contains("Fail");
        browser.press("Spectrum");
        browser.see(By.cssSelector("[aria-label='Spectrum'] canvas"));
        Accessibility.check(browser, "asset sheet");
    }

    private void certify() throws IOException, InterruptedException {
        browser.room("Visits");
        browser.press("Wellfield, monthly walk");
        browser.see("2 selected for the certificate");
        browser.press("Prepare certificate");
        browser.inFrame(By.tagName("iframe"), () -> browser.see("2 results: 1 fail, 0 watch, 0 pass, 1 not judged."));
        Accessibility.check(browser, "certificates");
        browser.fill("Your password, to sign", RunningRovek.PASSWORD);
        browser.press("Sign and issue");
        browser.see("Signed and issued as no.");
        browser.press("Verify");
        browser.see("Verified: the stored file has the digest it was signed with,");
        String sha256 =
                browser.see(By.xpath("//dt[.='SHA-256']/following-sibling::dd")).getText();
        byte[] pdf = download(browser.see(By.xpath("//a[.='PDF']")).getDomProperty("href"));
        assertThat(Sha256.of(pdf)).isEqualTo(sha256);
        try (var document = Loader.loadPDF(pdf)) {
            assertThat(new PDFTextStripper().getText(document).replaceAll("\\s+", " "))
                    .contains(
                            "Marrowdale Works",
                            "P-102 Well pump 2",
                            "VH-2, serial number 30417",
                            "Drive end bearing, " + VELOCITY)
                    .contains("2 results: 1 fail, 0 watch, 0 pass, 1 not judged.", "acceleration RMS: no limit is set")
                    .contains("Reviewed and signed by administrator");
        }
    }

    private byte[] download(String address) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create(address))
                .header("Cookie", browser.cookies())
                .build();
        HttpResponse<byte[]> answer = HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofByteArray());
        assertThat(answer.statusCode()).isEqualTo(200);
        assertThat(answer.headers().map()).containsEntry("content-type", List.of("application/pdf"));
        return answer.body();
    }
}
