package rovek.fieldsim;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class PanelTest {

    private final HttpClient http = HttpClient.newHttpClient();
    private final JsonMapper json = JsonMapper.builder().build();

    @TempDir
    Path memory;

    private Fieldsim fieldsim;

    @BeforeEach
    void switchOn() {
        fieldsim = Fieldsim.start(memory, 0, 0, Clock.systemUTC());
    }

    @AfterEach
    void switchOff() {
        fieldsim.close();
    }

    private HttpResponse<String> send(String path, String type, String body) throws IOException, InterruptedException {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + fieldsim.panelPort() + path));
        if (body != null) {
            request.header("Content-Type", type).POST(HttpRequest.BodyPublishers.ofString(body));
        }
        return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    private JsonNode post(String path, String body, int status) throws IOException, InterruptedException {
        HttpResponse<String> answer = send(path, "application/json", body);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(status);
        return json.readTree(answer.body());
    }

    @Test
    void thePageSaysThatItIsAStandIn() throws Exception {
        assertThat(send("/", null, null).body()).contains("data-word=\"standin\"");
        assertThat(words("en").get("panel.standin").asString()).contains("Stand-in for a handheld instrument");
        assertThat(send("/panel.js", null, null).headers().firstValue("Content-Type"))
                .hasValueSatisfying(type -> assertThat(type).contains("javascript"));
        assertThat(send("/elsewhere", null, null).statusCode()).isEqualTo(404);
    }

    @Test
    void aPageOfAnotherOriginCannotPressItsButtons() throws Exception {
        assertThat(send("/api/walk-all", "text/plain", "{}").statusCode()).isEqualTo(415);
        assertThat(send("/api/battery", "application/x-www-form-urlencoded", "percent=1")
                        .statusCode())
                .isEqualTo(415);
    }

    @Test
    void whatCannotBeIsSaidAndChangesNothing() throws Exception {
        assertThat(post("/api/walk-all", "{}", 409).get("problem").get("key").asString())
                .isEqualTo("handheld.noRoute");
        assertThat(post("/api/stops/not-an-id/measure", "{}", 400)
                        .get("problem")
                        .get("key")
                        .asString())
                .isEqualTo("handheld.impossible");
        assertThat(post("/api/dance", "{}", 400)
                        .get("problem")
                        .get("values")
                        .get("why")
                        .asString())
                .contains("there is no /api/dance");
        assertThat(post("/api/time", "{\"at\":\"tomorrow\"}", 400)
                        .get("problem")
                        .get("key")
                        .asString())
                .isEqualTo("handheld.impossible");
        assertThat(post("/api/battery", "no json", 400).get("battery").asInt()).isEqualTo(81);
    }

    /** A language is a file, of the same words as every other. */
    @Test
    void thePanelSpeaksMoreThanOneLanguage() throws Exception {
        JsonNode english = words("en");
        JsonNode german = words("de");
        assertThat(german.propertyNames()).containsExactlyElementsOf(english.propertyNames());
        assertThat(german.get("panel.measure").asString()).isEqualTo("Messen");
        LocalDate today = LocalDate.of(2026, 1, 1);
        Stream.of(
                        HandheldModel.vibration(today),
                        HandheldModel.logger(today),
                        HandheldModel.loop(today),
                        HandheldModel.cells(today),
                        HandheldModel.leak(today))
                .flatMap(model -> model.techniques().stream())
                .forEach(technique -> assertThat(english.has("technique." + technique))
                        .as(technique)
                        .isTrue());
        String page =
                send("/", null, null).body() + send("/panel.js", null, null).body();
        english.propertyNames().stream()
                .filter(key -> key.startsWith("panel."))
                .map(key -> key.substring("panel.".length()))
                .filter(key -> !List.of("TO_DO", "BEGUN", "DONE", "SKIPPED").contains(key))
                .forEach(key -> assertThat(page).containsPattern("['\"]" + key + "['\"]"));
    }

    private JsonNode words(String language) throws Exception {
        return json.readTree(send("/words/" + language + ".json", null, null).body());
    }

    @Test
    void timeBatteryAndLooseReadingsShowAtOnce() throws Exception {
        assertThat(post("/api/battery", "{\"percent\":250}", 200).get("battery").asInt())
                .isEqualTo(100);
        assertThat(post("/api/clock-error", "{\"seconds\":90}", 200)
                        .get("clockErrorSeconds")
                        .asLong())
                .isEqualTo(90);
        assertThat(post("/api/time", "{\"at\":\"2026-01-02T03:04:05Z\"}", 200)
                        .get("plantTime")
                        .asString())
                .startsWith("2026-01-02T03:04:0");
        JsonNode state = post("/api/loose", "{\"assetTag\":\"P-1\",\"point\":\"Coupling\"}", 200);
        assertThat(state.get("loose").get(0).get("label").asString()).isEqualTo("P-1 Coupling");
        assertThat(post("/api/faults", "{\"memoryFull\":true}", 200)
                        .get("freeBytes")
                        .asLong())
                .isZero();
    }
}
