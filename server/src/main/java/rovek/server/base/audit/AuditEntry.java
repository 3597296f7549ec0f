package rovek.server.base.audit;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "audit_entry")
class AuditEntry {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Instant at;
    String actor;
    String action;
    String subjectType;
    String subjectId;
    String before;
    String after;

    AuditTrail.Line line() {
        return new AuditTrail.Line(at.toString(), actor, action, subjectType, subjectId, before, after);
    }
}
