package rovek.server.rounds.correction;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface CorrectionRepository extends Repository<CorrectionEntity, UUID>, Adding<CorrectionEntity> {

    /** A correction as it is listed; {@code readings} says how many it changed. */
    record Line(UUID id, Instant at, String actor, String sentence, long readings, boolean isUndone) {}

    @Query("""
            SELECT m.id, m.at, m.actor, m.sentence,
                (SELECT count(*) FROM CorrectionStateEntity s WHERE s.correctionId = m.id AND s.kind = READING),
                EXISTS (SELECT 1 FROM CorrectionEntity u WHERE u.undoes = m.id)
            FROM CorrectionEntity m WHERE m.id IN :ids ORDER BY m.at DESC, m.id""")
    List<Line> lines(Collection<UUID> ids, Limit most);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("SELECT m FROM CorrectionEntity m WHERE m.id = :id")
    Optional<CorrectionEntity> locked(UUID id);

    boolean existsByUndoes(UUID id);
}
