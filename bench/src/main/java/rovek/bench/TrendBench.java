package rovek.bench;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** A million values behind one plot: what the server needs beside the bare query, and when the browser shows it. */
final class TrendBench {

    /** Requests before the first that counts: a server that has just started is slow at everything. */
    private static final int WARMING_UP = 50;

    private static final int VALUES = 1_000_000;
    static final String CHECK = BigPlant.id(6, 1);
    private static final String OTHER = BigPlant.id(6, 777);
    private static final String POINT = BigPlant.id(5, 2);

    /** Thinned like the plot, straight from the rows. */
    private static final String BARE = """
            SELECT min(taken_at), max(taken_at), min(value), max(value), count(*) FROM result
            WHERE check_id = '%s' AND result_id = 'velocity.rms' AND counts AND taken_at BETWEEN %s
            GROUP BY date_bin(%s, taken_at, '2024-12-01') ORDER BY 1""";

    private static final String ALL = "'2024-12-01' AND '2026-12-01'";
    private static final String SIX_WEEKS = "'2026-01-01' AND '2026-02-12'";

    /** @return what was measured, a line each */
    List<String> run() throws Exception {
        return new ServerRun().measure(TrendBench::fill, TrendBench::measured);
    }

    static void fill(Connection database) throws SQLException {
        BigPlant.plant(database);
        try (Statement statement = database.createStatement()) {
            statement.execute("DELETE FROM result WHERE check_id = '" + CHECK + "'");
            statement.execute("DELETE FROM reading WHERE check_id = '" + CHECK + "'");
            statement.execute("""
                    INSERT INTO reading (id, check_id, visit_id, original_id, instrument_id, own_id, capture_sha256, technique,
                        taken_at, instrument_time,
                        label, note, settings, obstacle, replaced, discarded_because, filled, stored_at, version)
                    SELECT gen_random_uuid(), '%s', v.id, o.id, o.instrument_id, 'trend-' || n, 'trend', 'vibration',
                        '2024-12-01T00:00:00Z'::timestamptz + n * interval '62 seconds',
                        '2024-12-01T00:00:00Z'::timestamptz + n * interval '62 seconds', '', '', '{}', '', false, NULL, '{}', now(), 0
                    FROM generate_series(1, %d) n, (SELECT id FROM visit LIMIT 1) v, (SELECT id, instrument_id
                        FROM original LIMIT 1) o""".formatted(CHECK, VALUES));
            statement.execute("""
                    INSERT INTO result (reading_id, result_id, taken_at, check_id, place, value, unit)
                    SELECT id, 'velocity.rms', taken_at, check_id, 0, 2 + random() + CASE WHEN own_id = 'trend-600000' THEN 7 ELSE 0
                        END, 'mm/s'
                    FROM reading WHERE check_id = '%s'""".formatted(CHECK));
            statement.execute("VACUUM ANALYZE result");
            statement.execute("ANALYZE reading");
        }
    }

    private static List<String> measured(ServerRun.Running running) throws Exception {
        List<String> lines = new ArrayList<>();
        lines.add("A trend of %,d values".formatted(VALUES));
        try (Connection database = running.database().open();
                BrowserRun browser = BrowserRun.at(running.address())) {
            lines.add(String.format(
                    Locale.ROOT,
                    "  the first look of all, which sums the hours up: %.0f ms",
                    asked(browser, CHECK, "")));
            for (int i = 0; i < WARMING_UP; i++) {
                asked(browser, OTHER, "");
            }
            lines.add(String.format(
                    Locale.ROOT,
                    "  beside it, a trend of one reading is answered in %.0f ms",
                    BrowserRun.repeat(() -> asked(browser, OTHER, ""))[2]));
            double[] bare = BrowserRun.repeat(() -> bare(database, ALL, "interval '63000 seconds'"));
            double[] whole = BrowserRun.repeat(() -> asked(browser, CHECK, ""));
            lines.add(ratio("the whole", whole, bare));
            double[] bareWeeks = BrowserRun.repeat(() -> bare(database, SIX_WEEKS, "interval '3629 seconds'"));
            double[] weeks = BrowserRun.repeat(
                    () -> asked(browser, CHECK, "?from=2026-01-01T00:00:00Z&to=2026-02-12T00:00:00Z"));
            lines.add(ratio("six weeks of it", weeks, bareWeeks));
            browser.driver.get(running.address() + "/plant?node=" + POINT + "&check=" + CHECK);
            lines.add(BrowserRun.line(
                    "opening the plot, from the click to the paint",
                    300,
                    BrowserRun.repeat(() -> browser.script(OPEN))));
            lines.add(BrowserRun.line(
                    "zooming by key, from the key to the paint", 150, BrowserRun.repeat(() -> browser.script(ZOOM))));
            lines.add("  the one spike among them is drawn: " + (browser.script(SPIKE) == 1));
        }
        return lines;
    }

    private static String ratio(String what, double[] server, double[] bare) {
        double ours = server[server.length / 2];
        double theirs = bare[bare.length / 2];
        return String.format(
                Locale.ROOT,
                "  %s: answered in %.0f ms, the bare query thinning the same rows takes %.0f ms, ratio %.2f (wanted at most 1.5)",
                what,
                ours,
                theirs,
                ours / theirs);
    }

    private static double asked(BrowserRun browser, String check, String query) {
        return browser.script("const began = performance.now(); const answer = await fetch('/api/checks/" + check
                + "/trend" + query + "'); await answer.json(); return performance.now() - began");
    }

    private static double bare(Connection database, String between, String width) throws SQLException {
        long began = System.nanoTime();
        try (Statement statement = database.createStatement();
                ResultSet rows = statement.executeQuery(BARE.formatted(CHECK, between, width))) {
            while (rows.next()) {
                rows.getDouble(3);
            }
        }
        return (System.nanoTime() - began) / 1e6;
    }

    /** The row of the check is left and chosen again: the plot is made again, of an answer that is asked for again. */
    private static final String OPEN = BrowserRun.PAINTED + """
            const rows = () => [...document.querySelectorAll('section[data-now] table.ledger tbody tr')]
            await until(() => rows().length > 1 && document.querySelector('[role=slider]'))
            const own = rows().find(row => row.getAttribute('aria-current')) ?? rows()[0]
            const other = rows().find(row => row !== own)
            other.click()
            await until(() => other.getAttribute('aria-current') && !document.querySelector('[data-thinned]'))
            await painted()
            window.dispatchEvent(new Event('focus'))
            const began = performance.now()
            own.click()
            await until(() => document.querySelector('[data-thinned]') && document.querySelector('canvas'))
            await painted()
            return performance.now() - began""";

    private static final String ZOOM = BrowserRun.PAINTED + """
            const strip = document.querySelector('[role=slider]')
            strip.focus()
            const canvas = () => document.querySelector('.uplot canvas')
            const before = canvas()
            const began = performance.now()
            strip.dispatchEvent(new KeyboardEvent('keydown', { key: '+', bubbles: true }))
            await until(() => canvas() !== before)
            await painted()
            return performance.now() - began""";

    private static final String SPIKE = "const answer = await (await fetch('/api/checks/" + CHECK + "/trend')).json();"
            + " return answer.stretches.some(stretch => stretch.largest > 8) ? 1 : 0";
}
