package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import rovek.fieldsim.Fieldsim;
import tools.jackson.databind.JsonNode;

/** A live view is the same at whichever server it is watched, recorded and ended. */
class LiveAtTwoServersTest {

    private static JsonNode await(Caller caller, String live, Predicate<JsonNode> wanted) throws InterruptedException {
        long until = System.nanoTime() + 40_000_000_000L;
        JsonNode seen = caller.get(live).ok();
        while (!wanted.test(seen)) {
            assertThat(System.nanoTime()).as("within 40 s, last seen " + seen).isLessThan(until);
            Thread.sleep(50);
            seen = caller.get(live).ok();
        }
        return seen;
    }

    private static boolean isConnected(JsonNode view) {
        return view.get("isConnected").asBoolean();
    }

    private static Map<String, Object> recording(String name) {
        Map<String, Object> wanted =
                new HashMap<>(Map.of("id", UUID.randomUUID().toString(), "name", name, "intervalMillis", 200));
        wanted.put("checkId", null);
        return wanted;
    }

    private static int rows(JsonNode view) {
        return view.get("recording").path("rows").asInt(0);
    }

    private static List<String> moments(JsonNode view) {
        return view.get("samples")
                .valueStream()
                .map(sample -> sample.get("at").asString() + sample.get("values"))
                .toList();
    }

    @Test
    void whatOneServerAsksForTheOtherShowsAndGoesOnWithWhenThatOneEnds(@TempDir Path memory) throws Exception {
        try (RunningRovek rovek = RunningRovek.start();
                FieldDay day = new FieldDay(Fieldsim.Kind.LOGGER, "88003", memory)) {
            Caller there = Caller.signedIn(rovek);
            ConfigurableApplicationContext another = rovek.startAnother();
            try {
                Caller here = there.onServer(RunningRovek.addressOf(another));
                String live = "/api/live/INSTRUMENT/" + day.connect(here);
                await(here, live, LiveAtTwoServersTest::isConnected);
                JsonNode shown = await(
                        there,
                        live,
                        view -> isConnected(view) && view.get("samples").size() > 2);
                assertThat(shown.get("channels")
                                .valueStream()
                                .map(one -> one.get("name").asString()
                                        + one.get("unit").asString()))
                        .hasSize(2);
                List<String> sameMoments = moments(shown);
                await(here, live, view -> moments(view).containsAll(sameMoments));

                there.put(
                                live + "/limits",
                                Map.of(
                                        "channel",
                                        shown.get("channels").get(0).get("name").asString(),
                                        "low",
                                        -1e9))
                        .ok();
                await(
                        here,
                        live,
                        view -> view.get("samples")
                                .get(0)
                                .get("go")
                                .get(0)
                                .asString()
                                .equals("GO"));

                Map<String, Object> wanted = recording("Begun over there");
                there.post(live + "/recording", wanted).ok();
                assertThat(there.get(live).ok().get("recording").get("name").asString())
                        .as("told at once where it was begun")
                        .isEqualTo("Begun over there");
                await(here, live, view -> rows(view) >= 2);
                assertThat(here.post(live + "/recording", recording("Another")).sentence())
                        .contains("Begun over there is being recorded already, by administrator");
                here.post(live + "/recording", wanted).ok();
                int before = rows(await(there, live, view -> rows(view) >= 2));
                there.post(live + "/marks", Map.of("text", "valve opened")).ok();
                await(
                        here,
                        live,
                        view -> view.get("recording").get("marks").toString().contains("valve opened"));

                another.close();
                await(there, live, view -> isConnected(view) && rows(view) >= before + 5);
                JsonNode taken = there.post(live + "/recording/end", Map.of()).ok();
                assertThat(there.post(live + "/recording/end", Map.of()).sentence())
                        .contains("Nothing is being recorded");
                JsonNode visit = there.get("/api/visits/" + taken.get("visitId").asString())
                        .ok();
                JsonNode capture = there.get("/api/readings/"
                                + visit.get("tray").get(0).get("id").asString() + "/capture")
                        .ok();
                assertThat(capture.get("allRows").asInt()).as("of both servers").isGreaterThanOrEqualTo(before + 5);
                assertThat(capture.get("markers").toString()).contains("valve opened");
            } finally {
                another.close();
            }
        }
    }

    @Test
    void itIsEndedAtAServerWhereNobodyWatchesIt(@TempDir Path memory) throws Exception {
        try (RunningRovek rovek = RunningRovek.start();
                FieldDay day = new FieldDay(Fieldsim.Kind.LOGGER, "88004", memory)) {
            Caller here = Caller.signedIn(rovek);
            try (ConfigurableApplicationContext another = rovek.startAnother()) {
                Caller there = here.onServer(RunningRovek.addressOf(another));
                String live = "/api/live/INSTRUMENT/" + day.connect(here);
                there.post(live + "/recording", recording("Begun unseen")).ok();
                await(there, live, view -> rows(view) >= 3);
                assertThat(here.post(live + "/recording/end", Map.of())
                                .ok()
                                .get("loose")
                                .asInt())
                        .isEqualTo(1);
                await(there, live, view -> view.get("recording").isNull());
                JdbcClient db = rovek.bean(JdbcClient.class);
                assertThat(db.sql("SELECT count(*) FROM live_row")
                                .query(Long.class)
                                .single())
                        .as("no row comes after the end")
                        .isZero();
                await(there, live, LiveAtTwoServersTest::isConnected);
                assertThat(db.sql("SELECT count(*) FROM live_row")
                                .query(Long.class)
                                .single())
                        .isZero();
            }
        }
    }

    /** As where the one that asks has slept for longer than its word holds. */
    @Test
    void whoWakesAndFindsAnotherAskingShowsWhatThatOneHears(@TempDir Path memory) throws Exception {
        try (RunningRovek rovek = RunningRovek.start();
                FieldDay day = new FieldDay(Fieldsim.Kind.LOGGER, "88005", memory)) {
            Caller here = Caller.signedIn(rovek);
            String live = "/api/live/INSTRUMENT/" + day.connect(here);
            await(here, live, LiveAtTwoServersTest::isConnected);
            here.post(live + "/recording", recording("Handed over")).ok();
            await(here, live, view -> rows(view) >= 2);
            JdbcClient db = rovek.bean(JdbcClient.class);
            UUID other = UUID.randomUUID();
            String shown = "{\"channels\":[{\"name\":\"Level\",\"unit\":\"m\"}],\"isConnected\":true,\"sentence\":\"\","
                    + "\"samples\":[{\"number\":7,\"at\":\"2026-11-23T10:00:00Z\",\"values\":[\"NaN\"]}]}";
            db.sql("UPDATE live_view SET holder = ?, until = now() + interval '3 seconds', shown = ?")
                    .params(other, shown)
                    .update();
            JsonNode heard = await(here, live, view -> view.get("channels").size() == 1);
            assertThat(heard.get("samples"))
                    .as("each once, and none of other channels")
                    .hasSize(1);
            assertThat(heard.get("samples").get(0).get("values").get(0).isNull())
                    .isTrue();
            int rows = rows(heard);
            await(here, live, view -> view.get("channels").size() == 2 && rows(view) >= rows + 3);
            assertThat(here.post(live + "/recording/end", Map.of())
                            .ok()
                            .get("loose")
                            .asInt())
                    .isEqualTo(1);
        }
    }

    /** What was shown to somebody who has gone must not be taken for news by whoever comes next. */
    @Test
    void whatNobodyFollowsIsNotShownAnyMore(@TempDir Path memory) throws Exception {
        try (RunningRovek rovek = RunningRovek.start();
                FieldDay day = new FieldDay(Fieldsim.Kind.LOGGER, "88006", memory)) {
            Caller here = Caller.signedIn(rovek);
            try (ConfigurableApplicationContext another = rovek.startAnother()) {
                Caller there = here.onServer(RunningRovek.addressOf(another));
                String live = "/api/live/INSTRUMENT/" + day.connect(here);
                await(here, live, LiveAtTwoServersTest::isConnected);
                await(there, live, LiveAtTwoServersTest::isConnected);
                JdbcClient db = rovek.bean(JdbcClient.class);
                assertThat(db.sql("SELECT shown FROM live_view")
                                .query(String.class)
                                .single())
                        .contains("samples");
                await(
                        here,
                        live,
                        view -> db.sql("SELECT shown FROM live_view")
                                .query(String.class)
                                .single()
                                .isEmpty());
                await(there, live, LiveAtTwoServersTest::isConnected);
            }
        }
    }
}
