package rovek.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** Checks the page on the screen with axe-core against WCAG 2.2 A and AA. */
final class Accessibility {

    private static final Path AXE = Path.of("../web/node_modules/axe-core/axe.min.js");

    private Accessibility() {}

    @SuppressWarnings("unchecked")
    static void check(Browser browser, String page) {
        try {
            browser.run(Files.readString(AXE));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Map<String, Object> outcome = (Map<String, Object>) browser.run("""
                return axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'], resultTypes: ['violations']})
                  .then(r => ({rules: r.passes.length, violations: r.violations.map(v => v.id + ': ' + v.nodes.map(n => n.html + ' '
                      + n.failureSummary).slice(0, 3).join(' | '))}))""");
        assertThat((Long) outcome.get("rules")).as("axe looked at %s", page).isPositive();
        assertThat((List<String>) outcome.get("violations"))
                .as("what axe finds on %s", page)
                .isEmpty();
    }
}
