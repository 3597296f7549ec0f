package rovek.server.rounds.visit;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface VisitRepository extends Repository<VisitEntity, UUID> {

    /** A visit without its stops. */
    record Line(UUID id, String title, Instant beganAt, String technician, UUID instrumentId, int stops) {}

    /** A walk along a route. */
    record Walk(UUID visitId, UUID routeId, Instant beganAt) {}

    VisitEntity save(VisitEntity visit);

    Optional<VisitEntity> findById(UUID id);

    Optional<VisitEntity> findByWalkIdAndInstrumentId(UUID walkId, UUID instrumentId);

    List<VisitEntity> findByInstrumentIdAndBeganAtBetweenOrderByBeganAtDesc(
            UUID instrumentId, Instant from, Instant to);

    List<VisitEntity> findAllByOrderByBeganAtDesc(Limit limit);

    boolean existsByEmptyFalse();

    @Query("""
            SELECT v.id, v.title, v.beganAt, v.technician, v.instrumentId, size(v.stops) FROM VisitEntity v
            WHERE NOT v.empty ORDER BY v.beganAt DESC, v.id LIMIT :most OFFSET :from""")
    List<Line> lines(int most, int from);

    @Query("""
            SELECT v.id, v.title, v.beganAt, v.technician, v.instrumentId, size(v.stops) FROM VisitEntity v
            WHERE v.id IN :ids ORDER BY v.beganAt DESC, v.id""")
    List<Line> newestOf(Collection<UUID> ids, Limit most);

    @Query("""
            SELECT v.id, v.routeId, v.beganAt FROM VisitEntity v
            WHERE v.routeId IS NOT NULL AND v.beganAt BETWEEN :from AND :to
                AND NOT EXISTS (SELECT 1 FROM v.stops s WHERE s.progress IN ('to do', 'begun'))""")
    List<Walk> walks(Instant from, Instant to);
}
