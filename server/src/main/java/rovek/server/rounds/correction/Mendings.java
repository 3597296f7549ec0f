package rovek.server.rounds.correction;

import java.time.Clock;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.judging.reading.ReadingState;
import rovek.server.judging.reading.ReadingStates;
import rovek.server.rounds.visit.VisitState;
import rovek.server.rounds.visit.VisitStates;
import tools.jackson.databind.json.JsonMapper;

/**
 * Everything that people change on readings and visits goes through here: an act is done whole or not at all, stands in
 * the audit trail, and can be undone while nobody has changed the same readings since.
 */
@Service
public class Mendings {

    private static final String READING = "READING";
    private static final String VISIT = "VISIT";

    private final ReadingStates readings;
    private final VisitStates visits;
    private final AuditTrail audit;
    private final JdbcClient db;
    private final JsonMapper json;
    private final Clock clock;

    Mendings(
            ReadingStates readings, VisitStates visits, AuditTrail audit, JdbcClient db, JsonMapper json, Clock clock) {
        this.readings = readings;
        this.visits = visits;
        this.audit = audit;
        this.db = db;
        this.json = json;
        this.clock = clock;
    }

    /**
     * An act that was done.
     *
     * @param id by which it is undone
     * @param readings how many readings it changed
     */
    public record Mended(UUID id, String sentence, int readings) {}

    /** What an act wants: states of readings and visits by id. */
    record Wanted(String sentence, Map<UUID, ReadingState> readings, Map<UUID, VisitState> visits) {

        static Wanted of(String sentence, Map<UUID, ReadingState> readings) {
            return new Wanted(sentence, readings, Map.of());
        }
    }

    /** Does it, in the caller's transaction. What is in the wanted state already is no part of the act. */
    @Transactional(propagation = Propagation.MANDATORY)
    public Mended commit(Wanted wanted) {
        return commit(wanted, null);
    }

    private Mended commit(Wanted wanted, UUID undoes) {
        Map<UUID, ReadingState> before = readings.of(wanted.readings().keySet());
        UUID id = UUID.randomUUID();
        db.sql("INSERT INTO mending (id, at, actor, sentence, undoes) VALUES (?, ?, ?, ?, ?)")
                .params(java.util.Arrays.asList(
                        id, clock.instant().atOffset(ZoneOffset.UTC), AuditTrail.actor(), wanted.sentence(), undoes))
                .update();
        int changed = 0;
        for (Map.Entry<UUID, ReadingState> reading : wanted.readings().entrySet()) {
            ReadingState was = before.get(reading.getKey());
            if (!was.equals(reading.getValue())) {
                readings.put(reading.getKey(), reading.getValue());
                keep(id, READING, reading.getKey(), was.visitId(), was, reading.getValue());
                audit.note(wanted.sentence(), "reading", reading.getKey(), was, reading.getValue());
                changed++;
            }
        }
        for (Map.Entry<UUID, VisitState> visit : wanted.visits().entrySet()) {
            VisitState was = visits.of(visit.getKey());
            if (!was.equals(visit.getValue())) {
                visits.put(visit.getKey(), visit.getValue());
                keep(id, VISIT, visit.getKey(), visit.getKey(), was, visit.getValue());
                audit.note(wanted.sentence(), "visit", visit.getKey(), was, visit.getValue());
            }
        }
        return new Mended(id, wanted.sentence(), changed);
    }

    private void keep(UUID mending, String kind, UUID subject, UUID visit, Object before, Object after) {
        db.sql(
                        "INSERT INTO mending_state (mending_id, kind, subject_id, visit_id, before, after) VALUES (?, ?, ?, ?, ?, ?)")
                .params(mending, kind, subject, visit, json.writeValueAsString(before), json.writeValueAsString(after))
                .update();
    }

    /**
     * A correction as it is listed.
     *
     * @param readings how many readings it changed
     * @param isUndone whether it was undone already
     */
    public record Correction(UUID id, String at, String by, String sentence, int readings, boolean isUndone) {}

    private static final int MOST_LISTED = 200;

    /**
     * What was corrected in a visit, the newest first: what changed the visit itself, and what changed readings that
     * are of it or were.
     */
    @Transactional(readOnly = true)
    public List<Correction> of(UUID visit) {
        return db.sql("""
                SELECT m.id, m.at, m.actor, m.sentence, (SELECT count(*) FROM mending_state s WHERE s.mending_id = m.id
                    AND s.kind = 'READING'),
                    EXISTS (SELECT 1 FROM mending u WHERE u.undoes = m.id)
                FROM mending m
                WHERE m.id IN (
                    SELECT mending_id FROM mending_state WHERE visit_id = :visit
                    UNION SELECT s.mending_id FROM mending_state s JOIN reading r ON r.id = s.subject_id WHERE r.visit_id = :visit)
                ORDER BY m.at DESC, m.id LIMIT :most""")
                .param("visit", visit)
                .param("most", MOST_LISTED)
                .query((row, n) -> new Correction(
                        row.getObject(1, UUID.class),
                        row.getTimestamp(2).toInstant().toString(),
                        row.getString(3),
                        row.getString(4),
                        row.getInt(5),
                        row.getBoolean(6)))
                .list();
    }

    private record Kept(String kind, UUID subject, String before, String after) {}

    /**
     * Takes an act back; that is an act itself, and can be taken back in turn.
     *
     * @throws DomainProblem.Conflict where it was undone already, or the same readings were changed since
     */
    @Transactional
    public Mended undo(UUID id) {
        Optional<String> sentence = db.sql("SELECT sentence FROM mending WHERE id = ? FOR UPDATE")
                .param(id)
                .query(String.class)
                .optional();
        if (sentence.isEmpty()) {
            throw new DomainProblem.NotFound("What you want to undo");
        }
        if (db.sql("SELECT count(*) FROM mending WHERE undoes = ?")
                        .param(id)
                        .query(Integer.class)
                        .single()
                > 0) {
            throw new DomainProblem.Conflict("undone", "That was undone already.");
        }
        List<Kept> kept = db.sql("SELECT kind, subject_id, before, after FROM mending_state WHERE mending_id = ?")
                .param(id)
                .query((row, n) ->
                        new Kept(row.getString(1), row.getObject(2, UUID.class), row.getString(3), row.getString(4)))
                .list();
        Map<UUID, ReadingState> readingsBefore = new LinkedHashMap<>();
        Map<UUID, VisitState> visitsBefore = new LinkedHashMap<>();
        for (Kept one : kept) {
            boolean isReading = one.kind().equals(READING);
            Class<?> type = isReading ? ReadingState.class : VisitState.class;
            Object now = isReading ? readings.of(List.of(one.subject())).get(one.subject()) : visits.of(one.subject());
            if (!now.equals(json.readValue(one.after(), type))) {
                throw new DomainProblem.Conflict(
                        "mended-since",
                        "What this changed was changed again since. Undo the later change first; nothing was undone.");
            }
            if (isReading) {
                readingsBefore.put(one.subject(), json.readValue(one.before(), ReadingState.class));
            } else {
                visitsBefore.put(one.subject(), json.readValue(one.before(), VisitState.class));
            }
        }
        return commit(new Wanted("Undone: " + sentence.get(), readingsBefore, visitsBefore), id);
    }
}
