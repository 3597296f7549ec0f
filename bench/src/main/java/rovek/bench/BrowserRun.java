package rovek.bench;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Locale;
import java.util.Map;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;

/** Chromium at a server, signed in, and the stop watch beside it. */
final class BrowserRun implements AutoCloseable {

    private static final int TRIES = 5;

    /** Waits until the page was painted with what it then shows. */
    static final String PAINTED = "const painted = () => new Promise(r => requestAnimationFrame(() => setTimeout(r)));"
            + "const until = async test => { while (!test()) await painted() };";

    final ChromeDriver driver;

    private BrowserRun(ChromeDriver driver) {
        this.driver = driver;
    }

    static BrowserRun at(String address) throws IOException {
        ChromeDriver driver = browser(Files.createTempDirectory("rovek-bench-browser"));
        driver.manage().timeouts().scriptTimeout(Duration.ofMinutes(5));
        BrowserRun run = new BrowserRun(driver);
        driver.get(address + "/");
        run.script("await fetch('/api/session');"
                + "const token = decodeURIComponent((document.cookie.match(/XSRF-TOKEN=([^;]*)/) || [])[1]);"
                + "await fetch('/api/session', {method: 'POST', headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token},"
                + " body: JSON.stringify({name: 'bench', password: '" + ServerRun.PASSWORD + "'})}); return 0");
        return run;
    }

    private static ChromeDriver browser(Path profile) {
        ChromeOptions options = new ChromeOptions();
        options.setBinary("/usr/bin/chromium");
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
        ChromeDriver driver = new ChromeDriver(
                new ChromeDriverService.Builder()
                        .usingDriverExecutable(new File("/usr/bin/chromedriver"))
                        .build(),
                options);
        driver.executeCdpCommand(
                "Emulation.setDeviceMetricsOverride",
                Map.of("width", 1280, "height", 800, "deviceScaleFactor", 1, "mobile", false));
        return driver;
    }

    double post(String path, String body) {
        return script("const token = decodeURIComponent((document.cookie.match(/XSRF-TOKEN=([^;]*)/) || [])[1]);"
                + "await fetch('" + path
                + "', {method: 'POST', headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token}, body: '"
                + body + "'}); return 0");
    }

    /** Sends a file and waits until what becomes of it is done. */
    void sendFile(String path, String name, String base64) {
        driver.executeScript("window.sent = arguments[0]", base64);
        script(PAINTED + "const token = decodeURIComponent((document.cookie.match(/XSRF-TOKEN=([^;]*)/) || [])[1]);"
                + "const bytes = Uint8Array.from(atob(window.sent), c => c.charCodeAt(0)); const form = new FormData();"
                + "form.append('file', new Blob([bytes]), '" + name + "');"
                + "let job = await (await fetch('" + path
                + "', {method: 'POST', headers: {'X-XSRF-TOKEN': token}, body: form})).json();"
                + "while (job.state !== 'DONE') { await painted(); job = await (await fetch('/api/jobs/' + "
                + "job.id)).json(); if (!job.id || job.state === 'FAILED') throw JSON.stringify(job) }"
                + "return 0");
    }

    double script(String source) {
        Object outcome = driver.executeAsyncScript("const done = arguments[arguments.length - 1]; (async () => {"
                + source + "})().then(done, fault => done('fault: ' + fault))");
        if (outcome instanceof Number number) {
            return number.doubleValue();
        }
        throw new IllegalStateException(String.valueOf(outcome));
    }

    /** One try, in milliseconds. */
    @FunctionalInterface
    interface Try {
        double millis() throws Exception;
    }

    static double[] repeat(Try one) throws Exception {
        double[] millis = new double[TRIES];
        for (int i = 0; i < TRIES; i++) {
            millis[i] = one.millis();
        }
        java.util.Arrays.sort(millis);
        return millis;
    }

    static String line(String what, int wantedMillis, double[] sorted) {
        return String.format(
                Locale.ROOT,
                "  %s: median %.0f ms, slowest of %d %.0f ms (wanted under %,d)",
                what,
                sorted[sorted.length / 2],
                sorted.length,
                sorted[sorted.length - 1],
                wantedMillis);
    }

    @Override
    public void close() {
        driver.quit();
    }
}
