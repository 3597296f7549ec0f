package rovek.server.intake.live;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.live.GoLimit;
import rovek.core.live.LiveChannel;
import rovek.core.live.LiveRecord;
import rovek.core.live.LiveSample;
import rovek.core.wording.Sentence;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Recordings under way, and what live values must keep to. */
@Repository
class LiveRows {

    private static final TypeReference<List<LiveChannel>> CHANNELS = new TypeReference<>() {};
    /** All of them are shown, to everybody who watches, twice a second. */
    static final int MOST_MARKS = 500;

    private final RecordingRepository recordings;
    private final LiveRowRepository rows;
    private final LiveMarkRepository marks;
    private final LiveLimitRepository limits;
    private final JsonMapper json;

    LiveRows(
            RecordingRepository recordings,
            LiveRowRepository rows,
            LiveMarkRepository marks,
            LiveLimitRepository limits,
            JsonMapper json) {
        this.recordings = recordings;
        this.rows = rows;
        this.marks = marks;
        this.limits = limits;
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
        return recordings.begin(
                        begun.id(),
                        begun.target().kind(),
                        begun.target().id(),
                        begun.name(),
                        begun.model(),
                        begun.serial(),
                        json.writeValueAsString(begun.channels()),
                        begun.intervalMillis(),
                        begun.check().orElse(null),
                        begun.beganAt(),
                        begun.by())
                == 1;
    }

    /** What is being recorded of a source, by whichever server. */
    @Transactional(readOnly = true)
    public Optional<Open> open(LiveTarget target) {
        return recordings
                .findByKindAndTargetIdAndClosedAtIsNull(target.kind(), target.id())
                .map(one -> new Open(begun(one), one.taken, marks(one.id)));
    }

    /** @throws Closed where another server has taken the recording in the meantime */
    @Transactional
    public void add(UUID recording, LiveSample sample) {
        // First, so that nobody closes it until this row is in.
        alive(recording, sample.at(), 1);
        rows.add(recording, sample.at(), sample.values());
    }

    /** @throws Closed where another server has taken the recording in the meantime */
    @Transactional
    public void alive(UUID recording, Instant now) {
        alive(recording, now, 0);
    }

    private void alive(UUID recording, Instant now, int more) {
        if (recordings.alive(recording, now, more) == 0) {
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
        // One after the other: who marks holds the recording.
        if (marks.countByRecordingId(recording) >= MOST_MARKS) {
            return false;
        }
        LiveMarkEntity row = new LiveMarkEntity();
        row.recordingId = recording;
        row.at = mark.at();
        row.words = mark.text();
        marks.add(row);
        return true;
    }

    /** A recording takes no more rows: somebody makes a run of those it has. */
    static final class Closed extends RuntimeException {
        private static final long serialVersionUID = 1L;

        Closed() {
            super("closed", null, false, false);
        }

        Sentence sentence() {
            return Sentence.of("intake.recordingEnded");
        }
    }

    /**
     * From now on it takes no more rows, from whichever server; whoever takes it, and however often, finds the same.
     *
     * @return whether it was this that closed it
     */
    @Transactional
    public boolean close(UUID recording, Instant now) {
        return recordings.close(recording, now) == 1;
    }

    /** Recordings whose server was not heard of since. */
    @Transactional(readOnly = true)
    public List<Begun> leftBehind(Instant since) {
        return recordings.findByEndedAtIsNullAndAliveAtBefore(since).stream()
                .map(this::begun)
                .toList();
    }

    private Begun begun(RecordingEntity row) {
        return new Begun(
                row.id,
                new LiveTarget(row.kind, row.targetId),
                row.name,
                row.model,
                row.serial,
                json.readValue(row.channels, CHANNELS),
                row.intervalMillis,
                Optional.ofNullable(row.checkId),
                row.beganAt,
                row.beganBy);
    }

    @Transactional(readOnly = true)
    public List<LiveSample> samples(UUID recording) {
        return rows.of(recording).stream()
                .map(row -> new LiveSample(row.at, row.measured))
                .toList();
    }

    @Transactional(readOnly = true)
    public List<LiveRecord.Mark> marks(UUID recording) {
        return marks.findByRecordingIdOrderByAtAscIdAsc(recording).stream()
                .map(row -> new LiveRecord.Mark(row.at, row.words))
                .toList();
    }

    /** Its rows are in an original from now on. */
    @Transactional
    public void end(UUID recording, Instant now) {
        recordings.end(recording, now);
        rows.removeAllOf(recording);
        marks.removeAllOf(recording);
    }

    @Transactional(readOnly = true)
    public Map<String, GoLimit> limits(LiveTarget target) {
        Map<String, GoLimit> byChannel = new HashMap<>();
        limits.findByKindAndTargetId(target.kind(), target.id())
                .forEach(row -> byChannel.put(row.channel, new GoLimit(boundary(row.low), boundary(row.high))));
        return byChannel;
    }

    private static OptionalDouble boundary(Double stored) {
        return stored == null ? OptionalDouble.empty() : OptionalDouble.of(stored);
    }

    @Transactional
    public void limit(LiveTarget target, String channel, Double low, Double high) {
        limits.put(target.kind(), target.id(), channel, low, high);
    }
}
