package rovek.server.rule;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.audit.AuditTrail;

/** What this house has decided for everybody. Until it has, the stricter way holds. */
@Service
public class HouseRules {

    private static final String REFUSE_OVERDUE = "certificate.refuse-overdue";

    private final AuditTrail audit;
    private final JdbcClient db;

    HouseRules(AuditTrail audit, JdbcClient db) {
        this.audit = audit;
        this.db = db;
    }

    /** @param refuseOverdue whether nothing is signed that was measured with an instrument or sensor whose calibration was due */
    public record Rules(boolean refuseOverdue) {}

    @Transactional(readOnly = true)
    public Rules now() {
        return new Rules(db.sql("SELECT value FROM house_rule WHERE key = ?").param(REFUSE_OVERDUE).query(String.class).optional().filter("false"::equals).isEmpty());
    }

    @Transactional
    public Rules put(Rules wanted) {
        Rules before = now();
        db.sql("INSERT INTO house_rule (key, value) VALUES (:key, :value) ON CONFLICT (key) DO UPDATE SET value = :value")
                .param("key", REFUSE_OVERDUE).param("value", String.valueOf(wanted.refuseOverdue()))
                .update();
        audit.note("change house rules", "rules", "house", before, wanted);
        return wanted;
    }
}
