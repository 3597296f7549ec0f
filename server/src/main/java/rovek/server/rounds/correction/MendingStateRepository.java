package rovek.server.rounds.correction;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface MendingStateRepository
        extends Repository<MendingStateEntity, MendingStateEntity.Key>, Adding<MendingStateEntity> {

    @Query("SELECT DISTINCT s.mendingId FROM MendingStateEntity s WHERE s.visitId = :visit")
    List<UUID> ofVisit(UUID visit);

    @Query("SELECT DISTINCT s.mendingId FROM MendingStateEntity s WHERE s.subjectId IN :subjects")
    List<UUID> ofSubjects(Collection<UUID> subjects);

    List<MendingStateEntity> findByMendingId(UUID mending);
}
