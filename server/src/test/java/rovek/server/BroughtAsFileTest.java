package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rovek.core.reading.ValueCapture;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.Walk;
import tools.jackson.databind.JsonNode;

/** Packages that anybody may have written: they change nobody else's visit, and what came so says so. */
@ExtendWith(OneRovek.class)
class BroughtAsFileTest {

    private static final Instant AT = Instant.parse("2026-11-20T08:00:00Z");

    private final RunningRovek rovek;
    private final Caller caller;
    private final String check;

    BroughtAsFileTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        SmallPlant plant = new SmallPlant(caller);
        String area =
                plant.id(plant.id(plant.id(null, "CLIENT", "", "Client"), "SITE", "", "Works"), "AREA", "", "Hall");
        this.check = plant.check(
                plant.id(plant.id(area, "ASSET", "P-1", "Pump"), "POINT", "", "Gauge"), "gauge", "Pressure");
        caller.limit(check, "gauge", "pressure", 4.0, 5.0).ok();
    }

    private byte[] packed(
            String serial, UUID walkId, String title, Walk.Progress progress, Instant createdAt, double bar) {
        PackedReading reading = new PackedReading(
                "r-" + bar,
                AT,
                "gauge",
                Optional.of(UUID.fromString(check)),
                "",
                "",
                Optional.empty(),
                Map.of("quantity", "pressure"),
                new PackedCapture.Plain(new ValueCapture(new Amount(bar, UnitCatalogue.BAR))));
        Walk walk = new Walk(
                walkId, UUID.randomUUID(), title, List.of(new Walk.WalkedStop(UUID.fromString(check), progress, "")));
        Maker maker = new Maker("Elsewhere", Optional.of(new Maker.MakingInstrument("Maker", "M1", serial, "1.0")));
        return ReadingsPackage.pack(createdAt, maker, Optional.of(walk), List.of(reading));
    }

    private void take(Caller by, byte[] bytes) {
        JsonNode job =
                by.awaitJob(by.sendFile("/api/originals", "W1.zip", bytes).ok());
        assertThat(job.get("state").asString()).as(job.toString()).isEqualTo("DONE");
    }

    private JsonNode visitOf(String serial) {
        JsonNode line = caller.get("/api/visits")
                .ok()
                .valueStream()
                .filter(one -> one.get("instrument").asString().contains(serial))
                .findFirst()
                .orElseThrow();
        return caller.get("/api/visits/" + line.get("id").asString()).ok();
    }

    @Test
    void aWalkOfAnotherInstrumentIsAnotherWalk() {
        UUID walk = UUID.randomUUID();
        take(caller, packed("4001", walk, "Monthly walk", Walk.Progress.DONE, AT, 2));
        JsonNode before = visitOf("4001");
        take(caller, packed("6666", walk, "Somebody else's", Walk.Progress.TO_DO, AT.plusSeconds(3_600), 9));
        assertThat(visitOf("4001")).isEqualTo(before);
        assertThat(visitOf("6666").get("title").asString()).isEqualTo("Somebody else's");
    }

    /** One character that no page can hold kept a report from ever being signed. */
    @Test
    void strangeCharactersInAPackageDoNotKeepAReportFromBeingSigned() {
        caller.put("/api/policies", Map.of("refuseOverdue", false, "fileNeedsSecond", false))
                .ok();
        String strange = "a\u000Bb\uFFFEc\uFFFFd\uD800e\u0085f\u001Bg";
        PackedReading reading = new PackedReading(
                "s",
                AT,
                "gauge",
                Optional.of(UUID.fromString(check)),
                "",
                strange,
                Optional.empty(),
                Map.of("quantity", "pressure"),
                new PackedCapture.Plain(new ValueCapture(new Amount(2, UnitCatalogue.BAR))));
        Walk walk = new Walk(
                UUID.randomUUID(),
                UUID.randomUUID(),
                "Walk " + strange,
                List.of(new Walk.WalkedStop(UUID.fromString(check), Walk.Progress.DONE, strange)));
        Maker maker = new Maker("Elsewhere", Optional.of(new Maker.MakingInstrument("Maker", "M1", "4004", "1.0")));
        take(caller, ReadingsPackage.pack(AT, maker, Optional.of(walk), List.of(reading)));
        JsonNode visit = visitOf("4004");
        assertThat(visit.get("title").asString()).isEqualTo("Walk abcdefg");
        caller.put(
                        "/api/instruments/" + visit.get("instrument").get("id").asString() + "/calibration",
                        Map.of("calibratedOn", "2026-05-01", "months", 12))
                .ok();
        String certificate = caller.post(
                        "/api/certificates", Map.of("visitId", visit.get("id").asString(), "checkIds", List.of(check)))
                .ok()
                .get("id")
                .asString();
        sign(
                        caller,
                        certificate,
                        caller.get("/api/certificates/" + certificate + "/preview")
                                .ok())
                .ok();
    }

    @Test
    void whatAPackageChangesOfAVisitStandsInTheTrailWithWhatItWas() {
        UUID walk = UUID.randomUUID();
        take(caller, packed("4002", walk, "First name", Walk.Progress.TO_DO, AT, 2));
        take(caller, packed("4002", walk, "Second name", Walk.Progress.DONE, AT.plusSeconds(3_600), 3));
        JsonNode line = caller.get("/api/audit")
                .ok()
                .valueStream()
                .filter(one -> one.get("action").asString().equals("change by reading back"))
                .findFirst()
                .orElseThrow();
        assertThat(line.get("before").asString()).contains("First name", "to do");
        assertThat(line.get("after").asString()).contains("Second name", "done");
    }

    @Test
    void whatCameAsAFileSaysSoAndAnotherPersonSignsIt() {
        caller.put("/api/policies", Map.of("refuseOverdue", false, "fileNeedsSecond", true))
                .ok();
        caller.post(
                        "/api/accounts",
                        Map.of(
                                "name",
                                "second",
                                "displayName",
                                "Second Reviewer",
                                "role",
                                "REVIEWER",
                                "password",
                                RunningRovek.PASSWORD))
                .ok();
        Caller second = Caller.signedIn(rovek.address(), "second", RunningRovek.PASSWORD);
        take(caller, packed("4003", UUID.randomUUID(), "Monthly walk", Walk.Progress.DONE, AT, 2));
        JsonNode visit = visitOf("4003");
        assertThat(visit.get("files").get(0).asString()).isEqualTo("W1.zip, imported by administrator");
        caller.put(
                        "/api/instruments/" + visit.get("instrument").get("id").asString() + "/calibration",
                        Map.of("calibratedOn", "2026-05-01", "months", 12))
                .ok();
        String certificate = caller.post(
                        "/api/certificates", Map.of("visitId", visit.get("id").asString(), "checkIds", List.of(check)))
                .ok()
                .get("id")
                .asString();
        JsonNode mine =
                caller.get("/api/certificates/" + certificate + "/preview").ok();
        assertThat(mine.get("missing").toString()).contains("Another reviewer has to sign");
        assertThat(mine.get("html").asString()).contains("Imported file", "W1.zip, imported by administrator");
        assertThat(sign(caller, certificate, mine).sentence()).contains("Another reviewer has to sign");
        JsonNode theirs =
                second.get("/api/certificates/" + certificate + "/preview").ok();
        assertThat(theirs.get("missing").toString()).doesNotContain("Another reviewer");
        caller.put("/api/policies", Map.of("refuseOverdue", false, "fileNeedsSecond", false))
                .ok();
        assertThat(caller.get("/api/certificates/" + certificate + "/preview")
                        .ok()
                        .get("missing")
                        .toString())
                .doesNotContain("Another reviewer");
        caller.put("/api/policies", Map.of("refuseOverdue", false, "fileNeedsSecond", true))
                .ok();
        sign(second, certificate, theirs).ok();
    }

    private static Caller.Answer sign(Caller by, String certificate, JsonNode preview) {
        return by.post(
                "/api/certificates/" + certificate + "/sign",
                Map.of(
                        "password",
                        RunningRovek.PASSWORD,
                        "digest",
                        preview.get("digest").asString()));
    }
}
