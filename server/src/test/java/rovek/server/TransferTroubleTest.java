package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Loading and reading back as they go wrong: nothing is lost, nothing is stored twice, and it is said what to do. */
@ExtendWith(OneRovek.class)
class TransferTroubleTest extends WalkedTransfer {

    TransferTroubleTest(RunningRovek rovek) {
        super(rovek);
    }

    @Test
    void aCutLinkLeavesTheStateBeforeAndTheSecondTryGoesOn() {
        loadAndWalk();
        long readings = count("reading");
        field.faults(Map.of("cutAfterBytes", 180_000));
        JsonNode cut = field.readBack(caller, instrument);
        assertThat(cut.get("state").asString()).isEqualTo("FAILED");
        assertThat(cut.get("sentence").asString()).contains("The link to the instrument was interrupted");
        assertThat(count("reading")).isEqualTo(readings);
        JsonNode part = file("READINGS");
        assertThat(part.get("state").asString()).isEqualTo("PART");
        assertThat(part.get("arrivedBytes").asLong()).isEqualTo(128 << 10);
        JsonNode second = field.readBack(caller, instrument);
        assertThat(second.get("state").asString()).as(second.toString()).isEqualTo("DONE");
        assertThat(count("reading")).isEqualTo(readings + 4);
        assertThat(count("transfer")).isZero();
    }

    @Test
    void aCorruptTransferIsFoundAndStoresNothing() {
        loadAndWalk();
        long originals = count("original");
        field.faults(Map.of("corrupt", true));
        JsonNode job = field.readBack(caller, instrument);
        assertThat(job.get("state").asString()).isEqualTo("FAILED");
        assertThat(job.get("sentence").asString()).contains("its checksum does not match");
        assertThat(count("original")).isEqualTo(originals);
        assertThat(field.readBack(caller, instrument).get("state").asString()).isEqualTo("DONE");
    }

    @Test
    void whatTheInstrumentKeptOtherwiseThanItWasWrittenIsNotCalledLoaded() {
        field.faults(Map.of("damageWrite", true));
        JsonNode job = field.load(caller, instrument, route);
        assertThat(job.get("state").asString()).isEqualTo("FAILED");
        assertThat(job.get("sentence").asString())
                .contains("its checksum does not match")
                .doesNotContain("You can unplug");
        assertThat(caller.get("/api/routes/" + route).ok().get("loaded"))
                .as("nothing is noted as loaded")
                .isEmpty();
        assertThat(field.load(caller, instrument, route).get("state").asString())
                .isEqualTo("DONE");
    }

    @Test
    void aFullMemoryIsSaidBeforeAnythingIsLoaded() {
        field.faults(Map.of("memoryFull", true));
        JsonNode fit = caller.get("/api/instruments/" + instrument + "/fit?routeId=" + route)
                .ok();
        assertThat(fit.get("outcome").asString()).isNotEqualTo("WHOLE");
        JsonNode job = field.load(caller, instrument, route);
        assertThat(job.get("state").asString()).isEqualTo("FAILED");
        assertThat(job.get("sentence").asString())
                .contains("The route was not loaded")
                .contains("read back and free memory first");
    }

    @Test
    void readingsOfACheckRemovedMeanwhileAreNotLost() {
        field.load(caller, instrument, route);
        new SmallPlant(caller).remove(checks.get(0)).ok();
        field.press("/api/walk-all", Map.of());
        JsonNode job = field.readBack(caller, instrument);
        assertThat(job.get("sentence").asString()).contains("4 new readings, 1 of them loose");
        assertThat(visit().get("tray").get(0).get("label").asString()).isEqualTo("stop 1 of Monthly walk");
    }

    @Test
    void twoPeopleAtOneInstrumentDoNotDisturbEachOther() {
        loadAndWalk();
        field.faults(Map.of("slowMillis", 300));
        JsonNode job = started();
        Caller.Answer second = lookAt();
        // Whichever comes first has the instrument; where that was the look, the job is begun once more.
        while (second.status() == 200) {
            job = caller.get("/api/jobs/" + job.get("id").asString())
                            .ok()
                            .get("state")
                            .asString()
                            .equals("RUNNING")
                    ? job
                    : started();
            second = lookAt();
        }
        assertThat(second.sentence())
                .isEqualTo("The instrument is in use: reading back by administrator. Wait until that has ended.");
        field.faults(Map.of());
        assertThat(caller.awaitJob(job).get("state").asString()).isEqualTo("DONE");
    }

    private JsonNode started() {
        return caller.post(
                        "/api/instruments/" + instrument + "/read-back",
                        Map.of("files", List.of(), "correctClock", true))
                .ok();
    }

    private Caller.Answer lookAt() {
        return caller.get("/api/instruments/" + instrument + "/connection");
    }

    @Test
    void anInstrumentThatIsOffIsSaidToBeOff() {
        field.close();
        Caller.Answer answer = caller.get("/api/instruments/" + instrument + "/connection");
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.sentence()).startsWith("No instrument answers at 127.0.0.1");
    }

    @Test
    void aWrongPassCodeIsSaid() {
        Caller.Answer answer = caller.post(
                "/api/connections", Map.of("host", "127.0.0.1", "port", field.instrumentPort(), "passCode", "1"));
        assertThat(answer.sentence()).contains("asks for its pass code");
    }
}
