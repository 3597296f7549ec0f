package rovek.server.rounds.correction;

import java.time.Clock;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.records.Parts;
import rovek.server.base.wording.StoredSentence;
import rovek.server.judging.reading.ReadingState;
import rovek.server.judging.reading.ReadingStates;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.reading.Readings.Counted;
import rovek.server.rounds.correction.CorrectionStateEntity.Kind;
import rovek.server.rounds.visit.VisitState;
import rovek.server.rounds.visit.VisitStates;
import tools.jackson.databind.json.JsonMapper;

/**
 * Everything that people change on readings and visits goes through here: an act is done whole or not at all, stands in
 * the audit trail, and can be undone while nobody has changed the same readings since.
 */
@Service
public class Corrections {

    private static final String UNDONE = "rounds.correctionUndone";
    private static final String REDONE = "rounds.correctionRedone";

    private final ReadingStates readings;
    private final VisitStates visits;
    private final AuditTrail audit;
    private final CorrectionRepository corrections;
    private final CorrectionStateRepository kept;
    private final Readings all;
    private final JsonMapper json;
    private final Clock clock;

    Corrections(
            ReadingStates readings,
            VisitStates visits,
            AuditTrail audit,
            CorrectionRepository corrections,
            CorrectionStateRepository kept,
            Readings all,
            JsonMapper json,
            Clock clock) {
        this.readings = readings;
        this.visits = visits;
        this.audit = audit;
        this.corrections = corrections;
        this.kept = kept;
        this.all = all;
        this.json = json;
        this.clock = clock;
    }

    /**
     * An act that was done.
     *
     * @param id by which it is undone
     * @param readings how many readings it changed
     */
    public record Corrected(UUID id, Sentence sentence, int readings) {}

    /** What an act wants: states of readings and visits by id. */
    record Wanted(Sentence sentence, Map<UUID, ReadingState> readings, Map<UUID, VisitState> visits) {

        static Wanted of(Sentence sentence, Map<UUID, ReadingState> readings) {
            return new Wanted(sentence, readings, Map.of());
        }
    }

    /** Does it, in the caller's transaction. What is in the wanted state already is no part of the act. */
    @Transactional(propagation = Propagation.MANDATORY)
    public Corrected commit(Wanted wanted) {
        return commit(wanted, null);
    }

    private Corrected commit(Wanted wanted, UUID undoes) {
        Map<UUID, ReadingState> before = readings.of(wanted.readings().keySet());
        UUID id = UUID.randomUUID();
        CorrectionEntity correction = new CorrectionEntity();
        correction.id = id;
        correction.at = clock.instant();
        correction.actor = AuditTrail.actor();
        correction.sentence = StoredSentence.write(wanted.sentence());
        correction.undoes = undoes;
        corrections.add(correction);
        int changed = 0;
        for (Map.Entry<UUID, ReadingState> reading : wanted.readings().entrySet()) {
            ReadingState was = before.get(reading.getKey());
            if (!was.equals(reading.getValue())) {
                readings.put(reading.getKey(), reading.getValue());
                keep(id, Kind.READING, reading.getKey(), was.visitId(), was, reading.getValue());
                audit.note(correction.sentence, "reading", reading.getKey(), was, reading.getValue());
                changed++;
            }
        }
        for (Map.Entry<UUID, VisitState> visit : wanted.visits().entrySet()) {
            VisitState was = visits.of(visit.getKey());
            if (!was.equals(visit.getValue())) {
                visits.put(visit.getKey(), visit.getValue());
                keep(id, Kind.VISIT, visit.getKey(), visit.getKey(), was, visit.getValue());
                audit.note(correction.sentence, "visit", visit.getKey(), was, visit.getValue());
            }
        }
        noteLeft(wanted, before.values());
        return new Corrected(id, wanted.sentence(), changed);
    }

    private void noteLeft(Wanted wanted, Collection<ReadingState> before) {
        Set<UUID> touched = new HashSet<>(wanted.visits().keySet());
        before.forEach(reading -> touched.add(reading.visitId()));
        wanted.readings().values().forEach(reading -> touched.add(reading.visitId()));
        Map<UUID, Counted> left = all.counted(touched);
        touched.forEach(visit -> visits.noteLeft(
                visit, left.getOrDefault(visit, new Counted(0, 0)).readings()));
    }

    private void keep(UUID correction, Kind kind, UUID subject, UUID visit, Object before, Object after) {
        CorrectionStateEntity state = new CorrectionStateEntity();
        state.correctionId = correction;
        state.kind = kind;
        state.subjectId = subject;
        state.visitId = visit;
        state.before = json.writeValueAsString(before);
        state.after = json.writeValueAsString(after);
        kept.add(state);
    }

    /**
     * A correction as it is listed.
     *
     * @param readings how many readings it changed
     * @param isUndone whether it was undone already
     */
    public record Correction(UUID id, String at, String by, Sentence sentence, int readings, boolean isUndone) {}

    private static final int MOST_LISTED = 200;

    /**
     * What was corrected in a visit, the newest first: what changed the visit itself, and what changed readings that
     * are of it or were.
     */
    @Transactional(readOnly = true)
    public List<Correction> of(UUID visit) {
        Set<UUID> ids = new HashSet<>(kept.ofVisit(visit));
        ids.addAll(Parts.asked(all.changedOfVisit(visit), kept::ofSubjects));
        return corrections.lines(ids, Limit.of(MOST_LISTED)).stream()
                .map(one -> new Correction(
                        one.id(),
                        one.at().toString(),
                        one.actor(),
                        StoredSentence.read(one.sentence()),
                        (int) one.readings(),
                        one.isUndone()))
                .toList();
    }

    /**
     * Takes an act back; that is an act itself, and can be taken back in turn.
     *
     * @throws DomainProblem.Conflict where it was undone already, or the same readings were changed since
     */
    @Transactional
    public Corrected undo(UUID id) {
        CorrectionEntity correction =
                corrections.locked(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.undone")));
        if (corrections.existsByUndoes(id)) {
            throw new DomainProblem.Conflict("undone", Sentence.of("rounds.undoneAlready"));
        }
        Map<UUID, ReadingState> readingsBefore = new LinkedHashMap<>();
        Map<UUID, VisitState> visitsBefore = new LinkedHashMap<>();
        for (CorrectionStateEntity one : kept.findByCorrectionId(id)) {
            boolean isReading = one.kind == Kind.READING;
            Class<?> type = isReading ? ReadingState.class : VisitState.class;
            Object now = isReading ? readings.of(List.of(one.subjectId)).get(one.subjectId) : visits.of(one.subjectId);
            if (!now.equals(json.readValue(one.after, type))) {
                throw new DomainProblem.Conflict("corrected-since", Sentence.of("rounds.changedAgain"));
            }
            if (isReading) {
                readingsBefore.put(one.subjectId, json.readValue(one.before, ReadingState.class));
            } else {
                visitsBefore.put(one.subjectId, json.readValue(one.before, VisitState.class));
            }
        }
        return commit(
                new Wanted(takenBack(StoredSentence.read(correction.sentence)), readingsBefore, visitsBefore), id);
    }

    /** Taking back a taking back does it again: who goes to and fro all day does not make the name any longer. */
    private static Sentence takenBack(Sentence act) {
        return switch (act.key()) {
            case UNDONE -> new Sentence(REDONE, act.values());
            case REDONE -> new Sentence(UNDONE, act.values());
            default -> Sentence.of(UNDONE, "what", act);
        };
    }
}
