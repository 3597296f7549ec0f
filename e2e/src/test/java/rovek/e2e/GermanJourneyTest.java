package rovek.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import rovek.server.FieldDay;

/** The same work in another language: chosen once, it stays with the account. */
class GermanJourneyTest extends SignedInJourney {

    @Test
    void aRoundIsEnteredInGermanWithADecimalComma() {
        keepingAPicture(() -> {
            String client = plant.id(null, "CLIENT", "", "Kunde " + UUID.randomUUID());
            String area = plant.id(plant.id(client, "SITE", "", "Werk"), "AREA", "", "Halle");
            String point = plant.id(plant.id(area, "ASSET", "C-320", "Verdichter"), "POINT", "", "Tafel");
            String pressure = plant.check(point, "gauge", "Pressure");
            plant.route(List.of(pressure));
            browser.room("Settings");
            browser.click(By.xpath("//select/option[.='Deutsch']"));
            browser.see("Änderungsverzeichnis");
            Accessibility.check(browser, "the settings in German");
            browser.choose("Einheit für Druckwert", "psi");
            browser.see("Einheiten gespeichert.");
            browser.room("Rundgänge");
            browser.see("Alle Stationen werden von Hand eingegeben; ein Messgerät ist nicht nötig.");
            browser.press("Messwerte eingeben");
            browser.fill("Messwert von C-320 Tafel, Pressure", "95,5");
            browser.press("Rundgang speichern");
            browser.see("Messwerte gespeichert.");
            assertThat(caller.get("/api/checks/" + pressure + "/trend?result=")
                            .ok()
                            .get("points")
                            .get(0)
                            .get("value")
                            .asDouble())
                    .as("95.5 pounds of 4.4482216152605 N on 0.00064516 m2, in bar")
                    .isEqualTo(6.584493214975785);
            browser.see("95,5");
            browser.see("psi");
            browser.see("Alle Messungen sind zugeordnet.");
            browser.open(rovek.address() + "/visits");
            browser.see("Ausgelesene, von Hand eingegebene, aufgenommene oder aus Dateien importierte Messungen.");
            assertThat(browser.texts(By.xpath("//nav//a"))).contains("Anlage", "Messgeräte", "Einsätze");
            readBack();
            browser.room("Einstellungen");
            browser.see("Sprache gewählt");
            browser.choose("Einheit für Druckwert", "");
            browser.click(By.xpath("//select/option[.='English']"));
            browser.see("Audit trail");
        });
    }

    /** How a job goes on comes by a stream of events, in the language that was chosen in the browser. */
    private void readBack() {
        try (FieldDay handheld = new FieldDay(files.resolve("handheld"))) {
            handheld.connect(caller);
            handheld.press("/api/loose", Map.of("technique", "vibration", "assetTag", "P-1", "point", "Drive end"));
            browser.room("Messgeräte");
            browser.press("Neue Dateien auslesen");
            browser.see("1 neue Messung, davon 1 lose. Die Originale sind gespeichert und geprüft.");
        }
    }
}
