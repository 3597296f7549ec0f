package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** The gate before loading, and clocks that are wrong and set on the way. */
@ExtendWith(SharedRovek.class)
class BeforeLoadingTest {

    @TempDir
    Path memory;

    private final RunningRovek rovek;
    private final Caller caller;
    private RoutedHandheld handheld;

    BeforeLoadingTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
    }

    @BeforeEach
    void switchOn() {
        handheld = RoutedHandheld.connect(caller, memory);
    }

    @AfterEach
    void switchOff() {
        handheld.close();
    }

    private JsonNode look() {
        return caller.get("/api/instruments/" + handheld.instrument() + "/connection")
                .ok();
    }

    private JsonNode visit() {
        return caller.get("/api/visits")
                .ok()
                .valueStream()
                .map(line ->
                        caller.get("/api/visits/" + line.get("id").asString()).ok())
                .filter(sheet -> sheet.get("instrument").get("id").asString().equals(handheld.instrument()))
                .findFirst()
                .orElseThrow();
    }

    /** The readings of the first two stops. */
    private void assertBothAreOfNow() {
        for (int i = 0; i < 2; i++) {
            String reading = visit().get("rows").get(i).get("readingId").asString();
            Instant taken = rovek.bean(JdbcClient.class)
                    .sql("SELECT taken_at FROM reading WHERE id = ?::uuid")
                    .param(reading)
                    .query(Timestamp.class)
                    .single()
                    .toInstant();
            assertThat(Duration.between(taken, Instant.now()).abs())
                    .as("reading %d", i)
                    .isLessThan(Duration.ofMinutes(2));
        }
    }

    @Test
    void aWrongClockIsShownCorrectedAndSet() {
        handheld.field().load(caller, handheld.instrument(), handheld.route());
        handheld.field().press("/api/clock-error", Map.of("seconds", -3600));
        assertThat(look().get("clockAheadSeconds").asLong()).isBetween(-3602L, -3598L);
        handheld.field().press("/api/stops/" + handheld.checks().get(0) + "/measure", Map.of());
        Caller.Answer tooEarly = caller.post("/api/instruments/" + handheld.instrument() + "/clock", Map.of());
        assertThat(tooEarly.sentence())
                .as("then nothing would tell how wrong the reading's time is")
                .contains("Read them back first");
        assertThat(look().get("clockIsWrong").asBoolean()).isTrue();
        handheld.field().readBack(caller, handheld.instrument());
        Instant began = Instant.parse(visit().get("beganAt").asString());
        assertThat(Duration.between(began, Instant.now()).abs()).isLessThan(Duration.ofMinutes(2));
        caller.post("/api/instruments/" + handheld.instrument() + "/clock", Map.of())
                .ok();
        assertThat(look().get("clockIsWrong").asBoolean()).isFalse();
    }

    @Test
    void nothingIsLoadedOverAWrongClockOrALowBatteryUnlessSomebodySaysSo() {
        handheld.field().press("/api/clock-error", Map.of("seconds", 7200));
        handheld.field().press("/api/battery", Map.of("percent", 6));
        JsonNode gate = caller.get(
                        "/api/instruments/" + handheld.instrument() + "/load-gate?routeId=" + handheld.route())
                .ok()
                .get("items");
        assertThat(gate.get(0).get("kind").asString() + " "
                        + gate.get(0).get("state").asString())
                .isEqualTo("CLOCK RESOLVE");
        assertThat(gate.get(0).get("found").asString()).startsWith("2 h 0 min fast");
        assertThat(gate.get(1).get("kind").asString() + " "
                        + gate.get(1).get("found").asString())
                .isEqualTo("BATTERY 6 %");
        JsonNode refused = handheld.field().load(caller, handheld.instrument(), handheld.route());
        assertThat(refused.get("state").asString()).isEqualTo("FAILED");
        assertThat(refused.get("sentence").asString())
                .startsWith("The route was not loaded. Clock: 2 h 0 min fast. Battery: 6 %.");
        assertThat(look().get("files")).as("nothing was written").isEmpty();
        caller.post("/api/instruments/" + handheld.instrument() + "/clock", Map.of())
                .ok();
        assertThat(handheld.field()
                        .load(caller, handheld.instrument(), handheld.route())
                        .get("sentence")
                        .asString())
                .isEqualTo("The route was not loaded. Battery: 6 %.");
        JsonNode loaded = caller.awaitJob(caller.post(
                        "/api/instruments/" + handheld.instrument() + "/load",
                        Map.of("routeId", handheld.route(), "accepted", List.of("BATTERY")))
                .ok());
        assertThat(loaded.get("state").asString()).as(loaded.toString()).isEqualTo("DONE");
        handheld.field().press("/api/battery", Map.of("percent", 80));
    }

    @Test
    void oneActReadsBackWithTimesCorrectedAndThenSetsTheClock() {
        handheld.field().load(caller, handheld.instrument(), handheld.route());
        handheld.field().press("/api/clock-error", Map.of("seconds", 7200));
        handheld.field().press("/api/stops/" + handheld.checks().get(0) + "/measure", Map.of());
        JsonNode job = caller.awaitJob(
                caller.post("/api/instruments/" + handheld.instrument() + "/read-back-and-set-clock", null)
                        .ok());
        assertThat(job.get("sentence").asString()).startsWith("1 new reading").endsWith("Then the clock was set.");
        assertThat(look().get("clockIsWrong").asBoolean()).isFalse();
        handheld.field().press("/api/stops/" + handheld.checks().get(1) + "/measure", Map.of());
        handheld.field().readBack(caller, handheld.instrument());
        assertBothAreOfNow();
    }

    /** The clock was two hours fast at the first reading, then somebody set it on the handheld.instrument() itself. */
    @Test
    void readingsFromBeforeTheClockWasSetAreToldFromThoseAfter() {
        handheld.field().load(caller, handheld.instrument(), handheld.route());
        handheld.field().press("/api/clock-error", Map.of("seconds", 7200));
        look();
        handheld.field().press("/api/stops/" + handheld.checks().get(0) + "/measure", Map.of());
        handheld.field().press("/api/clock-error", Map.of("seconds", 0));
        handheld.field().press("/api/stops/" + handheld.checks().get(1) + "/measure", Map.of());
        // Whoever reads back has looked at the handheld.instrument() before.
        look();
        handheld.field().readBack(caller, handheld.instrument());
        assertThat(visit().get("clockDoubt").asString()).isEmpty();
        assertBothAreOfNow();
        assertThat(visit().get("clockAheadSeconds").asLong()).isBetween(7195L, 7205L);
    }

    @Test
    void somethingIsToBeLoaded() {
        assertThat(caller.get("/api/instruments/" + handheld.instrument() + "/load-gate")
                        .sentence())
                .contains("Choose a route or a set-up.");
    }
}
