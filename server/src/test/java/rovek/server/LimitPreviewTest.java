package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What a limit would say is seen before it is set. */
@ExtendWith(OneRovek.class)
class LimitPreviewTest extends GaugedPlant {

    LimitPreviewTest(RunningRovek rovek) {
        super(rovek);
    }

    @Test
    void theHistoryIsSeenBeforeALimitIsSet() {
        written(pressure, 10, 2, 2, 2, 3, 4, 5, 2, 2);
        caller.put(
                        "/api/nodes/" + point + "/events/" + UUID.randomUUID(),
                        Map.of("at", daysAgo(4).minusSeconds(60).toString(), "kind", "REPAIR", "words", ""))
                .ok();
        JsonNode preview = caller.post(limits(area) + "/preview", Caller.saying(Caller.rule("ABOVE", 2.5, 4.5), null))
                .ok();
        assertThat(preview.get("readings").asInt()).isEqualTo(8);
        assertThat(preview.get("watch").asInt()).isEqualTo(2);
        assertThat(preview.get("fail").asInt()).isEqualTo(1);
        assertThat(preview.get("repairs").get(0).get("daysBefore").asInt()).isEqualTo(2);
        JsonNode lax = caller.post(limits(area) + "/preview", Caller.saying(Caller.rule("ABOVE", 8.0, 9.0), null))
                .ok();
        assertThat(lax.get("repairs").get(0).get("daysBefore").isNull()).isTrue();
        assertThat(standingOf(pressure)).as("nothing was set").isEqualTo("NOT_JUDGED");
    }

    /**
     * The fault that was seen: a preview on an area counted checks that keep a limit of their own, and readings from
     * before the limit was to hold.
     */
    @Test
    void aPreviewShowsWhatWouldHappenAndNothingElse() {
        String second = gaugeOn("P-8");
        written(pressure, 10, 2, 5, 2, 5);
        written(second, 10, 2, 5, 2, 5);
        say(second, Caller.rule("ABOVE", 100.0, 200.0), null);
        JsonNode ever = caller.post(limits(area) + "/preview", Caller.saying(Caller.rule("ABOVE", 2.5, 4.5), null))
                .ok();
        assertThat(ever.get("checks").asInt()).isEqualTo(2);
        assertThat(ever.get("keeping").asInt()).as("one has a limit of its own").isEqualTo(1);
        assertThat(ever.get("fail").asInt()).isEqualTo(2);
        assertThat(ever.get("failThen").asInt()).isEqualTo(2);
        assertThat(ever.get("changed").asInt())
                .as("not judged, they become two pass and two fail")
                .isEqualTo(4);
        JsonNode since = caller.post(
                        limits(area) + "/preview",
                        Caller.saying(
                                Caller.rule("ABOVE", 2.5, 4.5),
                                daysAgo(8).minusSeconds(60).toString()))
                .ok();
        assertThat(since.get("fail").asInt()).as("if it had always held").isEqualTo(2);
        assertThat(since.get("failThen").asInt()).as("what it does").isEqualTo(1);
        assertThat(since.get("changed").asInt()).isEqualTo(2);
        JsonNode fromNow = caller.post(
                        limits(area) + "/preview", Caller.saying(Caller.rule("ABOVE", 2.5, 4.5), now.toString()))
                .ok();
        assertThat(fromNow.get("changed").asInt()).isZero();
        say(area, Caller.rule("ABOVE", 2.5, 4.5), daysAgo(8).minusSeconds(60));
        assertThat(verdicts(pressure))
                .as("as it was shown")
                .containsExactly("NOT_JUDGED", "NOT_JUDGED", "PASS", "FAIL");
        assertThat(verdicts(second)).containsOnly("PASS");
    }

    @Test
    void whatEachOfManyChecksWouldGetIsSeenBeforeItIsSetAndSinceWhen() {
        String second = gaugeOn("P-8");
        written(pressure, 9, 2, 2.1, 1.9, 2, 2.2, 2, 2.1, 2);
        written(second, 9, 5, 5.1);
        JsonNode preview = caller.post(limits(area) + "/proposals/preview", Map.of("source", "HISTORY"))
                .ok();
        assertThat(preview.get("checks").asInt()).isEqualTo(1);
        assertThat(preview.get("without").asInt()).isEqualTo(1);
        assertThat(preview.get("shown")
                        .get(0)
                        .get("limit")
                        .get("rules")
                        .get(0)
                        .get("watch")
                        .asDouble())
                .isEqualTo(2.36);
        assertThat(preview.get("changed").asInt()).isEqualTo(8);
        assertThat(caller.get("/api/nodes/" + pressure + "/limits").ok().get(0).get("revisions"))
                .as("nothing was set")
                .isEmpty();
        caller.post(limits(area) + "/proposals", Map.of("source", "HISTORY", "from", now.toString()))
                .ok();
        assertThat(verdicts(pressure)).as("from now on").containsOnly("NOT_JUDGED");
    }

    @Test
    void manyChecksGetEachALimitFromTheirOwnHistoryInOneActThatIsUndoneAtOnce() {
        String second = gaugeOn("P-8");
        String never = gaugeOn("P-9");
        written(pressure, 9, 2, 2.1, 1.9, 2, 2.2, 2, 2.1, 2);
        written(second, 9, 20, 21, 19, 20, 22, 20, 21, 20);
        written(never, 9, 5, 5.1, 4.9, 5.05, 4.95);
        assertThat(caller.get("/api/nodes/" + never + "/limits")
                        .ok()
                        .get(0)
                        .get("wanting")
                        .asString())
                .isEqualTo("The history proposes a limit from 8 readings on; there are 5.");
        JsonNode line = caller.get("/api/nodes/" + area + "/limits").ok().get(0);
        assertThat(line.get("checks").asInt()).isEqualTo(3);
        assertThat(line.get("unlimited").asInt()).isEqualTo(3);
        JsonNode taken = caller.post(limits(area) + "/proposals", Map.of("source", "HISTORY"))
                .ok();
        assertThat(taken.get("checks").asInt()).isEqualTo(2);
        assertThat(taken.get("without").asInt()).isEqualTo(1);
        // Median 2, MAD 0.05, of eight readings 1.6 times k = 3: 2 + 4.8 x 1.4826 x 0.05 = 2.356, rounded up.
        JsonNode own = caller.get("/api/nodes/" + pressure + "/limits")
                .ok()
                .get(0)
                .get("limit")
                .get("rules")
                .get(0);
        assertThat(own.get("watch").asDouble()).isEqualTo(2.36);
        assertThat(standingOf(never)).as("five readings propose nothing").isEqualTo("NOT_JUDGED");
        caller.post("/api/plant/changes/" + taken.get("changeId").asString() + "/undo", Map.of())
                .ok();
        assertThat(caller.get("/api/nodes/" + area + "/limits")
                        .ok()
                        .get(0)
                        .get("unlimited")
                        .asInt())
                .isEqualTo(3);
    }
}
