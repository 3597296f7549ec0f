package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** A result with so many readings that its hours are summed up. */
@ExtendWith(SharedRovek.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class ManyReadingsTest {

    private static final int MANY = 50_000;

    private final RunningRovek rovek;
    private final Caller caller;
    private final List<String> checks;

    ManyReadingsTest(RunningRovek rovek, @TempDir Path memory) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.checks = new SmallPlant(caller).pump("P-102");
        try (FieldDay field = new FieldDay(memory)) {
            // The visit and the original that the readings below belong to.
            field.press("/api/loose", Map.of("assetTag", "P-102", "point", "Coupling"));
            field.readBack(caller, field.connect(caller));
        }
    }

    /** A value a minute: 2 + day / 100, and once an hour a wild one. */
    private static void measure(Connection db, String check, int from, int to) throws SQLException {
        try (Statement statement = db.createStatement()) {
            statement.execute("""
                    INSERT INTO reading (id, check_id, visit_id, original_id, instrument_id, own_id, capture_sha256, technique,
                        taken_at, instrument_time,
                        label, note, settings, obstacle, replaced, discarded_because, filled, stored_at, version)
                    SELECT gen_random_uuid(), '%1$s', v.id, o.id, o.instrument_id, '%1$s-' || n, 'many', 'vibration',
                        '2026-01-01T00:00:00Z'::timestamptz + n * interval '1 minute',
                        '2026-01-01T00:00:00Z', '', '', '{}', '', false, NULL, '{}', now(), 0
                    FROM generate_series(%2$d, %3$d) n, (SELECT id FROM visit LIMIT 1) v, (SELECT id, instrument_id
                        FROM original LIMIT 1) o""".formatted(check, from, to));
            statement.execute("""
                    INSERT INTO result (reading_id, result_id, taken_at, check_id, place, value, unit)
                    SELECT id, 'velocity.rms', taken_at, check_id, 0,
                        CASE WHEN extract(minute FROM taken_at) = 30 THEN 1000 ELSE 2 + extract(epoch
                            FROM taken_at - '2026-01-01T00:00:00Z') / 86400 / 100 END, 'mm/s'
                    FROM reading WHERE check_id = '%s' AND taken_at BETWEEN '2026-01-01T00:00:00Z'::timestamptz + %d * interval '1 minute'
                        AND '2026-01-01T00:00:00Z'::timestamptz + %d * interval '1 minute'""".formatted(check, from, to));
        }
    }

    private JsonNode trend(String check) {
        return caller.get("/api/checks/" + check + "/trend").ok();
    }

    /**
     * The fault that was seen: the middle of least and largest of each stretch, which one wild value in an hour moves
     * by hundreds.
     */
    @Test
    void theCourseOfVeryManyValuesGoesByMedians() throws SQLException {
        String check = checks.get(0);
        try (Connection db = rovek.database().connect()) {
            measure(db, check, 1, MANY);
        }
        JsonNode trend = trend(check);
        assertThat(trend.get("readings").asLong()).isEqualTo(MANY);
        assertThat(trend.get("course").get("perDay").asDouble()).isCloseTo(0.01, within(0.0001));
        JsonNode last = trend.get("stretches").get(trend.get("stretches").size() - 1);
        assertThat(trend.get("stretches")
                        .valueStream()
                        .filter(stretch -> stretch.get("largest").asDouble() == 1_000))
                .as("spikes are still drawn")
                .isNotEmpty();
        assertThat(last.get("median").asDouble()).isCloseTo(2 + MANY / 1_440.0 / 100, within(0.01));
        try (Connection db = rovek.database().connect()) {
            measure(db, check, MANY + 1, MANY + 30);
        }
        assertThat(trend(check).get("readings").asLong())
                .as("hours that changed are summed up again")
                .isEqualTo(MANY + 30);
    }

    /** What is being written while the hours are summed up for the first time is waited for, not lost. */
    @Test
    void whatIsWrittenWhileTheHoursAreSummedUpIsAmongThem() throws Exception {
        String check = checks.get(2);
        try (Connection db = rovek.database().connect()) {
            measure(db, check, 1, MANY);
            db.setAutoCommit(false);
            measure(db, check, MANY + 1, MANY + 500);
            CompletableFuture<JsonNode> looked = CompletableFuture.supplyAsync(() -> trend(check));
            assertThat(looked.completeOnTimeout(null, 1, TimeUnit.SECONDS).get())
                    .as("it waits for the writer")
                    .isNull();
            db.commit();
        }
        // A second one looks while the first still sums up.
        assertThat(trend(check).get("readings").asLong()).isEqualTo(MANY + 500);
    }
}
