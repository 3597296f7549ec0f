package rovek.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.ExpectedConditions;
import org.openqa.selenium.support.ui.Select;
import org.openqa.selenium.support.ui.WebDriverWait;

/** A person at Debian's Chromium, 1280 by 800. Finds things the way people do: by their words. */
final class Browser implements AutoCloseable {

    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final Duration A_MOMENT = Duration.ofMillis(30);

    private final Path profile;
    private final ChromeDriver driver;
    private final WebDriverWait wait;
    private int strokes;

    Browser() {
        try {
            profile = Files.createTempDirectory("rovek-browser");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        ChromeOptions options = new ChromeOptions();
        options.setBinary(System.getProperty("rovek.chromium", "/usr/bin/chromium"));
        options.addArguments(
                "--headless=new",
                "--no-sandbox",
                "--disable-gpu",
                "--disable-dev-shm-usage",
                "--no-first-run",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync",
                "--user-data-dir=" + profile);
        ChromeDriverService service = new ChromeDriverService.Builder()
                .usingDriverExecutable(
                        new java.io.File(System.getProperty("rovek.chromedriver", "/usr/bin/chromedriver")))
                .build();
        driver = new ChromeDriver(service, options);
        driver.executeCdpCommand(
                "Emulation.setDeviceMetricsOverride",
                Map.of("width", 1280, "height", 800, "deviceScaleFactor", 1, "mobile", false));
        driver.executeCdpCommand(
                "Browser.setDownloadBehavior",
                Map.of("behavior", "allow", "downloadPath", downloads().toString()));
        wait = new WebDriverWait(driver, PATIENCE, A_MOMENT);
    }

    private Path downloads() {
        return profile.resolve("kept");
    }

    /** Waits for a file that was kept, by the end of its name. */
    Path keptAs(String end) {
        return wait.until(d -> {
            try (Stream<Path> files = Files.isDirectory(downloads()) ? Files.list(downloads()) : Stream.empty()) {
                // Chromium puts an empty one there first, and the whole one in its place.
                return files.filter(file -> file.getFileName().toString().endsWith(end)
                                && file.toFile().length() > 0)
                        .findFirst()
                        .orElse(null);
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        });
    }

    /** Clicks into the first such plot, at a share of its width. */
    void clickWithin(By by, double share, boolean withShift) {
        WebElement plot = see(by);
        int x = (int) Math.round(plot.getSize().width * (share - 0.5));
        Actions hands = new Actions(driver).moveToElement(plot, x, 0);
        (withShift ? hands.keyDown(Keys.SHIFT).click().keyUp(Keys.SHIFT) : hands.click()).perform();
    }

    void focus(By by) {
        run("arguments[0].focus()", see(by));
    }

    void open(String address) {
        driver.get(address);
    }

    String address() {
        return driver.getCurrentUrl();
    }

    private static String literal(String text) {
        return text.contains("'") ? "\"" + text + "\"" : "'" + text + "'";
    }

    WebElement see(By by) {
        return wait.until(ExpectedConditions.visibilityOfElementLocated(by));
    }

    /** Waits until a text stands somewhere on the page. */
    WebElement see(String text) {
        return see(By.xpath("//*[not(self::script)][contains(normalize-space(.), " + literal(text)
                + ")][not(*[contains(normalize-space(.), " + literal(text) + ")])]"));
    }

    void seeNoMore(String text) {
        wait.until(ExpectedConditions.invisibilityOfElementLocated(
                By.xpath("//*[text()[contains(., " + literal(text) + ")]]")));
    }

    /** Presses the button or follows the link with these words. */
    void press(String words) {
        click(By.xpath("(//button|//a)[normalize-space(.)=" + literal(words) + "]"));
    }

    void click(By by) {
        wait.until(ExpectedConditions.elementToBeClickable(by)).click();
    }

    WebElement field(String label) {
        String field = "//*[self::input or self::select]";
        return see(By.xpath(field + "[@aria-label=" + literal(label) + "] | //label[contains(normalize-space(.), "
                + literal(label) + ")]//input" + " | " + field + "[@id=//label[normalize-space(.)=" + literal(label)
                + "]/@for]"));
    }

    void fill(String label, String text) {
        WebElement field = field(label);
        field.sendKeys(Keys.chord(Keys.CONTROL, "a"), text);
    }

    /** Fills a field whose keys depend on the country, such as a date's. */
    void fillAsIs(String label, String value) {
        run(
                "const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;"
                        + "set.call(arguments[0], arguments[1]); arguments[0].dispatchEvent(new Event('input', {bubbles: true}))",
                field(label),
                value);
    }

    void room(String name) {
        click(By.xpath("(//nav)[1]//a[starts-with(normalize-space(.), " + literal(name) + ")]"));
    }

    /** Types where the focus is, without pointing at anything. */
    void keys(CharSequence... keys) {
        for (CharSequence some : keys) {
            strokes += some.length();
        }
        new Actions(driver).sendKeys(keys).perform();
    }

    /** How many keys were struck so far by {@link #keys} and {@link #chord}; a chord is one. */
    int strokes() {
        return strokes;
    }

    /** Puts a text where Ctrl V takes it from. */
    void fillClipboard(String text) {
        driver.executeCdpCommand(
                "Browser.grantPermissions",
                Map.of("permissions", List.of("clipboardReadWrite", "clipboardSanitizedWrite")));
        driver.executeAsyncScript(
                "const done = arguments[1]; navigator.clipboard.writeText(arguments[0]).then(() => done(), done)",
                text);
    }

    /** Chooses a file in the field with this label. */
    /** Chooses by value in a list; blank is the first entry. */
    void choose(String label, String value) {
        By field = By.xpath("//select[@aria-label=" + literal(label) + "]");
        new Select(wait.until(ExpectedConditions.elementToBeClickable(field))).selectByValue(value);
    }

    void chooseFile(String label, Path file) {
        By field = By.xpath("//input[@type='file'][@aria-label=" + literal(label) + "]");
        wait.until(ExpectedConditions.presenceOfElementLocated(field))
                .sendKeys(file.toAbsolutePath().toString());
    }

    void chord(Keys modifier, CharSequence key) {
        strokes++;
        new Actions(driver).keyDown(modifier).sendKeys(key).keyUp(modifier).perform();
    }

    /** Waits until the focus is in the field with this label, as it is for somebody who goes on typing. */
    void awaitFocus(String label) {
        // In one step: an element may go between being found and being asked.
        wait.until(d -> label.equals(run("return document.activeElement.getAttribute('aria-label')")));
    }

    /** Waits until the focus is in this element. */
    void awaitFocusIn(By by) {
        wait.ignoring(StaleElementReferenceException.class)
                .until(page -> page.switchTo().activeElement().equals(page.findElement(by)));
    }

    void await(java.util.function.BooleanSupplier condition) {
        wait.until(d -> condition.getAsBoolean());
    }

    void seeRows(By by, int count) {
        wait.until(ExpectedConditions.numberOfElementsToBe(by, count));
    }

    boolean isEnabled(String words) {
        return see(By.xpath("//button[normalize-space(.)=" + literal(words) + "]"))
                .isEnabled();
    }

    /** How far down that part of the page is in which something stands. */
    double scrolled(By by) {
        return ((Number) run(
                        "let part = arguments[0]; while (part.parentElement && "
                                + "!/auto|scroll/.test(getComputedStyle(part).overflowY)) part = part.parentElement;"
                                + "return part.scrollTop",
                        see(by)))
                .doubleValue();
    }

    Object run(String script, Object... arguments) {
        return driver.executeScript(script, arguments);
    }

    /** What stands there now; what is taken away while it is read is read again. */
    List<String> texts(By by) {
        return wait.ignoring(StaleElementReferenceException.class)
                .until(page ->
                        page.findElements(by).stream().map(WebElement::getText).toList());
    }

    /** What is said, also where it is only for screen readers. */
    List<String> contents(By by) {
        return driver.findElements(by).stream()
                .map(element -> element.getDomProperty("textContent"))
                .toList();
    }

    String cookies() {
        return driver.manage().getCookies().stream()
                .map(cookie -> cookie.getName() + "=" + cookie.getValue())
                .collect(java.util.stream.Collectors.joining("; "));
    }

    void inFrame(By frame, Runnable look) {
        driver.switchTo().frame(see(frame));
        try {
            look.run();
        } finally {
            driver.switchTo().defaultContent();
        }
    }

    void keepPicture(Path file) {
        try {
            Files.createDirectories(file.getParent());
            Files.write(file, driver.getScreenshotAs(OutputType.BYTES));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        driver.quit();
    }
}
