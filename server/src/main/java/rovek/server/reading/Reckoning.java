package rovek.server.reading;

import jakarta.persistence.EntityManager;
import jakarta.persistence.PersistenceContext;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.technique.InvalidSettingsException;
import rovek.core.technique.SettingValues;
import rovek.server.audit.AuditTrail;
import rovek.server.plant.CheckView;
import rovek.server.plant.Plant;
import rovek.server.problem.DomainProblem;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Results made once more from captures, as the check is set now: a band that was named later is seen in the history, too. A choice of
 * a person; the captures stay as they are, and so does every certificate.
 */
@Service
public class Reckoning {

    private static final int MOST_READINGS = 5_000;

    @PersistenceContext
    private EntityManager entities;

    private final Plant plant;
    private final ReadingStates states;
    private final AuditTrail audit;
    private final JdbcClient db;
    private final JsonMapper json;

    Reckoning(Plant plant, ReadingStates states, AuditTrail audit, JdbcClient db, JsonMapper json) {
        this.plant = plant;
        this.states = states;
        this.audit = audit;
        this.db = db;
        this.json = json;
    }

    /** How many were made anew. */
    public record Reckoned(int readings) {}

    /** How many of a check's readings were reckoned otherwise than it is set now; no more are counted than are done at once. */
    @Transactional(readOnly = true)
    public int otherwise(CheckView check) {
        record Used(String settings, int readings) {}
        return db.sql("""
                SELECT settings, count(*) FROM (SELECT settings FROM reading WHERE check_id = ? AND NOT replaced ORDER BY taken_at DESC LIMIT %d) r
                GROUP BY settings""".formatted(MOST_READINGS))
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

    private record Kept(UUID id, String settings) {}

    /** @throws DomainProblem.Conflict where there are too many to be done at once */
    @Transactional
    public Reckoned anew(UUID checkId) {
        CheckView check = plant.check(checkId);
        // One after the other: two who click at once would both make the same results.
        db.sql("SELECT 1 FROM (SELECT pg_advisory_xact_lock(7152, hashtext(?))) AS locked").param(checkId.toString()).query(Integer.class).single();
        List<Kept> wanted = db.sql("SELECT id, settings FROM reading WHERE check_id = ? AND NOT replaced ORDER BY taken_at DESC")
                .param(checkId)
                .query((row, n) -> new Kept(row.getObject(1, UUID.class), row.getString(2)))
                .list()
                .stream()
                .filter(kept -> differs(check, kept.settings()))
                .toList();
        if (wanted.size() > MOST_READINGS) {
            throw new DomainProblem.Conflict("too-many-readings", "More than %,d readings are not reckoned anew at once.".formatted(MOST_READINGS));
        }
        for (Kept kept : wanted) {
            states.reckonAnew(entities.find(ReadingEntity.class, kept.id()), check);
            audit.note("reckon anew", "reading", kept.id(), json.readTree(kept.settings()), check.settings().values());
            // One capture after the other: they are large.
            entities.flush();
            entities.clear();
        }
        return new Reckoned(wanted.size());
    }
}
