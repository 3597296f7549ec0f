package rovek.server.base.audit;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.Names;
import rovek.server.base.wording.StoredSentence;

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
        Sentence said = StoredSentence.read(action);
        return new AuditTrail.Line(
                at.toString(),
                actor.equals(AuditTrail.NOBODY) ? Sentence.of("base.nobody") : Sentence.plain(actor),
                said.text().map(Names::act).orElse(said),
                subjectType,
                Names.subject(subjectType),
                subjectId,
                before,
                after);
    }
}
