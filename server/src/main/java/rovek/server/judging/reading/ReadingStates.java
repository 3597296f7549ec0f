package rovek.server.judging.reading;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import java.time.Instant;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.technique.Analysis;
import rovek.core.technique.SettingValues;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.StoredSentence;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Reads and writes what of readings a person can change. What follows from it, the results, is computed here. */
@Service
public class ReadingStates {

    @PersistenceContext
    private EntityManager entities;

    private final Plant plant;
    private final ReadingIntake intake;
    private final ReadingRepository readings;
    private final ResultRepository results;
    private final JsonMapper json;

    ReadingStates(
            Plant plant, ReadingIntake intake, ReadingRepository readings, ResultRepository results, JsonMapper json) {
        this.plant = plant;
        this.intake = intake;
        this.readings = readings;
        this.results = results;
        this.json = json;
    }

    /** @throws DomainProblem.NotFound where one of them is not there */
    @Transactional(propagation = Propagation.MANDATORY)
    public Map<UUID, ReadingState> of(Collection<UUID> ids) {
        Map<UUID, ReadingState> states = new LinkedHashMap<>();
        ids.forEach(id -> states.put(id, state(require(id))));
        return states;
    }

    /** Every reading of a visit, repeated and discarded ones too. */
    @Transactional(propagation = Propagation.MANDATORY)
    public List<UUID> ofVisit(UUID visit) {
        return readings.idsOfVisit(visit);
    }

    /** When readings were taken by their instruments' own clocks. */
    @Transactional(propagation = Propagation.MANDATORY)
    public Map<UUID, Instant> written(Collection<UUID> ids) {
        Map<UUID, Instant> written = new LinkedHashMap<>();
        ids.forEach(id -> written.put(id, require(id).instrumentTime));
        return written;
    }

    private ReadingState state(ReadingEntity reading) {
        return new ReadingState(
                reading.checkId,
                reading.visitId,
                reading.takenAt,
                reading.discardedBecause,
                json.readValue(reading.filled, new TypeReference<>() {}),
                reading.overridden == null ? null : json.readValue(reading.overridden, VerdictOverride.class),
                reading.chosen);
    }

    /**
     * Puts a reading into a state. On another check its results are computed again, with that check's settings.
     *
     * @throws DomainProblem.Conflict where the check is of another technique, or the capture does not suit it
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void put(UUID id, ReadingState wanted) {
        ReadingEntity reading = require(id);
        boolean isMoved = !Objects.equals(reading.checkId, wanted.checkId());
        Optional<CheckView> check =
                isMoved ? Optional.ofNullable(wanted.checkId()).map(plant::check) : Optional.empty();
        boolean isAtAnotherTime = !reading.takenAt.equals(wanted.takenAt());
        reading.visitId = wanted.visitId();
        reading.takenAt = wanted.takenAt();
        reading.discardedBecause = wanted.discardedBecause();
        reading.filled = json.writeValueAsString(wanted.filled());
        reading.overridden = wanted.overridden() == null ? null : json.writeValueAsString(wanted.overridden());
        reading.chosen = wanted.chosen();
        reading.checkId = wanted.checkId();
        entities.flush();
        if (check.isPresent()) {
            judgeAgain(reading, check.get());
        } else if (isMoved || isAtAnotherTime) {
            results.move(id, wanted.checkId(), wanted.takenAt());
        }
    }

    private void judgeAgain(ReadingEntity reading, CheckView check) {
        if (!check.technique().id().equals(reading.technique)) {
            throw new DomainProblem.Conflict(
                    "other-technique",
                    Sentence.of(
                            "judging.otherTechnique",
                            "reading",
                            reading.technique,
                            "check",
                            check.technique().id()));
        }
        calculate(reading, check, check.settings());
    }

    /** Makes the results once more, as the check is set now, but with the sensor the reading was measured with. */
    void recalculate(ReadingEntity reading, CheckView check) {
        calculate(
                reading,
                check,
                ReadingIntake.withSensor(check, json.readValue(reading.settings, new TypeReference<>() {})));
    }

    private void calculate(ReadingEntity reading, CheckView check, SettingValues settings) {
        Analysis analysis;
        try {
            analysis = check.technique()
                    .analyse(entities.find(CaptureEntity.class, reading.id).capture(), settings);
        } catch (IllegalArgumentException e) {
            throw new DomainProblem.Conflict(
                    "does-not-suit",
                    Sentence.of(
                            "judging.atPlace",
                            "place",
                            check.place(),
                            "why",
                            Refused.why(e, Sentence.of("judging.notAnalysed"))));
        }
        results.removeAllOf(reading.id);
        reading.settings = json.writeValueAsString(settings.values());
        reading.obstacle = StoredSentence.write(analysis.reasonNotToJudge());
        intake.persistResults(reading, analysis);
    }

    private ReadingEntity require(UUID id) {
        ReadingEntity reading = entities.find(ReadingEntity.class, id);
        if (reading == null) {
            throw new DomainProblem.NotFound(Sentence.of("thing.reading"));
        }
        return reading;
    }
}
