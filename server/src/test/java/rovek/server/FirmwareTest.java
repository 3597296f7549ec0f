package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import rovek.fieldsim.Fieldsim;
import rovek.link.packet.FirmwarePackage;
import tools.jackson.databind.JsonNode;

/**
 * Firmware goes onto an instrument when its maker signed it or a second person vouches for it, and whole or not at all.
 */
@ExtendWith(OneRovek.class)
class FirmwareTest {

    private static int serials = 29_500;

    private final RunningRovek rovek;
    private final Caller caller;
    private FieldDay field;
    private String instrument;

    @TempDir
    Path memory;

    FirmwareTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
    }

    @BeforeEach
    void connect() {
        field = new FieldDay(Fieldsim.Kind.VIBRATION, String.valueOf(serials++), memory);
        instrument = field.connect(caller);
    }

    @AfterEach
    void switchOff() {
        field.close();
    }

    private static FirmwarePackage firmware(String version, int bytes) {
        byte[] image = new byte[bytes];
        new Random(version.hashCode()).nextBytes(image);
        return new FirmwarePackage("VH-2", version, 1, Instant.now(), image);
    }

    private JsonNode bring(FirmwarePackage firmware) {
        return caller.sendFile("/api/firmware", "vh2.zip", firmware.pack()).ok();
    }

    private Caller.Answer install(Caller by, JsonNode firmware) {
        return by.post(
                "/api/instruments/" + instrument + "/firmware",
                Map.of("firmwareId", firmware.get("id").asString()));
    }

    private JsonNode installed(JsonNode firmware) {
        return caller.awaitJob(install(caller, firmware).ok());
    }

    private Caller second() {
        caller.post(
                "/api/accounts",
                Map.of(
                        "name",
                        "vouching",
                        "displayName",
                        "Second Person",
                        "role",
                        "TECHNICIAN",
                        "password",
                        RunningRovek.PASSWORD));
        return Caller.signedIn(rovek.address(), "vouching", RunningRovek.PASSWORD);
    }

    @Test
    void itIsUpdatedFromAFileAlsoAfterACut() {
        assertThat(caller.sendFile("/api/firmware", "wrong.zip", "%PDF-1.7".getBytes(StandardCharsets.US_ASCII))
                        .sentence())
                .contains("not a field package");
        FirmwarePackage file = firmware("2.5.0", 300_000);
        JsonNode kept = bring(file);
        assertThat(bring(file).get("id")).as("the same file is kept once").isEqualTo(kept.get("id"));
        second().post("/api/firmware/" + kept.get("id").asString() + "/confirm", Map.of())
                .ok();
        JsonNode other = caller.sendFile(
                        "/api/firmware",
                        "lc4.zip",
                        new FirmwarePackage("LC-4", "9", 1, Instant.now(), new byte[9]).pack())
                .ok();
        assertThat(install(caller, other).sentence()).contains("for LC-4, not for VH-2");
        field.press("/api/battery", Map.of("percent", 20));
        assertThat(installed(kept).get("sentence").asString()).contains("battery of the instrument is too low");
        field.press("/api/battery", Map.of("percent", 90));
        field.faults(Map.of("cutAfterBytes", 270));
        JsonNode cut = installed(kept);
        assertThat(cut.get("state").asString()).isEqualTo("FAILED");
        assertThat(cut.get("sentence").asString()).contains("continue from there");
        assertThat(installed(kept).get("sentence").asString())
                .isEqualTo("Firmware 2.5.0 is installed and verified; it was 2.4.1.");
        assertThat(installed(kept).get("sentence").asString()).isEqualTo("Firmware 2.5.0 is already installed.");
        String trail = rovek.bean(JdbcClient.class)
                .sql("SELECT after FROM audit_entry WHERE subject_id = ? AND action = 'update firmware'")
                .param(instrument)
                .query(String.class)
                .single();
        assertThat(trail).contains("2.5.0", kept.get("sha256").asString(), "vouching");
    }

    /** As after a pause of the whole server that was longer than its claim lasts. */
    @Test
    void aServerThatHasLostTheInstrumentToAnotherChangesNothingMoreOnIt() throws Exception {
        JsonNode kept = bring(firmware("2.9.0", 600_000));
        second().post("/api/firmware/" + kept.get("id").asString() + "/confirm", Map.of())
                .ok();
        field.faults(Map.of("slowMillis", 300));
        JsonNode job = install(caller, kept).ok();
        JdbcClient db = rovek.bean(JdbcClient.class);
        while (db.sql("SELECT done FROM job WHERE id = ?::uuid")
                        .param(job.get("id").asString())
                        .query(Long.class)
                        .single()
                == 0) {
            Thread.sleep(50);
        }
        db.sql("UPDATE instrument_claim SET holder = gen_random_uuid(), purpose = 'loading for "
                        + "another', until = now() + interval '1 minute' WHERE instrument_id = ?::uuid")
                .param(instrument)
                .update();
        JsonNode over = caller.awaitJob(job);
        assertThat(over.get("state").asString()).isEqualTo("FAILED");
        assertThat(over.get("sentence").asString()).startsWith("Somebody else has taken over the instrument");
        assertThat(db.sql("SELECT purpose FROM instrument_claim WHERE instrument_id = ?::uuid")
                        .param(instrument)
                        .query(String.class)
                        .single())
                .as("the other's is left alone")
                .isEqualTo("loading for another");
        db.sql("DELETE FROM instrument_claim WHERE instrument_id = ?::uuid")
                .param(instrument)
                .update();
    }

    @Test
    void whatNobodySignedNeedsASecondPersonsWord() {
        JsonNode kept = bring(firmware("3.0.0", 5_000));
        assertThat(kept.get("signedBy").asString()).isEmpty();
        assertThat(install(caller, kept).sentence())
                .contains("is not signed with a key of Fieldsim")
                .contains("Another person than administrator")
                .contains("Nothing was loaded");
        String path = "/api/firmware/" + kept.get("id").asString() + "/confirm";
        assertThat(caller.post(path, Map.of()).sentence()).contains("You loaded firmware 3.0.0 yourself");
        Caller second = second();
        assertThat(install(second, kept).sentence())
                .as("to be there is no word")
                .contains("has to confirm it first");
        JsonNode confirmed = second.post(path, Map.of()).ok();
        assertThat(confirmed.get("confirmedBy").asString()).isEqualTo("vouching");
        assertThat(second.post(path, Map.of()).ok()).as("twice is once").isEqualTo(confirmed);
        assertThat(installed(kept).get("sentence").asString()).startsWith("Firmware 3.0.0 is installed");
    }

    @Test
    void aMakersSignatureIsEnoughForThatMakersInstruments() throws Exception {
        KeyPair maker = KeyPairGenerator.getInstance("Ed25519").generateKeyPair();
        KeyPair stranger = KeyPairGenerator.getInstance("Ed25519").generateKeyPair();
        JsonNode kept = bring(firmware("4.0.0", 5_000).signedWith(maker.getPrivate()));
        JsonNode foreign = bring(firmware("4.0.1", 5_000).signedWith(stranger.getPrivate()));
        FirmwarePackage moved = firmware("4.0.2", 5_000);
        JsonNode transplanted = bring(new FirmwarePackage(
                moved.model(),
                moved.version(),
                1,
                moved.createdAt(),
                moved.image(),
                firmware("4.0.0", 5_000).signedWith(maker.getPrivate()).signature()));
        assertThat(install(caller, kept).sentence())
                .as("nobody has registered the key yet")
                .contains("has to confirm it first");
        String key = Base64.getEncoder().encodeToString(maker.getPublic().getEncoded());
        caller.put("/api/makers-keys", Map.of("keys", List.of("Another maker " + key)))
                .ok();
        assertThat(install(caller, kept).sentence()).as("another maker's key").contains("has to confirm it first");
        caller.put("/api/makers-keys", Map.of("keys", List.of("  fieldsim " + key, "")))
                .ok();
        assertThat(caller.get("/api/makers-keys").ok().get("keys")).hasSize(1);
        assertThat(caller.get("/api/firmware?model=VH-2")
                        .ok()
                        .valueStream()
                        .filter(line -> line.get("version").asString().startsWith("4.0."))
                        .map(line -> line.get("signedBy").asString()))
                .containsExactlyInAnyOrder("fieldsim", "", "");
        assertThat(install(caller, foreign).sentence()).contains("has to confirm it first");
        assertThat(install(caller, transplanted).sentence())
                .as("a signature of another version")
                .contains("has to confirm it first");
        assertThat(installed(kept).get("sentence").asString()).startsWith("Firmware 4.0.0 is installed");
        assertThat(second().put("/api/makers-keys", Map.of("keys", List.of())).status())
                .isEqualTo(403);
        caller.put("/api/makers-keys", Map.of("keys", List.of())).ok();
        assertThat(install(caller, kept).sentence())
                .as("a key that was taken back signs nothing")
                .contains("has to confirm it first");
    }

    @Test
    void aKeyThatIsNoneIsRefusedAndTheOthersStay() throws Exception {
        String key = Base64.getEncoder()
                .encodeToString(KeyPairGenerator.getInstance("Ed25519")
                        .generateKeyPair()
                        .getPublic()
                        .getEncoded());
        String rsa = Base64.getEncoder()
                .encodeToString(KeyPairGenerator.getInstance("RSA")
                        .generateKeyPair()
                        .getPublic()
                        .getEncoded());
        caller.put("/api/makers-keys", Map.of("keys", List.of("Fieldsim " + key)))
                .ok();
        for (String wrong : List.of(
                key,
                "Fieldsim",
                "Fieldsim not-base64!",
                "Fieldsim " + rsa.substring(0, 60),
                "Fieldsim " + rsa,
                " " + key.repeat(9))) {
            Caller.Answer answer = caller.put("/api/makers-keys", Map.of("keys", List.of("Fieldsim " + key, wrong)));
            assertThat(answer.status()).as(wrong).isEqualTo(422);
            assertThat(answer.sentence()).contains("is not a maker with a key");
        }
        assertThat(caller.get("/api/makers-keys").ok().get("keys")).hasSize(1);
        caller.put("/api/makers-keys", Map.of("keys", List.of())).ok();
        byte[] cut = new FirmwarePackage("VH-2", "5", 1, Instant.now(), new byte[3], Optional.of(new byte[63])).pack();
        assertThat(caller.sendFile("/api/firmware", "cut.zip", cut).sentence()).contains("a signature has 64 bytes");
    }
}
