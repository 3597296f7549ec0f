package rovek.server.rounds.visit;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.repository.Repository;

interface VisitRepository extends Repository<VisitEntity, UUID> {

    VisitEntity save(VisitEntity visit);

    Optional<VisitEntity> findById(UUID id);

    Optional<VisitEntity> findByWalkIdAndInstrumentId(UUID walkId, UUID instrumentId);

    List<VisitEntity> findByInstrumentIdAndBeganAtBetweenOrderByBeganAtDesc(
            UUID instrumentId, Instant from, Instant to);

    List<VisitEntity> findAllByOrderByBeganAtDesc(Limit limit);
}
