package rovek.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** The outliner over 50,000 nodes with 100,000 checks: a server process of its own, and Chromium. */
final class PlantSizeBench {

    /** @return what was measured, a line each */
    List<String> run() throws Exception {
        return new ServerRun().measure(BigPlant::plant, this::measure);
    }

    private List<String> measure(ServerRun.Running running) throws Exception {
        List<String> lines = new ArrayList<>();
        lines.add("Plant of %,d nodes with %,d checks".formatted(BigPlant.nodes(), BigPlant.CHECKS));
        try (BrowserRun browser = BrowserRun.at(running.address())) {
            long began = System.nanoTime();
            browser.post("/api/outline", "{}");
            lines.add("  all checks judged once after the start: %.1f s".formatted((System.nanoTime() - began) / 1e9));
            browser.driver.executeCdpCommand("Page.addScriptToEvaluateOnNewDocument", Map.of("source", FIRST_PAINT));
            lines.add(BrowserRun.line(
                    "first paint of the outliner",
                    1_500,
                    BrowserRun.repeat(() -> firstPaint(browser, running.address()))));
            lines.add(BrowserRun.line(
                    "unfolding an area of 50 machines", 200, BrowserRun.repeat(() -> browser.script(unfold()))));
            lines.add(BrowserRun.line(
                    "finding one machine of 10,000 by its tag",
                    200,
                    BrowserRun.repeat(() ->
                            browser.script(FIND.formatted("P-1" + (1_000 + (int) (Math.random() * 8_000)))))));
            lines.add(BrowserRun.line(
                    "showing only what fails", 200, BrowserRun.repeat(() -> browser.script(SHOW_FAILING))));
            lines.add(BrowserRun.line(
                    "rows to be seen after a jump down 9,000 rows",
                    100,
                    BrowserRun.repeat(() -> browser.script(SCROLL))));
            lines.add("  server: heap limit 768 MB, largest resident size %d MB (wanted at most 1,024)"
                    .formatted(ServerRun.peakMegabytes(running.process())));
            return lines;
        }
    }

    private static final String FIRST_PAINT = """
            new MutationObserver((changes, observer) => {
              if (!document.querySelector('tr[data-node]')) return
              observer.disconnect()
              requestAnimationFrame(() => setTimeout(() => { window.firstRowAt = performance.now() }))
            }).observe(document, { childList: true, subtree: true })""";

    private static double firstPaint(BrowserRun browser, String address) {
        browser.driver.get(address + "/plant");
        return browser.script(
                "while (window.firstRowAt === undefined) await new Promise(r => setTimeout(r, 5)); return window.firstRowAt");
    }

    private static String unfold() {
        return BrowserRun.PAINTED + """
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

    private static final String TYPE =
            "const type = text => { const field = document.querySelector('input[type=search]');"
                    + " Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, "
                    + "text); field.dispatchEvent(new Event('input', {bubbles: true})) };";

    private static final String FIND = BrowserRun.PAINTED + TYPE + """
            const began = performance.now()
            type('%1$s')
            await until(() => document.querySelector('tr[data-node]:last-of-type, tr[data-node]') &&
                [...document.querySelectorAll('tr[data-node]')].some(r => r.textContent.includes('%1$s')) &&
                +document.querySelector('[role=treegrid]').getAttribute('aria-rowcount') < 30)
            await painted()
            const took = performance.now() - began
            type('')
            await until(() => +document.querySelector('[role=treegrid]').getAttribute('aria-rowcount') > 100)
            return took""";

    private static final String SHOW_FAILING = BrowserRun.PAINTED + """
            const choose = show => document.querySelector(`button[data-show=${show}]`).click()
            const began = performance.now()
            choose('FAIL')
            await until(() => document.querySelector('[data-matches]'))
            await painted()
            const took = performance.now() - began
            choose('all')
            await until(() => !document.querySelector('[data-matches]'))
            return took""";

    private static final String SCROLL = BrowserRun.PAINTED + """
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
}
