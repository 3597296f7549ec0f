package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import rovek.link.Sha256;
import tools.jackson.databind.JsonNode;

@ExtendWith(OneRovek.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CertificateTest {

    private final RunningRovek rovek;
    private final Caller caller;
    private final List<String> checks;
    private final String visit;

    CertificateTest(RunningRovek rovek, @TempDir Path memory) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        SmallPlant plant = new SmallPlant(caller);
        this.checks = plant.pump("P-77");
        caller.limit(checks.get(0), "vibration", "velocity.rms", 0.5, 1.0).ok();
        try (FieldDay field = new FieldDay(memory)) {
            String instrument = field.connect(caller);
            field.load(caller, instrument, plant.route(checks));
            field.press("/api/stops/" + checks.get(0) + "/measure", Map.of());
            field.press("/api/stops/" + checks.get(1) + "/measure", Map.of());
            field.press("/api/stops/" + checks.get(2) + "/skip", Map.of("note", "guard in the way"));
            field.readBack(caller, instrument);
        }
        this.visit = caller.get("/api/visits").ok().get(0).get("id").asString();
    }

    private JsonNode prepare() {
        return caller.post("/api/certificates", Map.of("visitId", visit, "checkIds", checks))
                .ok();
    }

    private String digest(JsonNode certificate) {
        return caller.get("/api/certificates/" + id(certificate) + "/preview")
                .ok()
                .get("digest")
                .asString();
    }

    private static String id(JsonNode certificate) {
        return certificate.get("id").asString();
    }

    private Caller.Answer sign(JsonNode certificate, String digest, String password) {
        return caller.post(
                "/api/certificates/" + id(certificate) + "/sign", Map.of("password", password, "digest", digest));
    }

    private JsonNode issued() {
        JsonNode prepared = prepare();
        return sign(prepared, digest(prepared), RunningRovek.PASSWORD).ok();
    }

    private static String textOf(byte[] pdf) throws IOException {
        try (var document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }

    @Test
    void thePaperSaysAllThatMattersAndWhatWasNotJudged() throws IOException {
        JsonNode issued = issued();
        Caller.Answer pdf = caller.get("/api/certificates/" + id(issued) + "/pdf");
        assertThat(Sha256.of(pdf.bytes())).isEqualTo(issued.get("sha256").asString());
        String text = textOf(pdf.bytes());
        assertThat(text)
                .contains("No. " + issued.get("number").asString())
                .contains("Certificate no. " + issued.get("number").asString() + " Page 1 of 1")
                .contains("Client of P-77")
                .contains("P-77 Well pump")
                .contains("Fieldsim VH-2, serial number 30417, calibrated on")
                .contains("4 results: 1 fail, 0 watch, 0 pass, 3 not judged.")
                .contains("velocity RMS")
                .contains("mm/s above 0.500 above 1.00 fail")
                .contains("acceleration RMS: no limit is set")
                .contains("guard in the way")
                .contains("skipped")
                .contains("not measured")
                .contains("Reviewed and signed by administrator on")
                .contains("m/s²");
    }

    /** What is not chosen is on no paper, and in none of its counts. */
    @Test
    void onlyTheChosenChecksAreStated() throws IOException {
        JsonNode prepared = caller.post(
                        "/api/certificates", Map.of("visitId", visit, "checkIds", List.of(checks.get(2))))
                .ok();
        JsonNode issued =
                sign(prepared, digest(prepared), RunningRovek.PASSWORD).ok();
        String text =
                textOf(caller.get("/api/certificates/" + id(issued) + "/pdf").bytes());
        assertThat(text)
                .contains("guard in the way")
                .doesNotContain("mm/s above 0.500", "acceleration RMS: no limit is set");
        assertThat(text).contains("1 result: 0 fail, 0 watch, 0 pass, 1 not judged.");
    }

    @Test
    void numbersRunOnWithoutGaps() {
        int first = Integer.parseInt(issued().get("number").asString().substring(5));
        JsonNode refused = prepare();
        assertThat(sign(refused, digest(refused), "not-the-password").status()).isEqualTo(422);
        int second = Integer.parseInt(issued().get("number").asString().substring(5));
        assertThat(second).isEqualTo(first + 1);
    }

    /** Each is printed before it has its number, and once more only where somebody else got that number first. */
    @Test
    void manySignAtOnceAndEachPaperCarriesItsOwnNumber() throws Exception {
        // More passwords of one person under way at once are slowed down as guesses are.
        int many = 5;
        List<JsonNode> prepared = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            prepared.add(prepare());
        }
        List<JsonNode> issued = Crowd.together(
                many,
                one -> () -> sign(prepared.get(one), digest(prepared.get(one)), RunningRovek.PASSWORD)
                        .ok());
        List<Integer> numbers = issued.stream()
                .map(one -> Integer.parseInt(one.get("number").asString().substring(5)))
                .sorted()
                .toList();
        assertThat(numbers).doesNotHaveDuplicates();
        assertThat(numbers.get(many - 1) - numbers.get(0)).as("without gaps").isEqualTo(many - 1);
        for (JsonNode one : issued) {
            assertThat(textOf(
                            caller.get("/api/certificates/" + id(one) + "/pdf").bytes()))
                    .contains(one.get("number").asString());
        }
        List<Integer> twice = Crowd.together(4, one -> () -> {
            JsonNode same = prepared.get(0);
            return sign(same, "seen before", RunningRovek.PASSWORD).status();
        });
        assertThat(twice).as("it was signed already").containsOnly(409);
    }

    @Test
    void twoWhoSignTheSameIssueItOnce() throws Exception {
        JsonNode prepared = prepare();
        String digest = digest(prepared);
        List<Integer> statuses = Crowd.together(
                4, one -> () -> sign(prepared, digest, RunningRovek.PASSWORD).status());
        assertThat(statuses.stream().filter(status -> status == 200)).hasSize(1);
        assertThat(statuses.stream().filter(status -> status == 409)).hasSize(3);
    }

    @Test
    void nobodySignsWhatHasChangedSinceItWasSeen() {
        JsonNode prepared = prepare();
        String seen = digest(prepared);
        caller.limit(checks.get(0), "vibration", "velocity.rms", 50.0, 100.0).ok();
        Caller.Answer answer = sign(prepared, seen, RunningRovek.PASSWORD);
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.sentence()).contains("was changed by someone else since you opened it");
        caller.limit(checks.get(0), "vibration", "velocity.rms", 0.5, 1.0).ok();
    }

    @Test
    void whatIsSignedStaysEvenAgainstTheDatabasesOwner() {
        JsonNode issued = issued();
        String id = id(issued);
        for (String attack : new String[] {
            "UPDATE certificate SET pdf = 'x' WHERE id = '" + id + "'",
            "UPDATE certificate SET state = 'PREPARED' WHERE id = '" + id + "'",
            "DELETE FROM certificate WHERE id = '" + id + "'"
        }) {
            assertThatThrownBy(() -> execute(attack)).as(attack).hasMessageContaining("never changed");
        }
        assertThat(caller.get("/api/certificates/" + id + "/proof")
                        .ok()
                        .get("unchanged")
                        .asBoolean())
                .isTrue();
        assertThat(sign(issued, "x", RunningRovek.PASSWORD).sentence()).contains("It is already signed");
    }

    private void execute(String sql) throws SQLException {
        try (var db = rovek.database().connect();
                var statement = db.createStatement()) {
            statement.execute(sql);
        }
    }

    @Test
    void withdrawingKeepsThePaperAndSaysWhy() {
        JsonNode issued = issued();
        String path = "/api/certificates/" + id(issued);
        assertThat(caller.post(path + "/withdraw", Map.of("reason", "")).status())
                .isEqualTo(422);
        JsonNode withdrawn =
                caller.post(path + "/withdraw", Map.of("reason", "wrong pump")).ok();
        assertThat(withdrawn.get("state").asString()).isEqualTo("WITHDRAWN");
        assertThat(caller.get(path + "/pdf").status()).isEqualTo(200);
        assertThat(caller.get("/api/certificates?search=" + issued.get("number").asString())
                        .text())
                .contains("wrong pump");
    }
}
