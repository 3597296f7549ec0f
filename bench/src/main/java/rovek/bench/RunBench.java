package rovek.bench;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import rovek.core.reading.TableCapture;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;

/** A run of 100,000 samples of four channels in the browser: fetched whole, drawn, hidden and shown, zoomed. */
final class RunBench {

    private static final int SAMPLES = 100_000;
    private static final int CHANNELS = 4;
    private static final UUID CHECK = UUID.fromString("00000007-0000-4000-8000-000000000001");
    private static final UUID POINT = UUID.fromString("00000007-0000-4000-8000-000000000002");
    private static final UUID OTHER = UUID.fromString("00000007-0000-4000-8000-000000000003");

    /** @return what was measured, a line each */
    List<String> run() throws Exception {
        return new ServerRun().measure(database -> {}, RunBench::measured);
    }

    private static List<String> measured(ServerRun.Running running) throws Exception {
        List<String> lines = new ArrayList<>();
        lines.add("A run of %,d samples of %d channels".formatted(SAMPLES, CHANNELS));
        try (BrowserRun browser = BrowserRun.at(running.address())) {
            plant(browser);
            browser.sendFile("/api/originals", "run.zip", Base64.getEncoder().encodeToString(packed()));
            browser.driver.get(running.address() + "/plant?node=" + POINT + "&check=" + OTHER);
            lines.add(String.format(
                    "  opened for the first time, from the click to the paint: %.0f ms", browser.script(OPEN)));
            lines.add(BrowserRun.line(
                    "drawn again with all channels, from the click to the paint",
                    300,
                    BrowserRun.repeat(() -> browser.script(SHOW))));
            lines.add(BrowserRun.line(
                    "zoomed by key, from the key to the paint", 150, BrowserRun.repeat(() -> browser.script(ZOOM))));
        }
        return lines;
    }

    private static void plant(BrowserRun browser) {
        UUID client = UUID.randomUUID();
        UUID asset = UUID.randomUUID();
        node(browser, client, null, "CLIENT", "\"name\":\"Client\"");
        node(browser, asset, client, "ASSET", "\"name\":\"Reservoir\",\"tag\":\"R-1\"");
        node(browser, POINT, asset, "POINT", "\"name\":\"Logger\"");
        node(browser, CHECK, POINT, "CHECK", "\"technique\":\"run\",\"preset\":\"Run\"");
        node(browser, OTHER, POINT, "CHECK", "\"technique\":\"loop\",\"preset\":\"Loop calibration\"");
    }

    private static void node(BrowserRun browser, UUID id, UUID parent, String level, String more) {
        browser.post(
                "/api/plant/nodes",
                "{\"id\":\"%s\",\"parentId\":%s,\"level\":\"%s\",%s}"
                        .formatted(id, parent == null ? "null" : "\"" + parent + "\"", level, more));
    }

    private static byte[] packed() {
        double[] seconds = new double[SAMPLES];
        Arrays.setAll(seconds, i -> i);
        List<TableCapture.Column> columns =
                new ArrayList<>(List.of(new TableCapture.Numbers(TableCapture.TIME, "s", seconds)));
        Random random = new Random(11_562);
        for (int channel = 1; channel <= CHANNELS; channel++) {
            double[] values = new double[SAMPLES];
            double phase = channel;
            Arrays.setAll(
                    values,
                    i -> Math.round(1000 * (5 + Math.sin(i / 5_000.0 + phase) + 0.2 * random.nextGaussian())) / 1000.0);
            columns.add(new TableCapture.Numbers("channel " + channel, "bar", values));
        }
        Instant at = Instant.parse("2026-11-01T08:00:00Z");
        PackedReading reading = new PackedReading(
                "run-1",
                at,
                "run",
                Optional.of(CHECK),
                "",
                "",
                Optional.empty(),
                Map.of(),
                new PackedCapture.Plain(new TableCapture(columns, List.of())),
                List.of());
        return ReadingsPackage.pack(
                at,
                new Maker("bench", Optional.of(new Maker.MakingInstrument("Logger", "bench-1", "1"))),
                Optional.empty(),
                List.of(reading));
    }

    /** The row of the run is chosen for the first time: its samples are fetched and drawn. */
    private static final String OPEN = BrowserRun.PAINTED + """
            const rows = () => [...document.querySelectorAll('section[data-now] table.ledger tbody tr')]
            await until(() => rows().some(row => row.textContent.includes('Run')))
            const began = performance.now()
            rows().find(row => row.textContent.includes('Run')).click()
            await until(() => document.querySelector('.uplot canvas'))
            await painted()
            return performance.now() - began""";

    /** One channel is shown again: the plot is made again with all of them. */
    private static final String SHOW = BrowserRun.PAINTED + """
            const box = document.querySelector('input[aria-label="Show channel 1"]')
            const canvas = () => document.querySelector('.uplot canvas')
            const shown = canvas()
            box.click()
            await until(() => canvas() !== shown)
            await painted()
            const three = canvas()
            const began = performance.now()
            box.click()
            await until(() => canvas() !== three)
            await painted()
            return performance.now() - began""";

    private static final String ZOOM = BrowserRun.PAINTED + """
            const strip = document.querySelector('[role=slider]')
            strip.focus()
            const before = strip.querySelector('rect').getAttribute('width')
            const began = performance.now()
            strip.dispatchEvent(new KeyboardEvent('keydown', { key: '+', bubbles: true }))
            await until(() => strip.querySelector('rect').getAttribute('width') !== before)
            await painted()
            return performance.now() - began""";
}
