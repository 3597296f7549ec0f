package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static rovek.server.LiveView.await;
import static rovek.server.LiveView.beginRecording;
import static rovek.server.LiveView.connected;
import static rovek.server.LiveView.onlyTaken;
import static rovek.server.LiveView.recorded;
import static rovek.server.LiveView.recording;
import static rovek.server.LiveView.transmitterSetup;

import java.time.Clock;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import rovek.fieldsim.Transmitter;

/** A recording of live values has its bounds, one server, and an end, whatever becomes of that server. */
@ExtendWith(OneRovek.class)
class LiveRecordingTest {

    private final RunningRovek rovek;
    private final Caller caller;

    LiveRecordingTest(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
    }

    @Test
    void aRecordingThatIsAsLongAsOneMayBeEndsAndIsTaken() throws Exception {
        try (Transmitter transmitter = Transmitter.start(0, Clock.systemUTC());
                RunningRovek small =
                        RunningRovek.start("--rovek.live.most-values=6", "--rovek.live.left-behind=PT2S")) {
            Caller technician = Caller.signedIn(small);
            String live = transmitterSetup(technician, transmitter.port());
            beginRecording(technician, live, "Forgotten", 100);
            assertThat(onlyTaken(technician).capture().get("allRows").asInt())
                    .as("six values of two channels")
                    .isEqualTo(3);
        }
    }

    /**
     * A server that slept for longer than anybody waits, and wakes: what another one has taken meanwhile gets no more
     * rows.
     */
    @Test
    void aRecordingThatAnotherServerTookGetsNoMoreRows() throws Exception {
        try (Transmitter transmitter = Transmitter.start(0, Clock.systemUTC());
                RunningRovek slow = RunningRovek.start()) {
            Caller technician = Caller.signedIn(slow);
            String live = transmitterSetup(technician, transmitter.port());
            beginRecording(technician, live, "Taken elsewhere", 100);
            recorded(technician, live, 3);
            JdbcClient db = slow.bean(JdbcClient.class);
            db.sql("UPDATE live_recording SET closed_at = now()").update();
            long rows =
                    db.sql("SELECT count(*) FROM live_row").query(Long.class).single();
            await(() -> technician.get(live).ok(), now -> now.get("recording").isNull());
            assertThat(db.sql("SELECT count(*) FROM live_row").query(Long.class).single())
                    .isEqualTo(rows);
            assertThat(technician.post(live + "/marks", Map.of("text", "late")).status())
                    .isEqualTo(409);
            assertThat(db.sql("SELECT count(*) FROM live_mark")
                            .query(Long.class)
                            .single())
                    .isZero();
        }
    }

    /** Each is shown to everybody who watches, again and again. */
    @Test
    void aRecordingHasNoMoreMarkersThanAnybodyCanShow() throws Exception {
        try (Transmitter transmitter = Transmitter.start(0, Clock.systemUTC())) {
            String live = transmitterSetup(caller, transmitter.port());
            connected(caller, live);
            Map<String, Object> wanted = recording("Marked often", 500, null);
            caller.post(live + "/recording", wanted).ok();
            recorded(caller, live, 1);
            rovek.bean(JdbcClient.class)
                    .sql(
                            "INSERT INTO live_mark SELECT ?::uuid, now() + n * interval '1 ms', 'm' FROM generate_series(1, 499) n")
                    .param(wanted.get("id"))
                    .update();
            caller.post(live + "/marks", Map.of("text", "the last")).ok();
            Caller.Answer refused = caller.post(live + "/marks", Map.of("text", "one more"));
            assertThat(refused.status()).isEqualTo(409);
            assertThat(refused.sentence()).contains("up to 500 markers", "the recording continues");
            assertThat(caller.get(live).ok().get("recording").get("marks")).hasSize(500);
            caller.post(live + "/recording/end", Map.of()).ok();
        }
    }

    /** A server that dies leaves its rows in the database; the next one makes a run of them. */
    @Test
    void aRecordingWhoseServerDiedIsTakenByTheNext() throws Exception {
        try (TestDatabase database = TestDatabase.create();
                Transmitter transmitter = Transmitter.start(0, Clock.systemUTC())) {
            try (RunningRovek dying = RunningRovek.startOn(database)) {
                Caller technician = Caller.signedIn(dying);
                String live = transmitterSetup(technician, transmitter.port());
                beginRecording(technician, live, "Left behind", 200);
                recorded(technician, live, 4);
            }
            try (RunningRovek next = RunningRovek.startOn(database, "--rovek.live.left-behind=PT1S")) {
                Caller technician = Caller.signedIn(next);
                LiveView.Taken taken = onlyTaken(technician);
                assertThat(taken.label()).isEqualTo("Left behind");
                assertThat(taken.capture().get("allRows").asInt()).isGreaterThanOrEqualTo(4);
            }
        }
    }
}
