package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import rovek.fieldsim.Fieldsim;
import tools.jackson.databind.JsonNode;

/**
 * The server killed without warning, its database away, its disk full: what was stored is whole, the rest is still on
 * the instrument.
 */
class ServerFaultsTest {

    private static final int KILLS = 10;

    @TempDir
    Path folder;

    private final String serial = UUID.randomUUID().toString();
    private FieldDay field;

    @BeforeEach
    void switchOn() {
        field = new FieldDay(Fieldsim.Kind.VIBRATION, serial, folder.resolve("instrument"));
    }

    @AfterEach
    void switchOff() {
        field.close();
    }

    private static long count(TestDatabase database, String what) throws SQLException {
        try (Connection db = database.connect();
                Statement statement = db.createStatement();
                var rows = statement.executeQuery("SELECT count(*) FROM " + what)) {
            rows.next();
            return rows.getLong(1);
        }
    }

    private static void execute(TestDatabase database, String sql) throws SQLException {
        try (Connection db = database.connect();
                Statement statement = db.createStatement()) {
            statement.execute(sql);
        }
    }

    private JsonNode readBack(Caller caller, String instrument) {
        return caller.post(
                        "/api/instruments/" + instrument + "/read-back",
                        Map.of("files", List.of(), "correctClock", true))
                .ok();
    }

    /** The first administrator is made a moment after the server answers. */
    private static Caller signedIn(ServerProcess server) {
        Caller caller = new Caller(server.address());
        soon(() -> caller.signIn(RunningRovek.ADMINISTRATOR, RunningRovek.PASSWORD), answer -> answer.status() == 200);
        return caller;
    }

    private static <T> T soon(Callable<T> call, java.util.function.Predicate<T> wanted) {
        long until = System.nanoTime() + 40_000_000_000L;
        try {
            for (T now = call.call(); ; now = call.call()) {
                if (wanted.test(now)) {
                    return now;
                }
                assertThat(System.nanoTime()).as("it comes to that: " + now).isLessThan(until);
                Thread.sleep(50);
            }
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }

    /** Twelve servers are started, one after the other. */
    @Test
    @Timeout(value = 15, unit = TimeUnit.MINUTES)
    void killedAtTenRandomMomentsNothingIsLostAndNothingIsTwice() throws Exception {
        Random random = new Random(20_261_123);
        String instrument = null;
        LaunchKit kit = LaunchKit.prepared(Files.createDirectory(folder.resolve("launch")));
        try (TestDatabase database = TestDatabase.create()) {
            for (int i = 1; i <= KILLS; i++) {
                field.press("/api/loose", Map.of("assetTag", "P-1", "point", "Coupling"));
                try (ServerProcess server = ServerProcess.start(kit, database, folder.resolve("server.log"))) {
                    Caller caller = signedIn(server);
                    instrument = instrument == null ? field.connect(caller) : instrument;
                    String known = instrument;
                    field.faults(Map.of("slowMillis", 12));
                    soon(
                            () -> caller.post(
                                    "/api/instruments/" + known + "/read-back",
                                    Map.of("files", List.of(), "correctClock", true)),
                            answer -> answer.status() == 202);
                    Thread.sleep(random.nextInt(500));
                    server.kill();
                }
                assertWhole(database);
                assertThat(Files.exists(folder.resolve("instrument/loose")))
                        .as("the instrument's memory is untouched")
                        .isTrue();
            }
            field.faults(Map.of());
            try (ServerProcess server = ServerProcess.start(kit, database, folder.resolve("server.log"))) {
                Caller caller = signedIn(server);
                String known = instrument;
                // Whom the dead server had claimed is free again by itself.
                JsonNode last = soon(
                        () -> caller.awaitJob(readBack(caller, known)),
                        job -> !job.get("sentence").asString().contains("in use"));
                assertThat(last.get("state").asString()).as(last.toString()).isEqualTo("DONE");
                assertThat(count(database, "reading")).isEqualTo(KILLS);
                assertWhole(database);
            }
        }
    }

    /** Every reading with its capture and results, every original that was taken with its readings, nothing twice. */
    private static void assertWhole(TestDatabase database) throws SQLException {
        assertThat(count(database, "reading r WHERE NOT EXISTS (SELECT 1 FROM capture c WHERE c.reading_id = r.id)"))
                .isZero();
        assertThat(count(database, "reading r WHERE NOT EXISTS (SELECT 1 FROM result v WHERE v.reading_id = r.id)"))
                .isZero();
        assertThat(count(
                        database,
                        "original o WHERE size <> (SELECT sum(size) FROM original_piece WHERE original_id = o.id)"))
                .isZero();
        assertThat(count(database, "(SELECT own_id FROM reading GROUP BY own_id HAVING count(*) > 1) AS twice"))
                .isZero();
    }

    @Test
    void aDatabaseThatGoesAwayAndComesBackIsSaidAndSurvived() throws Exception {
        try (TestDatabase database = TestDatabase.create();
                Relay toDatabase = new Relay(database.port());
                RunningRovek rovek = RunningRovek.startOn(
                        database, "--spring.datasource.url=" + database.urlAt(toDatabase.port()))) {
            Caller caller = Caller.signedIn(rovek);
            String instrument = field.connect(caller);
            for (int i = 0; i < 3; i++) {
                field.press("/api/loose", Map.of("assetTag", "P-1", "point", "Coupling"));
            }
            field.faults(Map.of("slowMillis", 60));
            JsonNode job = readBack(caller, instrument);
            soon(() -> count(database, "original_piece"), pieces -> pieces > 0);
            toDatabase.down();
            Caller.Answer away = caller.get("/api/visits");
            assertThat(away.status()).isEqualTo(503);
            assertThat(away.sentence()).contains("The database does not answer").contains("Try again when it is back");
            // Longer than anybody waits for a connection.
            Thread.sleep(8_000);
            toDatabase.up();
            JsonNode ended = soon(
                            () -> caller.get("/api/jobs/" + job.get("id").asString()),
                            answer -> answer.status() == 200
                                    && !answer.body().get("state").asString().equals("RUNNING"))
                    .body();
            assertThat(ended.get("sentence").asString()).contains("The database does not answer");
            assertThat(count(database, "reading")).isZero();
            field.faults(Map.of());
            JsonNode again = soon(
                    () -> caller.awaitJob(readBack(caller, instrument)),
                    done -> !done.get("sentence").asString().contains("in use"));
            assertThat(again.get("sentence").asString()).startsWith("3 new readings");
            assertWhole(database);
        }
    }

    @Test
    void aFullDiskIsSaidAndNothingHalfIsStored() throws Exception {
        try (TestDatabase database = TestDatabase.create();
                RunningRovek rovek = RunningRovek.startOn(database)) {
            Caller caller = Caller.signedIn(rovek);
            String instrument = field.connect(caller);
            field.press("/api/loose", Map.of("assetTag", "P-1", "point", "Coupling"));
            for (String table : List.of("original_piece", "original", "capture", "result")) {
                // What PostgreSQL reports where a table can grow no more, SQL state 53100.
                execute(database, """
                        CREATE FUNCTION no_room() RETURNS trigger LANGUAGE plpgsql AS $$
                        BEGIN RAISE EXCEPTION 'could not extend file: No space left on device' USING ERRCODE = '53100'; END $$;
                        CREATE TRIGGER no_room BEFORE INSERT ON %s FOR EACH ROW EXECUTE FUNCTION no_room()""".formatted(table));
                JsonNode job = caller.awaitJob(readBack(caller, instrument));
                assertThat(job.get("state").asString()).isEqualTo("FAILED");
                assertThat(job.get("sentence").asString())
                        .as("no room in " + table)
                        .contains("disk is full")
                        .contains("Free disk space");
                assertThat(count(database, "reading")).isZero();
                execute(database, "DROP FUNCTION no_room CASCADE");
            }
            assertThat(caller.awaitJob(readBack(caller, instrument))
                            .get("sentence")
                            .asString())
                    .startsWith("1 new reading");
            assertWhole(database);
        }
    }
}
