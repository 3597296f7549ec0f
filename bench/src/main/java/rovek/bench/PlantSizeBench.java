package rovek.bench;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;

/** The outliner over 50,000 nodes with 100,000 checks: a server process of its own, and Chromium. */
final class PlantSizeBench {

    private static final String PASSWORD = "bench-password-1";
    private static final int TRIES = 5;

    private final String server = System.getenv("ROVEK_TEST_DB");
    private final String password = System.getenv("ROVEK_TEST_DB_PASSWORD");

    /** @return what was measured, a line each */
    List<String> run() throws Exception {
        String database = "b_" + UUID.randomUUID().toString().replace("-", "");
        execute("postgres", "CREATE DATABASE " + database);
        try {
            start(database, process -> List.of());
            try (Connection connection = DriverManager.getConnection("jdbc:postgresql://" + server + "/" + database, "rovek", password)) {
                BigPlant.plant(connection);
            }
            return start(database, this::measure);
        } finally {
            execute("postgres", "DROP DATABASE " + database + " WITH (FORCE)");
        }
    }

    private record Running(Process process, String address) {}

    @FunctionalInterface
    private interface Measurement {
        List<String> of(Running running) throws Exception;
    }

    private List<String> start(String database, Measurement measurement) throws Exception {
        int port = freePort();
        Process process = new ProcessBuilder(
                        System.getProperty("java.home") + "/bin/java", "-Xmx768m", "-cp", System.getProperty("java.class.path"),
                        "rovek.server.RovekApplication", "--server.port=" + port, "--spring.main.banner-mode=off",
                        "--spring.datasource.url=jdbc:postgresql://" + server + "/" + database,
                        "--spring.datasource.username=rovek", "--spring.datasource.password=" + password,
                        "--rovek.first-administrator.name=bench", "--rovek.first-administrator.password=" + PASSWORD)
                .redirectErrorStream(true)
                .redirectOutput(Files.createTempFile("rovek-bench", ".log").toFile())
                .start();
        try {
            String address = "http://127.0.0.1:" + port;
            awaitAnswer(process, address);
            return measurement.of(new Running(process, address));
        } finally {
            process.destroy();
            process.waitFor();
        }
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private static void awaitAnswer(Process process, String address) throws InterruptedException {
        HttpClient http = HttpClient.newHttpClient();
        for (int i = 0; i < 600; i++) {
            if (!process.isAlive()) {
                throw new IllegalStateException("The server stopped.");
            }
            try {
                http.send(HttpRequest.newBuilder(URI.create(address + "/")).build(), HttpResponse.BodyHandlers.discarding());
                return;
            } catch (IOException notYet) {
                Thread.sleep(200);
            }
        }
        throw new IllegalStateException("The server does not answer.");
    }

    private List<String> measure(Running running) throws Exception {
        List<String> lines = new ArrayList<>();
        lines.add("Plant of %,d nodes with %,d checks".formatted(BigPlant.nodes(), BigPlant.CHECKS));
        Path profile = Files.createTempDirectory("rovek-bench-browser");
        ChromeDriver browser = browser(profile);
        try {
            browser.manage().timeouts().scriptTimeout(Duration.ofSeconds(60));
            browser.get(running.address() + "/");
            script(browser, "await fetch('/api/session');"
                    + "const token = decodeURIComponent((document.cookie.match(/XSRF-TOKEN=([^;]*)/) || [])[1]);"
                    + "await fetch('/api/session', {method: 'POST', headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token},"
                    + " body: JSON.stringify({name: 'bench', password: '" + PASSWORD + "'})}); return 0");
            long began = System.nanoTime();
            post(browser, "/api/outline", "{}");
            lines.add("  all checks judged once after the start: %.1f s".formatted((System.nanoTime() - began) / 1e9));
            browser.executeCdpCommand("Page.addScriptToEvaluateOnNewDocument", Map.of("source", FIRST_PAINT));
            lines.add(line("first paint of the outliner", 1_500, repeat(() -> firstPaint(browser, running.address()))));
            lines.add(line("unfolding an area of 50 machines", 200, repeat(() -> script(browser, unfold()))));
            lines.add(line("finding one machine of 10,000 by its tag", 200, repeat(() -> script(browser, FIND.formatted("P-1" + (1_000 + (int) (Math.random() * 8_000)))))));
            lines.add(line("showing only what fails", 200, repeat(() -> script(browser, SHOW_FAILING))));
            lines.add(line("rows to be seen after a jump down 9,000 rows", 100, repeat(() -> script(browser, SCROLL))));
            lines.add("  server: heap limit 768 MB, largest resident size %d MB (wanted at most 1,024)".formatted(peakMegabytes(running.process())));
            return lines;
        } finally {
            browser.quit();
        }
    }

    private static final String FIRST_PAINT = """
            new MutationObserver((changes, observer) => {
              if (!document.querySelector('tr[data-node]')) return
              observer.disconnect()
              requestAnimationFrame(() => setTimeout(() => { window.firstRowAt = performance.now() }))
            }).observe(document, { childList: true, subtree: true })""";

    private static double firstPaint(ChromeDriver browser, String address) {
        browser.get(address + "/plant");
        return script(browser, "while (window.firstRowAt === undefined) await new Promise(r => setTimeout(r, 5)); return window.firstRowAt");
    }

    /** Waits until the page was painted with what it then shows. */
    private static final String PAINTED = "const painted = () => new Promise(r => requestAnimationFrame(() => setTimeout(r)));"
            + "const until = async test => { while (!test()) await painted() };";

    private static String unfold() {
        return PAINTED + """
                const box = document.querySelector('[role=treegrid]').parentElement
                const folded = () => document.querySelector('tr[data-node][aria-level="3"][aria-expanded="false"]')
                while (!folded()) { box.scrollTop += 400; await painted() }
                const area = folded()
                const before = +document.querySelector('[role=treegrid]').getAttribute('aria-rowcount')
                const began = performance.now()
                area.querySelector('span[aria-hidden]').click()
                await until(() => +document.querySelector('[role=treegrid]').getAttribute('aria-rowcount') > before)
                await painted()
                return performance.now() - began""";
    }

    private static final String TYPE = "const type = text => { const field = document.querySelector('input[type=search]');"
            + " Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, text); field.dispatchEvent(new Event('input', {bubbles: true})) };";

    private static final String FIND = PAINTED + TYPE + """
            const began = performance.now()
            type('%1$s')
            await until(() => document.querySelector('tr[data-node]:last-of-type, tr[data-node]') && [...document.querySelectorAll('tr[data-node]')].some(r => r.textContent.includes('%1$s')) && +document.querySelector('[role=treegrid]').getAttribute('aria-rowcount') < 30)
            await painted()
            const took = performance.now() - began
            type('')
            await until(() => +document.querySelector('[role=treegrid]').getAttribute('aria-rowcount') > 100)
            return took""";

    private static final String SHOW_FAILING = PAINTED + """
            const choose = words => [...document.querySelectorAll('button[aria-pressed]')].find(b => b.textContent.trim().endsWith(words)).click()
            const began = performance.now()
            choose('fail')
            await until(() => document.body.textContent.includes(' found'))
            await painted()
            const took = performance.now() - began
            choose('all')
            await until(() => !document.body.textContent.includes(' found'))
            return took""";

    private static final String SCROLL = PAINTED + """
            const box = document.querySelector('[role=treegrid]').parentElement
            for (let i = 0; i < 2000 && box.scrollHeight < 9000 * 29; i++) {
              const folded = document.querySelector('tr[data-node][aria-level="3"][aria-expanded="false"]')
              if (folded) folded.querySelector('span[aria-hidden]').click()
              else box.scrollTop += 400
              await painted(); await painted(); await painted()
            }
            box.scrollTop = 0
            await painted(); await painted()
            const began = performance.now()
            box.scrollTop = box.scrollHeight - box.clientHeight
            const filled = () => {
              const view = box.getBoundingClientRect()
              const at = document.elementFromPoint(view.left + 40, view.top + view.height / 2)
              return at && at.closest('tr[data-node]')
            }
            await until(filled)
            await painted()
            return performance.now() - began""";

    private static ChromeDriver browser(Path profile) {
        ChromeOptions options = new ChromeOptions();
        options.setBinary("/usr/bin/chromium");
        options.addArguments(
                "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage", "--no-first-run",
                "--disable-background-networking", "--disable-component-update", "--disable-sync", "--user-data-dir=" + profile);
        ChromeDriver driver = new ChromeDriver(
                new ChromeDriverService.Builder().usingDriverExecutable(new File("/usr/bin/chromedriver")).build(), options);
        driver.executeCdpCommand("Emulation.setDeviceMetricsOverride", Map.of("width", 1280, "height", 800, "deviceScaleFactor", 1, "mobile", false));
        return driver;
    }

    private static double post(ChromeDriver browser, String path, String body) {
        return script(browser, "const token = decodeURIComponent((document.cookie.match(/XSRF-TOKEN=([^;]*)/) || [])[1]);"
                + "await fetch('" + path + "', {method: 'POST', headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token}, body: '" + body + "'}); return 0");
    }

    private static double script(ChromeDriver browser, String source) {
        Object outcome = browser.executeAsyncScript(
                "const done = arguments[arguments.length - 1]; (async () => {" + source + "})().then(done, fault => done('fault: ' + fault))");
        if (outcome instanceof Number number) {
            return number.doubleValue();
        }
        throw new IllegalStateException(String.valueOf(outcome));
    }

    @FunctionalInterface
    private interface Try {
        double millis() throws Exception;
    }

    private static double[] repeat(Try one) throws Exception {
        double[] millis = new double[TRIES];
        for (int i = 0; i < TRIES; i++) {
            millis[i] = one.millis();
        }
        java.util.Arrays.sort(millis);
        return millis;
    }

    private static String line(String what, int wantedMillis, double[] sorted) {
        return String.format(
                Locale.ROOT, "  %s: median %.0f ms, slowest of %d %.0f ms (wanted under %,d)",
                what, sorted[sorted.length / 2], sorted.length, sorted[sorted.length - 1], wantedMillis);
    }

    private static long peakMegabytes(Process process) throws IOException {
        return Files.readAllLines(Path.of("/proc/" + process.pid() + "/status")).stream()
                .filter(line -> line.startsWith("VmHWM:"))
                .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")) / 1024)
                .findFirst()
                .orElseThrow();
    }

    private void execute(String database, String sql) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:postgresql://" + server + "/" + database, "rovek", password);
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }
}
