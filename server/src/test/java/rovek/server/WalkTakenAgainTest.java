package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** The same walk, taken once more or further on: it moves stops on, and undoes nothing that a person corrected. */
@ExtendWith(OneRovek.class)
class WalkTakenAgainTest extends CorrectedPlant {

    WalkTakenAgainTest(RunningRovek rovek) {
        super(rovek);
    }

    /** The fault that was seen: stops cleared and refilled, client blank, dates back, done stops to do. */
    @Test
    void takingAWalkOnceMoreUndoesNoCorrection() {
        String visit = walked();
        JsonNode sheet = sheet(visit);
        caller.post("/api/visits/" + visit + "/move", move(clientOf(there.get(0)), List.of()))
                .ok();
        String trueTime = Instant.parse(sheet.get("beganAt").asString())
                .minus(Duration.ofDays(3))
                .toString();
        caller.post(
                        "/api/visits/" + visit + "/times",
                        Map.of("readingId", readings(sheet).get(0), "takenAt", trueTime))
                .ok();
        JsonNode corrected = sheet(visit);
        assertThat(corrected.get("beganAt")).isNotEqualTo(sheet.get("beganAt"));
        assertThat(caller.awaitJob(caller.post("/api/originals/" + original() + "/take", null)
                                .ok())
                        .get("sentence")
                        .asString())
                .startsWith("0 new readings");
        assertThat(sheet(visit)).as("the same file, taken once more").isEqualTo(corrected);
        assertThat(field.readBack(caller, instrument).get("sentence").asString())
                .startsWith("0 new readings");
        JsonNode again = sheet(visit);
        for (String part : List.of("title", "client", "beganAt", "rows", "tray", "clockAheadSeconds")) {
            assertThat(again.get(part))
                    .as("the same memory, read back once more: " + part)
                    .isEqualTo(corrected.get(part));
        }
    }

    /** A walk that goes on after its visit was moved: stops move on where they are now, and none comes back. */
    @Test
    void aNewerStateOfAWalkMovesCorrectedStopsOn() {
        field.load(caller, instrument, plant.route(here));
        field.press("/api/stops/" + here.get(0) + "/measure", Map.of());
        field.readBack(caller, instrument);
        String visit = caller.get("/api/visits").ok().get(0).get("id").asString();
        assertThat(progress(sheet(visit))).containsExactly("done", "to do", "to do", "to do");
        caller.post("/api/visits/" + visit + "/move", move(clientOf(there.get(0)), List.of()))
                .ok();
        field.press("/api/walk-all", Map.of());
        field.readBack(caller, instrument);
        JsonNode later = sheet(visit);
        assertThat(checks(later).subList(0, 4))
                .as("where a person moved the walk to")
                .isEqualTo(there);
        assertThat(progress(later).subList(0, 4)).containsOnly("done");
    }

    /** The fault that was seen: one of four stops done, and the next walk was due in a week. */
    @Test
    void anUnfinishedWalkIsNotWalkedYet() {
        String route = UUID.randomUUID().toString();
        String today = Instant.now().toString().substring(0, 10);
        caller.put(
                        "/api/routes/" + route,
                        Map.of(
                                "name",
                                "Weekly " + tag,
                                "checkIds",
                                here,
                                "everyDays",
                                7,
                                "firstDue",
                                today,
                                "version",
                                0))
                .ok();
        field.load(caller, instrument, route);
        field.press("/api/stops/" + here.get(0) + "/measure", Map.of());
        field.readBack(caller, instrument);
        assertThat(next(route)).as("three stops are to do").isEqualTo(today);
        field.press("/api/walk-all", Map.of());
        field.readBack(caller, instrument);
        assertThat(next(route)).isGreaterThan(today);
    }

    private String next(String route) {
        return caller.get("/api/schedule")
                .ok()
                .get("routes")
                .valueStream()
                .filter(one -> one.get("routeId").asString().equals(route))
                .findFirst()
                .orElseThrow()
                .get("dates")
                .get(0)
                .asString();
    }

    private static List<String> progress(JsonNode sheet) {
        return sheet.get("rows")
                .valueStream()
                .map(row -> row.get("progress").asString())
                .toList();
    }
}
