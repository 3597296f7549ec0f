package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static rovek.server.LiveView.await;
import static rovek.server.LiveView.connected;
import static rovek.server.LiveView.recorded;
import static rovek.server.LiveView.recording;
import static rovek.server.LiveView.transmitterSetup;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import rovek.fieldsim.Fieldsim;
import rovek.fieldsim.Transmitter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Watching live values and recording them: from an instrument in text commands, from a transmitter over Modbus TCP. */
@ExtendWith(OneRovek.class)
class LiveTest {

    private final RunningRovek rovek;
    private final Caller caller;

    LiveTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
    }

    @Test
    void aTransmitterIsWatchedJudgedAndRecordedWithMarkers() throws Exception {
        SmallPlant plant = new SmallPlant(caller);
        String client = plant.id(null, "CLIENT", "", "Client of the transmitter");
        String asset = plant.id(
                plant.id(plant.id(client, "SITE", "", "Works"), "AREA", "", "Hall"), "ASSET", "B-201", "Booster");
        String check = plant.check(plant.id(asset, "POINT", "", "Outlet"), "run", "Run");
        try (Transmitter transmitter = Transmitter.start(0, Clock.systemUTC())) {
            String live = transmitterSetup(caller, transmitter.port());
            JsonNode now = connected(caller, live);
            assertThat(now.get("channels")
                            .valueStream()
                            .map(one -> one.get("name").asString()))
                    .containsExactly("Pressure", "State");
            assertThat(now.get("samples").get(0).get("go").get(0).asString()).isEqualTo("NOT_JUDGED");
            caller.put(live + "/limits", Map.of("channel", "Pressure", "low", 5.0, "high", 7.0))
                    .ok();
            caller.put(live + "/limits", Map.of("channel", "State", "low", 1.0)).ok();
            assertThat(caller.get(live)
                            .ok()
                            .get("samples")
                            .get(0)
                            .get("go")
                            .valueStream()
                            .map(JsonNode::asString))
                    .containsExactly("GO", "NO_GO");
            assertThat(caller.put(live + "/limits", Map.of("channel", "State", "low", 2, "high", 1))
                            .sentence())
                    .contains("No value lies above");

            Map<String, Object> wanted = recording("Start-up", 200, check);
            caller.post(live + "/recording", wanted).ok();
            caller.post(live + "/recording", wanted).ok();
            assertThat(caller.post(live + "/recording", recording("Another", 200, null))
                            .sentence())
                    .contains("Start-up is already being recorded");
            recorded(caller, live, 3);
            caller.post(live + "/marks", Map.of("text", "valve opened")).ok();
            recorded(caller, live, 6);
            JsonNode taken = caller.post(live + "/recording/end", Map.of()).ok();
            assertThat(caller.post(live + "/recording/end", Map.of()).sentence())
                    .contains("Nothing is being recorded");
            for (String table : List.of("live_row", "live_mark")) {
                assertThat(rovek.bean(JdbcClient.class)
                                .sql("SELECT count(*) FROM %s WHERE recording_id = ?::uuid".formatted(table))
                                .param(wanted.get("id"))
                                .query(Integer.class)
                                .single())
                        .as("%s: they are in an original now", table)
                        .isZero();
            }

            JsonNode visit =
                    caller.get("/api/visits/" + taken.get("visitId").asString()).ok();
            assertThat(visit.get("rows").get(0).get("checkId").asString()).isEqualTo(check);
            JsonNode capture = caller.get("/api/readings/"
                            + visit.get("rows").get(0).get("readingId").asString() + "/capture")
                    .ok();
            assertThat(capture.get("isRun").asBoolean()).isTrue();
            assertThat(capture.get("allRows").asInt()).isGreaterThanOrEqualTo(6);
            assertThat(capture.get("headings").valueStream().map(JsonNode::asString))
                    .anyMatch(heading -> heading.startsWith("Pressure"));
            assertThat(capture.get("markers").toString()).contains("valve opened");
        }
    }

    @Test
    void aLostTransmitterIsSaidAndComesBackByItselfWhileTheRecordingGoesOn() throws Exception {
        Transmitter first = Transmitter.start(0, Clock.systemUTC());
        String live = transmitterSetup(caller, first.port());
        connected(caller, live);
        caller.post(live + "/recording", recording("Through a loss", 200, null)).ok();
        int rows = recorded(caller, live, 2).get("recording").get("rows").asInt();
        first.close();
        JsonNode lost = await(
                () -> caller.get(live).ok(), now -> !now.get("isConnected").asBoolean());
        assertThat(lost.get("sentence").asString()).isNotBlank();
        assertThat(lost.get("recording").get("rows").asInt()).isGreaterThanOrEqualTo(rows);
        try (Transmitter again = Transmitter.start(first.port(), Clock.systemUTC())) {
            connected(caller, live);
            recorded(caller, live, rows + 3);
            assertThat(caller.post(live + "/recording/end", Map.of())
                            .ok()
                            .get("loose")
                            .asInt())
                    .isEqualTo(1);
        }
    }

    @Test
    void aLoggerIsWatchedByServerSentEventsAndWatchingGivesWayAndComesBack(@TempDir Path memory) throws Exception {
        try (FieldDay day = new FieldDay(Fieldsim.Kind.LOGGER, "88001", memory)) {
            String instrument = day.connect(caller);
            assertThat(caller.get("/api/live")
                            .ok()
                            .valueStream()
                            .map(one -> one.get("target").get("id").asString()))
                    .contains(instrument);
            JsonNode looked =
                    caller.get("/api/instruments/" + instrument + "/connection").ok();
            assertThat(looked.get("availableOptions").get(0).asString()).isEqualTo("channels16");
            assertThat(looked.get("isRunning").asBoolean()).isFalse();
            String live = "/api/live/INSTRUMENT/" + instrument;
            HttpRequest request = HttpRequest.newBuilder(URI.create(rovek.address() + live + "/stream"))
                    .header("Cookie", caller.cookies())
                    .build();
            HttpResponse<java.io.InputStream> stream =
                    HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofInputStream());
            assertThat(stream.headers().firstValue("Content-Type").orElse("")).startsWith("text/event-stream");
            try (BufferedReader lines =
                    new BufferedReader(new InputStreamReader(stream.body(), StandardCharsets.UTF_8))) {
                int samples = 0;
                for (String line = lines.readLine(); samples < 3; line = lines.readLine()) {
                    if (line.startsWith("data:")) {
                        samples += JsonMapper.builder()
                                .build()
                                .readTree(line.substring(5))
                                .get("samples")
                                .size();
                    }
                }
                assertThat(caller.get("/api/instruments/" + instrument + "/connection")
                                .ok()
                                .has("files"))
                        .as("whoever looks does not wait for who watches")
                        .isTrue();
                assertThat(day.readBack(caller, instrument).get("state").asString())
                        .as("nor does who works")
                        .isEqualTo("DONE");
                connected(caller, live);

                caller.post(live + "/recording", recording("Not to be disturbed", 200, null))
                        .ok();
                recorded(caller, live, 2);
                Caller.Answer busy = caller.get("/api/instruments/" + instrument + "/connection");
                assertThat(busy.status()).isEqualTo(409);
                assertThat(busy.sentence()).contains("live recording by administrator");
                assertThat(day.readBack(caller, instrument).get("sentence").asString())
                        .contains("live recording by administrator");
                caller.post(live + "/recording/end", Map.of()).ok();
            }
            await(
                    () -> caller.get("/api/instruments/" + instrument + "/connection")
                            .body(),
                    now -> now.has("files"));
        }
    }

    /** Whether a stream comes to an end, be it told or cut off in the middle; 20 s is far longer than it may take. */
    private static boolean ends(BufferedReader lines) throws Exception {
        return java.util.concurrent.CompletableFuture.supplyAsync(
                        () -> lines.lines().count())
                .orTimeout(20, java.util.concurrent.TimeUnit.SECONDS)
                .handle((count, trouble) ->
                        trouble == null || trouble.getCause() instanceof java.io.UncheckedIOException)
                .get();
    }

    private BufferedReader streamed(Caller listener, String live) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create(rovek.address() + live + "/stream"))
                .header("Cookie", listener.cookies())
                .build();
        HttpResponse<java.io.InputStream> stream =
                HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofInputStream());
        assertThat(stream.statusCode()).isEqualTo(200);
        return new BufferedReader(new InputStreamReader(stream.body(), StandardCharsets.UTF_8));
    }

    @Test
    void aStreamEndsWithItsSessionAndWithItsAccount() throws Exception {
        JsonNode account = caller.post(
                        "/api/accounts",
                        Map.of(
                                "name",
                                "looker",
                                "displayName",
                                "Looker",
                                "role",
                                "VIEWER",
                                "password",
                                "a-long-password"))
                .ok();
        try (Transmitter transmitter = Transmitter.start(0, Clock.systemUTC())) {
            String live = transmitterSetup(caller, transmitter.port());
            Caller leaving = Caller.signedIn(rovek.address(), "looker", "a-long-password");
            Caller staying = Caller.signedIn(rovek.address(), "looker", "a-long-password");
            try (BufferedReader first = streamed(leaving, live);
                    BufferedReader second = streamed(staying, live)) {
                leaving.delete("/api/session").ok();
                assertThat(ends(first)).as("signed out").isTrue();
                assertThat(second.readLine()).as("the other one goes on").isNotNull();
                Map<String, Object> closing = new HashMap<>(Map.of(
                        "active", false, "version", account.get("version").asInt()));
                caller.patch("/api/accounts/" + account.get("id").asString(), closing)
                        .ok();
                assertThat(ends(second)).as("the account was closed").isTrue();
            }
            Caller manyTabs = Caller.signedIn(rovek.address(), RunningRovek.ADMINISTRATOR, RunningRovek.PASSWORD);
            for (int i = 0; i < 8; i++) {
                streamed(manyTabs, live);
            }
            Caller.Answer refused = manyTabs.get(live + "/stream");
            assertThat(refused.status()).isEqualTo(409);
            assertThat(refused.sentence()).contains("Close one of them first");
        }
    }

    @Test
    void aRunIsBegunAndEndedOnTheLoggerAndReadBack(@TempDir Path memory) throws Exception {
        try (FieldDay day = new FieldDay(Fieldsim.Kind.LOGGER, "88002", memory)) {
            String instrument = day.connect(caller);
            caller.post("/api/instruments/" + instrument + "/run", Map.of("begin", true))
                    .ok();
            assertThat(caller.get("/api/instruments/" + instrument + "/connection")
                            .ok()
                            .get("isRunning")
                            .asBoolean())
                    .isTrue();
            Thread.sleep(1_200);
            caller.post("/api/instruments/" + instrument + "/run", Map.of("begin", false))
                    .ok();
            assertThat(day.readBack(caller, instrument).get("sentence").asString())
                    .startsWith("1 new reading");
        }
    }

    @Test
    void whatShowsNothingLiveSaysSo(@TempDir Path memory) throws Exception {
        try (FieldDay day = new FieldDay(memory)) {
            String instrument = day.connect(caller);
            JsonNode told = await(
                    () -> caller.get("/api/live/INSTRUMENT/" + instrument).ok(),
                    now -> !now.get("sentence").asString().isBlank());
            assertThat(told.get("sentence").asString()).contains("has no live values");
            assertThat(caller.post("/api/live/INSTRUMENT/" + instrument + "/recording", recording("x", 500, null))
                            .sentence())
                    .contains("No value has arrived yet");
        }
        assertThat(caller.get("/api/live/SETUP/" + UUID.randomUUID()).status()).isEqualTo(404);
        assertThat(caller.post("/api/live/SETUP/" + UUID.randomUUID() + "/marks", Map.of("text", ""))
                        .status())
                .isEqualTo(409);
    }
}
