package rovek.server.judging.reading;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.technique.InvalidSettingsException;
import rovek.core.technique.SettingValues;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.job.JobProgress;
import rovek.server.base.job.JobStopped;
import rovek.server.base.job.JobView;
import rovek.server.base.job.Jobs;
import rovek.server.base.problem.DomainProblem;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Results made once more from captures, as the check is set now: a band that was named later is seen in the history,
 * too. A choice of a person; the captures stay as they are, and so does every certificate.
 */
@Service
public class Reckoning {

    /** More are not counted, so that asking takes no longer where there are very many. */
    private static final int MOST_COUNTED = 5_000;

    private static final int AT_A_TIME = 100;

    @PersistenceContext
    private EntityManager entities;

    private final Plant plant;
    private final ReadingStates states;
    private final Jobs jobs;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;
    private final JdbcClient db;
    private final JsonMapper json;

    Reckoning(
            Plant plant,
            ReadingStates states,
            Jobs jobs,
            AuditTrail audit,
            TransactionTemplate transaction,
            JdbcClient db,
            JsonMapper json) {
        this.plant = plant;
        this.states = states;
        this.jobs = jobs;
        this.audit = audit;
        this.transaction = transaction;
        this.db = db;
        this.json = json;
    }

    /** How many of a check's readings were reckoned otherwise than it is set now; of the newest 5,000. */
    @Transactional(readOnly = true)
    public int otherwise(CheckView check) {
        record Used(String settings, int readings) {}
        return db
                .sql("""
                SELECT settings, count(*) FROM (SELECT settings FROM reading WHERE check_id = ? AND NOT replaced
                    ORDER BY taken_at DESC LIMIT %d) r
                GROUP BY settings""".formatted(MOST_COUNTED))
                .param(check.id())
                .query((row, n) -> new Used(row.getString(1), row.getInt(2)))
                .list()
                .stream()
                .filter(used -> differs(check, used.settings()))
                .mapToInt(Used::readings)
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

    private record Kept(UUID id, OffsetDateTime takenAt, String settings) {}

    /** Starts making them anew; where that is under way already, it is that. */
    public JobView start(UUID checkId) {
        CheckView check = plant.check(checkId);
        return jobs.runningOn(checkId)
                .orElseGet(() -> jobs.start(
                        "reckon", "Reckoning anew: " + check.place(), checkId, progress -> anew(checkId, progress)));
    }

    /** What a run through them has come to. */
    private static final class Count {
        private long looked;
        private int anew;
        private int unsuited;

        String sentence() {
            String done = anew == 1
                    ? "1 reading is reckoned as the check is set now."
                    : "%,d readings are reckoned as the check is set now.".formatted(anew);
            return unsuited == 0 ? done : "%s %,d do not suit it and stay as they were.".formatted(done, unsuited);
        }
    }

    private String anew(UUID checkId, JobProgress progress) {
        long total = db.sql("SELECT count(*) FROM reading WHERE check_id = ? AND NOT replaced")
                .param(checkId)
                .query(Long.class)
                .single();
        Count count = new Count();
        Optional<Kept> last = Optional.empty();
        do {
            if (progress.isStopRequested()) {
                throw new JobStopped("Stopped. " + count.sentence() + " The others can be done later.");
            }
            Optional<Kept> after = last;
            last = transaction.execute(status -> someAnew(checkId, after, count));
            progress.report(Math.min(count.looked, total), total, count.sentence());
        } while (last.isPresent());
        return count.sentence();
    }

    /** @return the last that was looked at; empty where there are no more */
    private Optional<Kept> someAnew(UUID checkId, Optional<Kept> after, Count count) {
        // One after the other: two who click at once would both make the same results.
        db.sql("SELECT 1 FROM (SELECT pg_advisory_xact_lock(7152, hashtext(?))) AS locked")
                .param(checkId.toString())
                .query(Integer.class)
                .single();
        CheckView check = plant.check(checkId);
        List<Kept> some = db.sql("""
                SELECT id, taken_at, settings FROM reading WHERE check_id = :check AND NOT replaced
                    AND (:at::timestamptz IS NULL OR (taken_at, id) < (:at::timestamptz, :id::uuid))
                        ORDER BY taken_at DESC, id DESC LIMIT :most""")
                .param("check", checkId)
                .param("at", after.map(Kept::takenAt).orElse(null))
                .param("id", after.map(Kept::id).orElse(null))
                .param("most", AT_A_TIME)
                .query((row, n) -> new Kept(
                        row.getObject(1, UUID.class), row.getObject(2, OffsetDateTime.class), row.getString(3)))
                .list();
        for (Kept kept : some) {
            count.looked++;
            if (differs(check, kept.settings())) {
                anew(kept, check, count);
            }
        }
        return some.isEmpty() ? Optional.empty() : Optional.of(some.get(some.size() - 1));
    }

    private void anew(Kept kept, CheckView check, Count count) {
        try {
            states.reckonAnew(entities.find(ReadingEntity.class, kept.id()), check);
        } catch (DomainProblem.Conflict doesNotSuit) {
            entities.clear();
            count.unsuited++;
            return;
        }
        audit.note(
                "reckon anew",
                "reading",
                kept.id(),
                json.readTree(kept.settings()),
                check.settings().values());
        // One capture after the other: they are large.
        entities.flush();
        entities.clear();
        count.anew++;
    }
}
