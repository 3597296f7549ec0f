package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static rovek.server.LiveView.await;
import static rovek.server.LiveView.isConnected;
import static rovek.server.LiveView.recording;
import static rovek.server.LiveView.rows;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import rovek.fieldsim.Fieldsim;
import tools.jackson.databind.JsonNode;

/** A live view is the same at whichever server it is watched, recorded and ended. */
class LiveAtTwoServersTest {

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
                await(here, live, LiveView::isConnected);
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

                Map<String, Object> wanted = recording("Begun over there", 200, null);
                there.post(live + "/recording", wanted).ok();
                assertThat(there.get(live).ok().get("recording").get("name").asString())
                        .as("told at once where it was begun")
                        .isEqualTo("Begun over there");
                await(here, live, view -> rows(view) >= 2);
                assertThat(here.post(live + "/recording", recording("Another", 200, null))
                                .sentence())
                        .contains("Begun over there is already being recorded by administrator");
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
                there.post(live + "/recording", recording("Begun unseen", 200, null))
                        .ok();
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
                await(there, live, LiveView::isConnected);
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
            await(here, live, LiveView::isConnected);
            here.post(live + "/recording", recording("Handed over", 200, null)).ok();
            await(here, live, view -> rows(view) >= 2);
            JdbcClient db = rovek.bean(JdbcClient.class);
            UUID other = UUID.randomUUID();
            String shown = "{\"channels\":[{\"name\":\"Level\",\"unit\":\"m\"}],\"isConnected\":true,\"sentence\":\"\","
                    + "\"samples\":[{\"number\":7,\"at\":\"2026-11-23T10:00:00Z\",\"values\":[\"NaN\"]}]}";
            db.sql("UPDATE live_view SET holder = ?, until = now() + interval '3 seconds', shown = ?")
                    .params(other, shown)
                    .update();
            JsonNode heard = await(here, live, view -> view.get("channels").size() == 1);
            assertThat(heard.get("samples")).as("none of other channels").hasSize(1);
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
                await(here, live, LiveView::isConnected);
                await(there, live, LiveView::isConnected);
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
                await(there, live, LiveView::isConnected);
            }
        }
    }
}
