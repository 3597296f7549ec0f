package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** A client reads his reports in his language and his units, whoever writes them. */
@ExtendWith(OneRovek.class)
class ReportChoiceTest extends GaugedPlant {

    ReportChoiceTest(RunningRovek rovek) {
        super(rovek);
    }

    private String client() {
        String site = plant.row(area).get("node").get("parentId").asString();
        return plant.row(site).get("node").get("parentId").asString();
    }

    private JsonNode preview(String... checks) {
        JsonNode certificate = caller.post("/api/certificates", Map.of("visitId", visit, "checkIds", List.of(checks)))
                .ok();
        return caller.get("/api/certificates/" + certificate.get("id").asString() + "/preview")
                .ok();
    }

    private void unit(String kind, String unit, Integer decimals) {
        Map<String, Object> chosen = new HashMap<>(Map.of("unit", unit));
        chosen.put("decimals", decimals);
        caller.put(
                        "/api/clients/" + client() + "/reports/units",
                        Map.of("choices", List.of(Map.of("kind", kind, "chosen", chosen))))
                .ok();
    }

    @Test
    void aCertificateIsInTheClientsLanguageAndUnits() {
        say(pressure, Caller.rule("ABOVE", 6.0, 7.0), null);
        written(pressure, 1, 6.5);
        assertThat(preview(pressure).get("html").asString())
                .as("in English and as stored, until something is chosen")
                .contains("Inspection certificate", "6.50", "bar", "above 7.00");
        caller.put("/api/clients/" + client() + "/reports/language", Map.of("language", "de"))
                .ok();
        unit("pressure", "psi", null);
        String html = preview(pressure).get("html").asString();
        assertThat(html)
                .startsWith("<html lang=\"de\">")
                .contains("<h1>Prüfbescheinigung</h1>", "Vorschau: nicht unterschrieben", "Gemessen am", "psi", "94,27")
                .contains("über 101,5")
                .contains("beobachten", "1 Ergebnis: 0 nicht in Ordnung, 1 zu beobachten")
                .doesNotContain("Finding", "Watch<", "not judged", "bar<");
        unit("pressure", "psi", 3);
        assertThat(preview(pressure).get("html").asString())
                .as("with the decimals that were chosen")
                .contains("94,275", "über 101,526");
    }

    @Test
    void whyAResultWasNotJudgedIsSaidInTheClientsLanguageAndOnTheScreenInOnesOwn() {
        written(pressure, 1, 6.5);
        caller.put("/api/clients/" + client() + "/reports/language", Map.of("language", "de"))
                .ok();
        assertThat(preview(pressure).get("html").asString()).contains("kein Grenzwert festgelegt");
        assertThat(caller.get("/api/nodes/" + pressure + "/sheet")
                        .ok()
                        .get("checks")
                        .get(0)
                        .get("reason")
                        .asString())
                .isEqualTo("no limit is set");
        JsonNode inGerman = caller.in("de")
                .get("/api/nodes/" + pressure + "/sheet")
                .ok()
                .get("checks")
                .get(0);
        assertThat(inGerman.get("reason").asString()).isEqualTo("kein Grenzwert festgelegt");
        assertThat(inGerman.get("result").asString()).isEqualTo("Druckwert");
    }

    @Test
    void whatIsChosenIsToldAndOnlyOfClients() {
        unit("vibration-velocity", "in/s", null);
        JsonNode chosen = caller.get("/api/clients/" + client() + "/reports").ok();
        assertThat(chosen.get("language").asString()).isEqualTo("en");
        assertThat(chosen.get("languages").toString()).contains("de");
        assertThat(chosen.get("units").toString()).contains("in/s");
        assertThat(caller.get("/api/units").ok().toString())
                .as("nobody else's units change")
                .doesNotContain("0.03937");
        assertThat(caller.put("/api/clients/" + client() + "/reports/language", Map.of("language", "xx"))
                        .sentence())
                .isEqualTo("Choose a language from the list.");
        assertThat(caller.get("/api/clients/" + area + "/reports").status()).isEqualTo(404);
        assertThat(caller.put("/api/clients/" + UUID.randomUUID() + "/reports/language", Map.of("language", "de"))
                        .status())
                .isEqualTo(404);
    }

    /** Whoever asks in German is answered in German, and in English where a language is not spoken. */
    @Test
    void aRefusalIsInTheLanguageThatIsAskedFor() {
        String path = "/api/nodes/" + UUID.randomUUID() + "/sheet";
        assertThat(caller.in("de").get(path).sentence()).startsWith("Dieser Teil der Anlage: nicht mehr vorhanden");
        assertThat(caller.in("ja").get(path).sentence()).startsWith("That part of the plant no longer exists");
        assertThat(caller.in("x".repeat(2_000)).get(path).status()).isEqualTo(404);
        assertThat(caller.in("de")
                        .put("/api/session/times", Map.of("timeZone", "Mars", "dateFormat", ""))
                        .sentence())
                .isEqualTo("Wählen Sie eine Zeitzone aus der Liste.");
    }
}
