package rovek.server.rounds.correction;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.judging.reading.ReadingState;
import rovek.server.judging.reading.ReadingStates;
import rovek.server.rounds.correction.Corrections.Corrected;
import rovek.server.rounds.correction.Corrections.Wanted;
import rovek.server.rounds.visit.VisitState;
import rovek.server.rounds.visit.VisitStates;

/**
 * The times of a visit's readings, where the instrument's clock was wrong. What the instrument wrote is kept beside
 * them.
 */
@Service
public class VisitTimes {

    private final Corrections corrections;
    private final ReadingStates readings;
    private final VisitStates visits;

    VisitTimes(Corrections corrections, ReadingStates readings, VisitStates visits) {
        this.corrections = corrections;
        this.readings = readings;
        this.visits = visits;
    }

    /**
     * Says when one reading was taken; all others of the visit follow by the same difference.
     *
     * @throws DomainProblem.NotFound where the reading is not of this visit
     */
    @Transactional
    public Corrected oneWasTaken(UUID visit, UUID reading, Instant at) {
        Map<UUID, ReadingState> states = readings.of(readings.ofVisit(visit));
        ReadingState known = states.get(reading);
        if (known == null) {
            throw new DomainProblem.NotFound(Sentence.of("thing.reading"));
        }
        return shifted(visit, states, Duration.between(known.takenAt(), at));
    }

    /** Takes every correction back: each time stands as the instrument wrote it. */
    @Transactional
    public Corrected asWritten(UUID visit) {
        Map<UUID, ReadingState> states = readings.of(readings.ofVisit(visit));
        if (states.isEmpty()) {
            throw new DomainProblem.Conflict("no-readings", Sentence.of("rounds.visitEmpty"));
        }
        Map<UUID, Instant> written = readings.written(states.keySet());
        states.replaceAll((id, state) -> state.at(written.get(id)));
        Instant began = states.values().stream()
                .map(ReadingState::takenAt)
                .min(Comparator.naturalOrder())
                .orElseThrow();
        return corrections.commit(new Wanted(
                Sentence.of("rounds.correctionAsWritten"),
                states,
                Map.of(visit, visits.of(visit).began(began, 0))));
    }

    private Corrected shifted(UUID visitId, Map<UUID, ReadingState> states, Duration by) {
        states.replaceAll((id, state) -> state.at(state.takenAt().plus(by)));
        VisitState visit = visits.of(visitId);
        Instant began = states.values().stream()
                .map(ReadingState::takenAt)
                .min(Comparator.naturalOrder())
                .orElse(visit.beganAt().plus(by));
        // Moved later by so much, the instrument's clock was so much more behind.
        VisitState wanted = visit.began(began, visit.clockAheadSeconds() - by.toSeconds());
        return corrections.commit(new Wanted(Sentence.of("rounds.correctionTimes"), states, Map.of(visitId, wanted)));
    }
}
