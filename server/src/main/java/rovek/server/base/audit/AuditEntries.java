package rovek.server.base.audit;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.repository.Repository;

interface AuditEntries extends Repository<AuditEntry, Long> {

    AuditEntry save(AuditEntry entry);

    List<AuditEntry> findBySubjectTypeAndSubjectIdOrderByIdDesc(String subjectType, String subjectId, Limit limit);

    List<AuditEntry> findAllByOrderByIdDesc(Limit limit);
}
