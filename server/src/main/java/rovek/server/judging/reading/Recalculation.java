package rovek.server.judging.reading;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.technique.InvalidSettingsException;
import rovek.core.technique.SettingValues;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.job.JobProgress;
import rovek.server.base.job.JobStopped;
import rovek.server.base.job.JobView;
import rovek.server.base.job.Jobs;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.records.Turns;
import rovek.server.judging.reading.ReadingRepository.Settled;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Results made once more from captures, as the check is set now: a band that was named later is seen in the history,
 * too. A choice of a person; the captures stay as they are, and so does every certificate.
 */
@Service
public class Recalculation {

    /** More are not counted, so that asking takes no longer where there are very many. */
    private static final int MOST_COUNTED = 5_000;

    private static final int AT_A_TIME = 100;

    /** Later than every reading. */
    private static final Instant ALWAYS = Instant.parse("9999-12-31T00:00:00Z");

    private static final UUID LAST = new UUID(-1, -1);

    @PersistenceContext
    private EntityManager entities;

    private final Plant plant;
    private final ReadingStates states;
    private final Jobs jobs;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;
    private final ReadingRepository readings;
    private final Turns turns;
    private final JsonMapper json;

    Recalculation(
            Plant plant,
            ReadingStates states,
            Jobs jobs,
            AuditTrail audit,
            TransactionTemplate transaction,
            ReadingRepository readings,
            Turns turns,
            JsonMapper json) {
        this.plant = plant;
        this.states = states;
        this.jobs = jobs;
        this.audit = audit;
        this.transaction = transaction;
        this.readings = readings;
        this.turns = turns;
        this.json = json;
    }

    /** How many of a check's readings were calculated otherwise than it is set now; of the newest 5,000. */
    @Transactional(readOnly = true)
    public int otherwise(CheckView check) {
        return readings.settingsUsed(check.id(), MOST_COUNTED).stream()
                .filter(used -> differs(check, used.settings()))
                .mapToInt(used -> (int) used.readings())
                .sum();
    }

    private boolean differs(CheckView check, String settings) {
        Map<String, String> measuredWith = json.readValue(settings, new TypeReference<>() {});
        try {
            SettingValues then = check.technique().settingsOf(measuredWith);
            return !then.equals(ReadingIntake.withSensor(check, then.values()));
        } catch (InvalidSettingsException ofAnotherTime) {
            return true;
        }
    }

    /** Starts making them again; where that is under way already, it is that. */
    public JobView start(UUID checkId) {
        CheckView check = plant.check(checkId);
        return jobs.runningOn(checkId)
                .orElseGet(() -> jobs.start(
                        "recalculate",
                        Sentence.of("judging.jobRecalculating", "place", check.place()),
                        checkId,
                        progress -> recalculate(checkId, progress)));
    }

    /** What a run through them has come to. */
    private static final class Count {
        private long looked;
        private int done;
        private int unsuited;

        Sentence sentence() {
            Sentence counted = Sentence.of("judging.recalculated", "readings", done);
            return unsuited == 0
                    ? counted
                    : Sentence.joined(List.of(counted, Sentence.of("judging.unsuited", "readings", unsuited)));
        }
    }

    private Sentence recalculate(UUID checkId, JobProgress progress) {
        long total = readings.countByCheckIdAndReplacedFalse(checkId);
        Count count = new Count();
        Optional<Settled> last = Optional.empty();
        do {
            if (progress.isStopRequested()) {
                throw new JobStopped(Sentence.of("judging.recalculationStopped", "count", count.sentence()));
            }
            Optional<Settled> after = last;
            last = transaction.execute(status -> recalculateSome(checkId, after, count));
            progress.report(Math.min(count.looked, total), total, count.sentence());
        } while (last.isPresent());
        return count.sentence();
    }

    /** @return the last that was looked at; empty where there are no more */
    private Optional<Settled> recalculateSome(UUID checkId, Optional<Settled> after, Count count) {
        // One after the other: two who click at once would both make the same results.
        turns.take(Turns.Turn.RECALCULATE, checkId);
        CheckView check = plant.check(checkId);
        List<Settled> some = readings.settledBefore(
                checkId,
                after.map(Settled::takenAt).orElse(ALWAYS),
                after.map(Settled::id).orElse(LAST),
                Limit.of(AT_A_TIME));
        for (Settled kept : some) {
            count.looked++;
            if (differs(check, kept.settings())) {
                recalculate(kept, check, count);
            }
        }
        return some.isEmpty() ? Optional.empty() : Optional.of(some.get(some.size() - 1));
    }

    private void recalculate(Settled kept, CheckView check, Count count) {
        try {
            states.recalculate(entities.find(ReadingEntity.class, kept.id()), check);
        } catch (DomainProblem.Conflict doesNotSuit) {
            entities.clear();
            count.unsuited++;
            return;
        }
        audit.note(
                "recalculate",
                "reading",
                kept.id(),
                json.readTree(kept.settings()),
                check.settings().values());
        // One capture after the other: they are large.
        entities.flush();
        entities.clear();
        count.done++;
    }
}
