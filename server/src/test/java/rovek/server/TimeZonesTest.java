package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Times are those of the site, on screen and on paper, on both sides of midnight and of summer time. */
@ExtendWith(OneRovek.class)
class TimeZonesTest extends GaugedPlant {

    private final RunningRovek rovek;

    TimeZonesTest(RunningRovek rovek) {
        super(rovek);
        this.rovek = rovek;
    }

    private String site() {
        return plant.row(area).get("node").get("parentId").asString();
    }

    private String certificateOf(String takenAt) {
        String visit = Entered.round(caller, List.of(Entered.reading(pressure, takenAt, "5")));
        JsonNode certificate = caller.post("/api/certificates", Map.of("visitId", visit, "checkIds", List.of(pressure)))
                .ok();
        return caller.get("/api/certificates/" + certificate.get("id").asString() + "/preview")
                .ok()
                .get("html")
                .asString();
    }

    @Test
    void aSiteSaysItsZoneAndEverythingInItFollows() {
        assertThat(plant.alter(site(), "nameplate.timeZone", "", "Mars/Olympus").sentence())
                .contains("choose a time zone such as");
        assertThat(caller.get("/api/nodes/" + pressure + "/sheet")
                        .ok()
                        .get("zone")
                        .asString())
                .isEqualTo("UTC");
        plant.alter(site(), "nameplate.timeZone", "", "America/New_York").ok();
        JsonNode plate = caller.get("/api/plant/nodes/" + site() + "/nameplate").ok();
        assertThat(plate.get("lines").get(0).get("value").asString()).isEqualTo("America/New_York");
        assertThat(plate.get("lines").get(0).get("options").toString()).contains("Europe/London");
        written(pressure, 1, 5);
        for (String path : List.of(
                "/api/nodes/" + pressure + "/sheet", "/api/checks/" + pressure + "/trend", "/api/visits/" + visit)) {
            assertThat(caller.get(path).ok().get("zone").asString()).as(path).isEqualTo("America/New_York");
        }
        assertThat(caller.get("/api/nodes/" + UUID.randomUUID() + "/sheet").status())
                .isEqualTo(404);
    }

    @Test
    void theDayOfMeasurementIsThatOfTheSite() {
        plant.alter(site(), "nameplate.timeZone", "", "Asia/Tokyo").ok();
        assertThat(certificateOf("2026-03-04T16:30:00Z"))
                .as("half past one in the morning of the next day")
                .contains("2026-03-05 (Asia/Tokyo)");
        assertThat(certificateOf("2026-03-06T14:59:59Z")).contains("2026-03-06 (Asia/Tokyo)");
    }

    @Test
    void summerTimeIsThatOfTheDay() {
        plant.alter(site(), "nameplate.timeZone", "", "Europe/London").ok();
        assertThat(certificateOf("2026-03-28T23:30:00Z"))
                .as("the last night of winter time")
                .contains("2026-03-28 (Europe/London)");
        assertThat(certificateOf("2026-03-29T23:30:00Z"))
                .as("half past midnight in summer time")
                .contains("2026-03-30 (Europe/London)");
        assertThat(certificateOf("2026-10-24T23:30:00Z")).contains("2026-10-25 (Europe/London)");
        assertThat(certificateOf("2026-10-25T23:30:00Z"))
                .as("winter time again")
                .contains("2026-10-25 (Europe/London)");
    }

    /** At any hour one of the two is on another day than UTC: 14 hours ahead, and 11 behind. */
    @Test
    void theYearOfANumberAndTheDayOfIssueAreThoseOfTheSite() throws IOException {
        ZoneId far = ZoneId.of(
                Instant.now().atOffset(ZoneOffset.UTC).getHour() >= 11 ? "Pacific/Kiritimati" : "Pacific/Pago_Pago");
        plant.alter(site(), "nameplate.timeZone", "", far.getId()).ok();
        String visit = Entered.round(
                caller, List.of(Entered.reading(pressure, now.minusSeconds(60).toString(), "5")));
        String id = caller.post("/api/certificates", Map.of("visitId", visit, "checkIds", List.of(pressure)))
                .ok()
                .get("id")
                .asString();
        JsonNode seen = caller.get("/api/certificates/" + id + "/preview").ok();
        LocalDate before = LocalDate.ofInstant(Instant.now(), far);
        JsonNode issued = caller.post(
                        "/api/certificates/" + id + "/sign",
                        Map.of(
                                "password",
                                RunningRovek.PASSWORD,
                                "digest",
                                seen.get("digest").asString()))
                .ok();
        LocalDate after = LocalDate.ofInstant(Instant.now(), far);
        try (PDDocument paper =
                Loader.loadPDF(caller.get("/api/certificates/" + id + "/pdf").bytes())) {
            String text = new PDFTextStripper().getText(paper).replaceAll("\\s+", " ");
            assertThat(List.of(before, after)).anySatisfy(day -> {
                assertThat(text).contains("signed by administrator on %s (%s)".formatted(day, far.getId()));
                assertThat(issued.get("number").asString()).startsWith(day.getYear() + "-");
            });
        }
    }

    @Test
    void everybodyChoosesHowTimesAreRead() {
        assertThat(caller.get("/api/times").ok().get("homeZone").asString()).isEqualTo("UTC");
        String name = "times." + UUID.randomUUID();
        caller.post(
                        "/api/accounts",
                        Map.of("name", name, "displayName", "T", "role", "VIEWER", "password", RunningRovek.PASSWORD))
                .ok();
        Caller viewer = Caller.signedIn(rovek.address(), name, RunningRovek.PASSWORD);
        viewer.put("/api/session/times", Map.of("timeZone", "Europe/Berlin", "dateFormat", "dd.MM.yyyy"))
                .ok();
        JsonNode me = viewer.get("/api/session").ok();
        assertThat(me.get("timeZone").asString()).isEqualTo("Europe/Berlin");
        assertThat(me.get("dateFormat").asString()).isEqualTo("dd.MM.yyyy");
        assertThat(viewer.put("/api/session/times", Map.of("timeZone", "Mars/Olympus", "dateFormat", ""))
                        .sentence())
                .isEqualTo("Choose a time zone from the list.");
        assertThat(viewer.put("/api/session/times", Map.of("timeZone", "", "dateFormat", "EEEE"))
                        .sentence())
                .isEqualTo("Choose a date format from the list.");
    }
}
