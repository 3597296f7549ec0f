package rovek.server.intake.live;

import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.live.GoLimit;
import rovek.core.live.LiveChannel;
import rovek.core.live.LiveRecord;
import rovek.core.live.LiveSample;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Recordings under way, and what live values must keep to. */
@Repository
class LiveRows {

    private static final TypeReference<List<LiveChannel>> CHANNELS = new TypeReference<>() {};
    /** All of them are shown, to everybody who watches, twice a second. */
    static final int MOST_MARKS = 500;

    private static final String BEGUN =
            "SELECT id, kind, target_id, name, model, serial, channels, interval_millis, check_id, began_at, "
                    + "began_by, taken FROM live_recording";

    private final JdbcClient db;
    private final JsonMapper json;

    LiveRows(JdbcClient db, JsonMapper json) {
        this.db = db;
        this.json = json;
    }

    /** A recording as it was begun. */
    record Begun(
            UUID id,
            LiveTarget target,
            String name,
            String model,
            String serial,
            List<LiveChannel> channels,
            int intervalMillis,
            Optional<UUID> check,
            Instant beganAt,
            String by) {}

    /**
     * A recording that is under way.
     *
     * @param taken how many rows it has
     * @param marks oldest first
     */
    record Open(Begun begun, int taken, List<LiveRecord.Mark> marks) {}

    /** Whether it was begun: it is not where the same source is being recorded already. */
    @Transactional
    public boolean begin(Begun begun) {
        return db.sql("INSERT INTO live_recording (id, kind, target_id, name, model, serial, channels, "
                                + "interval_millis, check_id, began_at, began_by, alive_at) "
                                + "VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT DO NOTHING")
                        .params(
                                begun.id(),
                                begun.target().kind().name(),
                                begun.target().id(),
                                begun.name(),
                                begun.model(),
                                begun.serial(),
                                json.writeValueAsString(begun.channels()),
                                begun.intervalMillis(),
                                begun.check().orElse(null),
                                at(begun.beganAt()),
                                begun.by(),
                                at(begun.beganAt()))
                        .update()
                == 1;
    }

    /** What is being recorded of a source, by whichever server. */
    @Transactional(readOnly = true)
    public Optional<Open> open(LiveTarget target) {
        return db.sql(BEGUN + " WHERE closed_at IS NULL AND kind = ? AND target_id = ?")
                .params(target.kind().name(), target.id())
                .query((row, n) -> new Open(begun(row), row.getInt(12), List.of()))
                .optional()
                .map(one -> new Open(one.begun(), one.taken(), marks(one.begun().id())));
    }

    /** @throws Closed where another server has taken the recording in the meantime */
    @Transactional
    public void add(UUID recording, LiveSample sample) {
        // First, so that nobody closes it until this row is in.
        alive(recording, sample.at(), 1);
        db.sql("INSERT INTO live_row VALUES (?, ?, ?) ON CONFLICT DO NOTHING")
                .params(recording, at(sample.at()), sample.values())
                .update();
    }

    /** @throws Closed where another server has taken the recording in the meantime */
    @Transactional
    public void alive(UUID recording, Instant now) {
        alive(recording, now, 0);
    }

    private void alive(UUID recording, Instant now, int more) {
        if (db.sql("UPDATE live_recording SET alive_at = ?, taken = taken + ? WHERE id = ? AND closed_at IS NULL")
                        .params(at(now), more, recording)
                        .update()
                == 0) {
            throw new Closed();
        }
    }

    /**
     * Whether it was marked: it is not where the recording has as many markers as one may have.
     *
     * @throws Closed where another server has taken the recording in the meantime
     */
    @Transactional
    public boolean mark(UUID recording, LiveRecord.Mark mark) {
        alive(recording, mark.at());
        return db.sql("""
                INSERT INTO live_mark SELECT :id, :at, :words
                WHERE (SELECT count(*) FROM live_mark WHERE recording_id = :id) < :most""")
                        .param("id", recording)
                        .param("at", at(mark.at()))
                        .param("words", mark.text())
                        .param("most", MOST_MARKS)
                        .update()
                == 1;
    }

    /** A recording takes no more rows: somebody makes a run of those it has. */
    static final class Closed extends RuntimeException {
        private static final long serialVersionUID = 1L;

        Closed() {
            super("The recording was ended in the meantime.", null, false, false);
        }
    }

    /**
     * From now on it takes no more rows, from whichever server; whoever takes it, and however often, finds the same.
     *
     * @return whether it was this that closed it
     */
    @Transactional
    public boolean close(UUID recording, Instant now) {
        return db.sql("UPDATE live_recording SET closed_at = ? WHERE id = ? AND closed_at IS NULL")
                        .params(at(now), recording)
                        .update()
                == 1;
    }

    /** Recordings whose server was not heard of since. */
    @Transactional(readOnly = true)
    public List<Begun> leftBehind(Instant since) {
        return db.sql(BEGUN + " WHERE ended_at IS NULL AND alive_at < ?")
                .param(at(since))
                .query((row, n) -> begun(row))
                .list();
    }

    private Begun begun(ResultSet row) throws SQLException {
        return new Begun(
                row.getObject(1, UUID.class),
                new LiveTarget(LiveTarget.Kind.valueOf(row.getString(2)), row.getObject(3, UUID.class)),
                row.getString(4),
                row.getString(5),
                row.getString(6),
                json.readValue(row.getString(7), CHANNELS),
                row.getInt(8),
                Optional.ofNullable(row.getObject(9, UUID.class)),
                row.getObject(10, OffsetDateTime.class).toInstant(),
                row.getString(11));
    }

    @Transactional(readOnly = true)
    public List<LiveSample> samples(UUID recording) {
        return db.sql("SELECT at, measured FROM live_row WHERE recording_id = ? ORDER BY at")
                .param(recording)
                .query((row, n) ->
                        new LiveSample(row.getObject(1, OffsetDateTime.class).toInstant(), numbers(row.getArray(2))))
                .list();
    }

    private static double[] numbers(Array array) throws SQLException {
        Double[] boxed = (Double[]) array.getArray();
        double[] numbers = new double[boxed.length];
        for (int i = 0; i < boxed.length; i++) {
            numbers[i] = boxed[i];
        }
        return numbers;
    }

    @Transactional(readOnly = true)
    public List<LiveRecord.Mark> marks(UUID recording) {
        return db.sql("SELECT at, words FROM live_mark WHERE recording_id = ? ORDER BY at")
                .param(recording)
                .query((row, n) -> new LiveRecord.Mark(
                        row.getObject(1, OffsetDateTime.class).toInstant(), row.getString(2)))
                .list();
    }

    /** Its rows are in an original from now on. */
    @Transactional
    public void end(UUID recording, Instant now) {
        db.sql("UPDATE live_recording SET ended_at = ? WHERE id = ? AND ended_at IS NULL")
                .params(at(now), recording)
                .update();
        db.sql("DELETE FROM live_row WHERE recording_id = ?").param(recording).update();
        db.sql("DELETE FROM live_mark WHERE recording_id = ?").param(recording).update();
    }

    @Transactional(readOnly = true)
    public Map<String, GoLimit> limits(LiveTarget target) {
        Map<String, GoLimit> limits = new HashMap<>();
        db.sql("SELECT channel, low, high FROM live_limit WHERE kind = ? AND target_id = ?")
                .params(target.kind().name(), target.id())
                .query(row -> {
                    limits.put(
                            row.getString(1),
                            new GoLimit(
                                    boundary(row.getObject(2, Double.class)),
                                    boundary(row.getObject(3, Double.class))));
                });
        return limits;
    }

    private static OptionalDouble boundary(Double stored) {
        return stored == null ? OptionalDouble.empty() : OptionalDouble.of(stored);
    }

    @Transactional
    public void limit(LiveTarget target, String channel, Double low, Double high) {
        db.sql("INSERT INTO live_limit VALUES (?, ?, ?, ?, ?) ON CONFLICT (kind, target_id, channel) DO "
                        + "UPDATE SET low = excluded.low, high = excluded.high")
                .params(target.kind().name(), target.id(), channel, low, high)
                .update();
    }

    private static OffsetDateTime at(Instant instant) {
        return instant.atOffset(ZoneOffset.UTC);
    }
}
