package rovek.server.people.policy;

import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.base.audit.AuditTrail;

/** What this house has decided for everybody. Until it has, the stricter way holds. */
@Service
public class Policies {

    private static final String REFUSE_OVERDUE = "certificate.refuse-overdue";
    private static final String FILE_NEEDS_SECOND = "certificate.file-needs-second";

    private final AuditTrail audit;
    private final PolicyRepository rules;

    Policies(AuditTrail audit, PolicyRepository rules) {
        this.audit = audit;
        this.rules = rules;
    }

    /**
     * @param refuseOverdue whether nothing is signed that was measured with an instrument or sensor whose calibration
     *     was due
     * @param fileNeedsSecond whether readings that somebody brought as a file are signed by another person only
     */
    public record Rules(boolean refuseOverdue, boolean fileNeedsSecond) {}

    @Transactional(readOnly = true)
    public Rules now() {
        // In one statement: every report asks for them.
        Set<String> off = rules.named("false");
        return new Rules(!off.contains(REFUSE_OVERDUE), !off.contains(FILE_NEEDS_SECOND));
    }

    @Transactional
    public Rules put(Rules wanted) {
        Rules before = now();
        put(REFUSE_OVERDUE, String.valueOf(wanted.refuseOverdue()));
        put(FILE_NEEDS_SECOND, String.valueOf(wanted.fileNeedsSecond()));
        audit.note("change company policies", "rules", "house", before, wanted);
        return wanted;
    }

    /** What the house has decided in words, for a feature that keeps a rule of its own here; empty where it has not. */
    @Transactional(readOnly = true)
    public Optional<String> text(String key) {
        return rules.text(key);
    }

    /** Keeps such words; whoever keeps them notes what they were before. */
    @Transactional
    public void put(String key, String text) {
        rules.put(key, text);
    }
}
