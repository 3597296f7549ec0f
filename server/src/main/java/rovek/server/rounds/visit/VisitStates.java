package rovek.server.rounds.visit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Wording;

/** Reads and writes what of visits a person can change. */
@Service
public class VisitStates {

    private final VisitRepository visits;

    VisitStates(VisitRepository visits) {
        this.visits = visits;
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public VisitState of(UUID id) {
        VisitEntity visit = require(id);
        List<VisitState.WalkedStop> stops = visit.stops.stream()
                .map(stop -> new VisitState.WalkedStop(stop.checkId(), stop.progress(), stop.note(), stop.planned()))
                .toList();
        return new VisitState(visit.beganAt, visit.clockAheadSeconds, stops);
    }

    @Transactional(propagation = Propagation.MANDATORY)
    public void put(UUID id, VisitState wanted) {
        VisitEntity visit = require(id);
        visit.corrected = true;
        visit.beganAt = wanted.beganAt();
        visit.clockAheadSeconds = wanted.clockAheadSeconds();
        List<VisitEntity.Stop> stops = wanted.stops().stream()
                .map(stop -> new VisitEntity.Stop(stop.checkId(), stop.progress(), stop.note(), stop.planned()))
                .toList();
        if (!stops.equals(visit.stops)) {
            visit.stops = new ArrayList<>(stops);
        }
        visits.save(visit);
    }

    /**
     * Notes what a visit has left after readings or stops were moved.
     *
     * @param readings how many, without repeated ones
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void noteLeft(UUID id, int readings) {
        VisitEntity visit = require(id);
        visit.empty = readings == 0 && visit.stops.isEmpty();
        visits.save(visit);
    }

    /** A visit of the same instrument and person that holds nothing yet. */
    @Transactional(propagation = Propagation.MANDATORY)
    public UUID beside(UUID id, Instant beganAt) {
        VisitEntity like = require(id);
        VisitEntity visit = new VisitEntity();
        visit.id = UUID.randomUUID();
        visit.title = Wording.said(Sentence.of("rounds.partedFrom", "visit", like.title));
        visit.beganAt = beganAt;
        visit.instrumentId = like.instrumentId;
        visit.technician = like.technician;
        visit.clockAheadSeconds = like.clockAheadSeconds;
        visit.calibratedOn = like.calibratedOn;
        visit.calibratedUntil = like.calibratedUntil;
        visits.save(visit);
        return visit.id;
    }

    /** @throws DomainProblem.NotFound where there is no such visit */
    @Transactional(propagation = Propagation.MANDATORY)
    public String title(UUID id) {
        return require(id).title;
    }

    private VisitEntity require(UUID id) {
        return visits.findById(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.visit")));
    }
}
