package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Of several readings of a stop one counts; the others are shown, and any can be chosen, moved or discarded. */
@ExtendWith(OneRovek.class)
class StopsMeasuredTwiceTest {

    @TempDir
    Path memory;

    private final Caller caller;
    private RoutedHandheld handheld;
    private FieldDay field;
    private List<String> checks;

    StopsMeasuredTwiceTest(RunningRovek rovek) {
        this.caller = Caller.signedIn(rovek);
    }

    @BeforeEach
    void switchOn() {
        handheld = RoutedHandheld.connect(caller, memory);
        field = handheld.field();
        checks = handheld.checks();
        checks.forEach(check -> caller.limit(
                        check,
                        "vibration",
                        checks.indexOf(check) % 2 == 0 ? "velocity.rms" : "acceleration.rms",
                        null,
                        500.0)
                .ok());
        field.load(caller, handheld.instrument(), handheld.route());
    }

    @AfterEach
    void switchOff() {
        handheld.close();
    }

    private void at(String check, String action, Map<String, ?> body) {
        field.press("/api/stops/" + check + "/" + action, body);
    }

    private String readBack() {
        assertThat(field.readBack(caller, handheld.instrument()).get("state").asString())
                .isEqualTo("DONE");
        return caller.get("/api/visits").ok().get(0).get("id").asString();
    }

    private JsonNode row(String visit, String check) {
        return caller.get("/api/visits/" + visit)
                .ok()
                .get("rows")
                .valueStream()
                .filter(row -> row.get("checkId").asString().equals(check))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode act(String reading, String action, Object body) {
        return caller.post("/api/readings/" + reading + "/" + action, body).ok();
    }

    /** A visit in which the first stop was measured as planned, and a loose reading was put on its check besides. */
    private String twice() {
        at(checks.get(0), "measure", Map.of());
        at(checks.get(0), "note", Map.of("note", "hot bearing"));
        field.press("/api/loose", Map.of("assetTag", handheld.tag(), "point", "Drive end"));
        String visit = readBack();
        String loose = caller.get("/api/visits/" + visit)
                .ok()
                .get("tray")
                .get(0)
                .get("id")
                .asString();
        act(loose, "place", Map.of("checkId", checks.get(0)));
        return visit;
    }

    @Test
    void thePlannedReadingCountsWhateverIsPutBesideItAndBothAreShown() {
        String visit = twice();
        JsonNode row = row(visit, checks.get(0));
        assertThat(row.get("note").asString()).isEqualTo("hot bearing");
        assertThat(row.get("others")).hasSize(1);
        JsonNode other = row.get("others").get(0);
        assertThat(other.get("isPlanned").asBoolean()).isFalse();
        assertThat(other.get("verdict").asString()).isEqualTo("PASS");
        assertThat(other.get("value").asDouble()).isPositive();
        assertThat(other.get("note").asString())
                .as("a note stays with what it is of")
                .isEmpty();
        act(other.get("readingId").asString(), "place", java.util.Collections.singletonMap("checkId", null));
        assertThat(row(visit, checks.get(0)).get("others"))
                .as("each can be moved")
                .isEmpty();
    }

    @Test
    void aPersonChoosesAnotherReadingAndUndoesIt() {
        String visit = twice();
        JsonNode before = row(visit, checks.get(0));
        String planned = before.get("readingId").asString();
        String other = before.get("others").get(0).get("readingId").asString();
        String choice = act(other, "choose", null).get("id").asString();
        JsonNode chosen = row(visit, checks.get(0));
        assertThat(chosen.get("readingId").asString()).isEqualTo(other);
        assertThat(chosen.get("note").asString())
                .as("the note is of the planned reading")
                .isEmpty();
        assertThat(chosen.get("others").get(0).get("readingId").asString()).isEqualTo(planned);
        assertThat(chosen.get("others").get(0).get("note").asString()).isEqualTo("hot bearing");
        act(planned, "choose", null);
        assertThat(row(visit, checks.get(0)).get("readingId").asString())
                .as("one is chosen at a time")
                .isEqualTo(planned);
        caller.post(
                        "/api/corrections/"
                                + caller.get("/api/visits/" + visit + "/corrections")
                                        .ok()
                                        .get(0)
                                        .get("id")
                                        .asString() + "/undo",
                        null)
                .ok();
        caller.post("/api/corrections/" + choice + "/undo", null).ok();
        assertThat(row(visit, checks.get(0))).isEqualTo(before);
    }

    @Test
    void discardingTheOneThatCountsBringsTheOtherForwardInsteadOfNothing() {
        String visit = twice();
        JsonNode before = row(visit, checks.get(0));
        act(before.get("readingId").asString(), "discard", Map.of("reason", "cable off"));
        JsonNode row = row(visit, checks.get(0));
        assertThat(row.get("readingId").asString())
                .isEqualTo(before.get("others").get(0).get("readingId").asString());
        assertThat(row.get("verdict").asString()).isEqualTo("PASS");
        assertThat(row.get("others").get(0).get("discardedBecause").asString()).isEqualTo("cable off");
        assertThat(caller.post("/api/readings/" + before.get("readingId").asString() + "/choose", null)
                        .sentence())
                .isEqualTo("The reading was discarded. Restore it first.");
        act(row.get("readingId").asString(), "discard", Map.of("reason", "this too"));
        assertThat(row(visit, checks.get(0)).get("reason").asString()).isEqualTo("discarded: this too");
    }

    /**
     * A reading that was placed elsewhere since is somebody's decision: what repeats it at its stop takes nothing away
     * from there.
     */
    @Test
    void aRepetitionReplacesOnlyWhatStandsOnItsOwnCheck() {
        at(checks.get(0), "measure", Map.of());
        String visit = readBack();
        String first = row(visit, checks.get(0)).get("readingId").asString();
        act(first, "place", Map.of("checkId", checks.get(2)));
        at(checks.get(0), "measure", Map.of());
        readBack();
        assertThat(row(visit, checks.get(2)).get("readingId").asString()).isEqualTo(first);
        assertThat(row(visit, checks.get(2)).get("verdict").asString()).isEqualTo("PASS");
        assertThat(row(visit, checks.get(0)).get("repeats").asInt())
                .as("nothing is repeated here")
                .isZero();
        at(checks.get(0), "measure", Map.of());
        readBack();
        assertThat(row(visit, checks.get(0)).get("repeats").asInt()).isEqualTo(1);
    }

    @Test
    void whatWasSkippedIsNotJudgedUntilAPersonSaysWhichReadingCounts() {
        at(checks.get(1), "measure", Map.of());
        at(checks.get(1), "skip", Map.of("note", "guard in the way"));
        at(checks.get(3), "skip", Map.of("note", "too hot"));
        field.press("/api/loose", Map.of("assetTag", handheld.tag(), "point", "Non-drive end"));
        String visit = readBack();
        JsonNode row = row(visit, checks.get(1));
        assertThat(row.get("progress").asString()).isEqualTo("skipped");
        assertThat(row.get("verdict").asString()).isEqualTo("NOT_JUDGED");
        assertThat(row.get("reason").asString()).isEqualTo("skipped");
        assertThat(row.get("readingId").isNull()).isTrue();
        String report = caller.post("/api/certificates", Map.of("visitId", visit, "checkIds", List.of(checks.get(1))))
                .ok()
                .get("id")
                .asString();
        assertThat(caller.get("/api/certificates/" + report + "/preview")
                        .ok()
                        .get("html")
                        .asString())
                .contains("1 result: 0 fail, 0 watch, 0 pass, 1 not judged.");
        act(row.get("others").get(0).get("readingId").asString(), "choose", null);
        assertThat(row(visit, checks.get(1)).get("verdict").asString()).isEqualTo("PASS");
        assertThat(row(visit, checks.get(1)).get("progress").asString()).isEqualTo("done");
        assertThat(row(visit, checks.get(1)).get("note").asString()).isEqualTo("guard in the way");

        String loose = caller.get("/api/visits/" + visit)
                .ok()
                .get("tray")
                .get(0)
                .get("id")
                .asString();
        act(loose, "place", Map.of("checkId", checks.get(3)));
        JsonNode placed = row(visit, checks.get(3));
        assertThat(placed.get("verdict").asString()).as("a person put it there").isEqualTo("PASS");
        assertThat(placed.get("note").asString())
                .as("nothing else holds the stop's note")
                .isEqualTo("too hot");
    }
}
