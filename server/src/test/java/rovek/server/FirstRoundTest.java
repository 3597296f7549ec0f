package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Today leads through the first round step by step, and names what wants somebody afterwards. */
class FirstRoundTest {

    @TempDir
    Path memory;

    private static List<String> open(Caller caller) {
        return caller.get("/api/today").ok().get("firstRound").properties().stream()
                .filter(step -> !step.getValue().asBoolean())
                .map(Map.Entry::getKey)
                .sorted()
                .toList();
    }

    private static List<String> kinds(Caller caller) {
        return caller.get("/api/today")
                .ok()
                .get("items")
                .valueStream()
                .map(item -> item.get("kind").asString())
                .toList();
    }

    @Test
    void eachStepIsDoneWhenItIsDone() throws SQLException {
        try (RunningRovek rovek = RunningRovek.start();
                FieldDay field = new FieldDay(memory)) {
            Caller caller = Caller.signedIn(rovek);
            assertThat(open(caller))
                    .containsExactly("certificate", "checks", "instrument", "plant", "readBack", "route");
            assertThat(kinds(caller)).isEmpty();
            SmallPlant plant = new SmallPlant(caller);
            List<String> checks = plant.pump("P-1");
            String instrument = field.connect(caller);
            assertThat(open(caller)).containsExactly("certificate", "readBack", "route");
            field.load(caller, instrument, plant.route(checks));
            field.press("/api/walk-all", Map.of());
            field.press("/api/loose", Map.of("assetTag", "P-1", "point", "Coupling"));
            field.readBack(caller, instrument);
            assertThat(open(caller)).containsExactly("certificate");
            assertThat(kinds(caller)).containsExactly("LOOSE_READINGS", "WITHOUT_LIMIT");
            String visit = caller.get("/api/visits").ok().get(0).get("id").asString();
            JsonNode prepared = caller.post("/api/certificates", Map.of("visitId", visit, "checkIds", checks))
                    .ok();
            assertThat(kinds(caller)).first().isEqualTo("CERTIFICATE_TO_SIGN");
            String path = "/api/certificates/" + prepared.get("id").asString();
            String digest = caller.get(path + "/preview").ok().get("digest").asString();
            caller.post(path + "/sign", Map.of("password", RunningRovek.PASSWORD, "digest", digest))
                    .ok();
            assertThat(open(caller)).isEmpty();
            calibrationRunsOut(rovek, instrument);
            assertThat(kinds(caller)).contains("CALIBRATION_DUE").doesNotContain("CERTIFICATE_TO_SIGN");
        }
    }

    private static void calibrationRunsOut(RunningRovek rovek, String instrument) throws SQLException {
        try (var db = rovek.database().connect();
                var statement = db.createStatement()) {
            statement.execute("UPDATE instrument SET calibrated_until = current_date + 20 WHERE id = '"
                    + UUID.fromString(instrument) + "'");
        }
    }

    @Test
    void aClaimOfAServerThatDiedRunsOut() throws SQLException {
        try (RunningRovek rovek = RunningRovek.start();
                FieldDay field = new FieldDay(memory)) {
            Caller caller = Caller.signedIn(rovek);
            String instrument = field.connect(caller);
            try (var db = rovek.database().connect();
                    var statement = db.createStatement()) {
                statement.execute(("INSERT INTO instrument_claim (instrument_id, holder, purpose, until) "
                                + "VALUES ('%s', '%s', 'reading back for anna', now() + interval '1 minute')")
                        .formatted(instrument, UUID.randomUUID()));
                Caller.Answer held = caller.get("/api/instruments/" + instrument + "/connection");
                assertThat(held.sentence()).contains("The instrument is in use: reading back for anna");
                statement.execute("UPDATE instrument_claim SET until = now() - interval '1 second'");
            }
            assertThat(caller.get("/api/instruments/" + instrument + "/connection")
                            .status())
                    .isEqualTo(200);
        }
    }
}
