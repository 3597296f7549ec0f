package rovek.server.rounds.correction;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface CorrectionStateRepository
        extends Repository<CorrectionStateEntity, CorrectionStateEntity.Key>, Adding<CorrectionStateEntity> {

    @Query("SELECT DISTINCT s.correctionId FROM CorrectionStateEntity s WHERE s.visitId = :visit")
    List<UUID> ofVisit(UUID visit);

    @Query("SELECT DISTINCT s.correctionId FROM CorrectionStateEntity s WHERE s.subjectId IN :subjects")
    List<UUID> ofSubjects(Collection<UUID> subjects);

    List<CorrectionStateEntity> findByCorrectionId(UUID correction);
}
