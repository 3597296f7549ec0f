package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Readings that people write down: on a route, at one check; kept as originals like all others. */
@ExtendWith(OneRovek.class)
class ByHandTest {

    private final Caller caller;
    private final SmallPlant plant;
    private final String pressure;
    private final String guard;
    private final String remark;

    ByHandTest(RunningRovek rovek) {
        caller = Caller.signedIn(rovek);
        plant = new SmallPlant(caller);
        String client = plant.id(null, "CLIENT", "", "Client " + UUID.randomUUID());
        String asset =
                plant.id(plant.id(plant.id(client, "SITE", "", "Works"), "AREA", "", "Hall"), "ASSET", "P-7", "Pump");
        String point = plant.id(asset, "POINT", "", "Outlet");
        pressure = plant.check(point, "gauge", "Pressure");
        guard = plant.check(point, "question", "Yes or no");
        remark = plant.check(point, "remark", "Remark");
    }

    private static Map<String, Object> reading(String check, String written) {
        return new HashMap<>(Map.of(
                "id",
                UUID.randomUUID().toString(),
                "checkId",
                check,
                "takenAt",
                Instant.now().minusSeconds(60).truncatedTo(ChronoUnit.SECONDS).toString(),
                "written",
                written,
                "note",
                "",
                "photos",
                List.of()));
    }

    private static Map<String, Object> round(String route, List<?> readings, List<?> skipped) {
        Map<String, Object> round =
                new HashMap<>(Map.of("walkId", UUID.randomUUID().toString(), "readings", readings, "skipped", skipped));
        round.put("routeId", route);
        return round;
    }

    private static String picture() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new java.awt.image.BufferedImage(20, 10, java.awt.image.BufferedImage.TYPE_INT_RGB), "png", out);
        return Base64.getEncoder().encodeToString(out.toByteArray());
    }

    private JsonNode row(JsonNode visit, String check) {
        return visit.get("rows")
                .valueStream()
                .filter(row -> row.get("checkId").asString().equals(check))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aRoundIsWrittenDownJudgedAndKeptAsAnOriginal() throws IOException {
        String route = plant.route(List.of(pressure, guard, remark));
        JsonNode asked = caller.get("/api/by-hand/routes/" + route).ok();
        assertThat(asked.get("stops").valueStream().map(stop -> stop.get("form").asString()))
                .containsExactly("NUMBER", "YES_OR_NO", "WORDS");
        assertThat(asked.get("stops").get(0).get("unit").asString()).isEqualTo("bar");
        caller.limit(pressure, "gauge", "pressure", 4.0, 6.0).ok();
        Map<String, Object> words = reading(remark, "Oil under the coupling.\nWiped off.");
        words.put("photos", List.of(Map.of("base64", picture())));
        Map<String, Object> round = round(
                route,
                List.of(reading(pressure, "4200 mbar"), words),
                List.of(Map.of("checkId", guard, "reason", "locked")));

        JsonNode taken = caller.post("/api/by-hand", round).ok();
        assertThat(taken.get("fresh").asInt()).isEqualTo(2);
        assertThat(taken.get("loose").asInt()).isZero();
        JsonNode visit =
                caller.get("/api/visits/" + taken.get("visitId").asString()).ok();
        assertThat(visit.get("title").asString()).isEqualTo("Monthly walk");
        assertThat(row(visit, pressure).get("value").asDouble()).isEqualTo(4.2);
        assertThat(row(visit, guard).get("progress").asString()).isEqualTo("skipped");
        assertThat(row(visit, remark).get("reason").asString()).isEqualTo("kept as taken, not judged");
        String words1 = row(visit, remark).get("readingId").asString();
        assertThat(caller.get("/api/readings/" + words1 + "/capture")
                        .ok()
                        .get("photos")
                        .asInt())
                .isEqualTo(1);

        JsonNode again = caller.post("/api/by-hand", round).ok();
        assertThat(again.get("fresh").asInt())
                .as("a double click writes nothing twice")
                .isZero();
        String by = visit.get("instrument").get("id").asString();
        assertThat(caller.get("/api/instruments/" + by + "/originals")
                        .ok()
                        .valueStream()
                        .filter(one -> one.get("fileName")
                                .asString()
                                .contains(round.get("walkId").toString())))
                .hasSize(1);
        assertThat(caller.get("/api/instruments")
                        .ok()
                        .valueStream()
                        .map(one -> one.get("id").asString()))
                .as("a person is no instrument on the shelf")
                .doesNotContain(by);
    }

    @Test
    void aCertificateOfWhatWasWrittenNamesNoInstrumentAndSaysSo() {
        JsonNode taken = caller.post("/api/by-hand", round(null, List.of(reading(pressure, "3,5")), List.of()))
                .ok();
        JsonNode certificate = caller.post(
                        "/api/certificates",
                        Map.of("visitId", taken.get("visitId").asString(), "checkIds", List.of(pressure)))
                .ok();
        JsonNode preview = caller.get(
                        "/api/certificates/" + certificate.get("id").asString() + "/preview")
                .ok();
        assertThat(preview.get("missing").size())
                .as(preview.get("missing").toString())
                .isZero();
        assertThat(preview.get("html").asString()).contains("Entered by hand").doesNotContain("serial number");
    }

    /**
     * Readings of two makers in one visit: the paper names the instrument, and says that the rest was written by hand.
     */
    @Test
    void aCertificateNamesEverythingItsReadingsWereTakenWith(@TempDir Path memory) {
        List<String> measured = plant.pump("P-10");
        try (FieldDay day = new FieldDay(memory)) {
            String instrument = day.connect(caller);
            day.load(caller, instrument, plant.route(measured));
            day.press("/api/walk-all", Map.of());
            day.readBack(caller, instrument);
        }
        String walk = caller.get("/api/visits")
                .ok()
                .valueStream()
                .filter(one -> one.get("readings").asInt() == 4)
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        JsonNode written = caller.post("/api/by-hand", round(null, List.of(reading(pressure, "3.5")), List.of()))
                .ok();
        String reading = row(
                        caller.get("/api/visits/" + written.get("visitId").asString())
                                .ok(),
                        pressure)
                .get("readingId")
                .asString();
        caller.post(
                        "/api/visits/" + written.get("visitId").asString() + "/move-readings",
                        Map.of("readingIds", List.of(reading), "visitId", walk))
                .ok();
        JsonNode both = caller.post(
                        "/api/certificates", Map.of("visitId", walk, "checkIds", List.of(measured.get(0), pressure)))
                .ok();
        String paper = caller.get("/api/certificates/" + both.get("id").asString() + "/preview")
                .ok()
                .get("html")
                .asString();
        assertThat(paper).contains("VH-2, serial number 30417").contains("results of checks that take no instrument");
        JsonNode one = caller.post("/api/certificates", Map.of("visitId", walk, "checkIds", List.of(measured.get(0))))
                .ok();
        assertThat(caller.get("/api/certificates/" + one.get("id").asString() + "/preview")
                        .ok()
                        .get("html")
                        .asString())
                .contains("30417")
                .doesNotContain("Entered by hand");
    }

    @Test
    void whatIsWrongIsNamedWithItsPlaceAndNothingOfTheRoundIsTaken() {
        int before = caller.get("/api/visits").ok().size();
        Map<String, Object> late = reading(pressure, "4");
        late.put("takenAt", Instant.now().plusSeconds(86_400).toString());
        Map<String, Object> photo = reading(remark, "see photo");
        photo.put("photos", List.of(Map.of("base64", Base64.getEncoder().encodeToString("not a picture".getBytes()))));
        Map.of(
                        "is not a number", reading(pressure, "four"),
                        "°C is not a unit of it", reading(pressure, "20 °C"),
                        "in the future", late,
                        "yes or no", reading(guard, "perhaps"),
                        "Enter a remark", reading(remark, " "),
                        "not a picture", photo)
                .forEach((sentence, wrong) -> {
                    Caller.Answer answer =
                            caller.post("/api/by-hand", round(null, List.of(reading(pressure, "4"), wrong), List.of()));
                    assertThat(answer.status()).as(sentence).isEqualTo(422);
                    assertThat(answer.sentence()).contains(sentence);
                });
        String vibration = plant.pump("P-8").get(0);
        assertThat(caller.post("/api/by-hand", round(null, List.of(reading(vibration, "4")), List.of()))
                        .sentence())
                .contains("with an instrument");
        assertThat(caller.get("/api/by-hand/checks/" + vibration).status()).isEqualTo(409);
        assertThat(caller.get("/api/visits").ok().size()).isEqualTo(before);
    }

    @Test
    void anInstrumentIsLoadedWithoutTheStopsThatAreWrittenByHand(@TempDir Path memory) {
        List<String> vibration = plant.pump("P-9");
        String route = plant.route(List.of(vibration.get(0), pressure, vibration.get(1)));
        try (FieldDay day = new FieldDay(memory)) {
            String instrument = day.connect(caller);
            JsonNode fit = caller.get("/api/instruments/" + instrument + "/fit?routeId=" + route)
                    .ok();
            assertThat(fit.get("outcome").asString()).isEqualTo("WHOLE");
            assertThat(fit.get("firstChecks").size()).isEqualTo(2);
            assertThat(day.load(caller, instrument, route).get("sentence").asString())
                    .contains("2 stops");
            JsonNode stored = caller.get("/api/routes")
                    .ok()
                    .valueStream()
                    .filter(one -> one.get("id").asString().equals(route))
                    .findFirst()
                    .orElseThrow();
            assertThat(stored.get("loaded").get(0).get("changes").asString())
                    .as("what was left out on purpose is no change")
                    .isEmpty();
        }
    }
}
