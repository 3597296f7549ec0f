package rovek.server.intake.live;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** Recordings are changed past the record: servers change what is theirs only while it still is. */
interface RecordingRepository extends Repository<RecordingEntity, UUID> {

    /** @return 0 where the same source is being recorded already */
    @Modifying
    @Query("""
            INSERT INTO RecordingEntity (id, kind, targetId, name, model, serial, channels, intervalMillis, checkId,
                beganAt, beganBy, aliveAt, taken)
            VALUES (:id, :kind, :target, :name, :model, :serial, :channels, :interval, :check, :at, :by, :at, 0)
            ON CONFLICT DO NOTHING""")
    int begin(
            UUID id,
            LiveTarget.Kind kind,
            UUID target,
            String name,
            String model,
            String serial,
            String channels,
            int interval,
            UUID check,
            Instant at,
            String by);

    Optional<RecordingEntity> findByKindAndTargetIdAndClosedAtIsNull(LiveTarget.Kind kind, UUID targetId);

    List<RecordingEntity> findByEndedAtIsNullAndAliveAtBefore(Instant since);

    /** @return 0 where it is closed; otherwise nobody closes it until the transaction ends */
    @Modifying
    @Query("""
            UPDATE RecordingEntity r SET r.aliveAt = :now, r.taken = r.taken + :more
            WHERE r.id = :id AND r.closedAt IS NULL""")
    int alive(UUID id, Instant now, int more);

    @Modifying
    @Query("UPDATE RecordingEntity r SET r.closedAt = :now WHERE r.id = :id AND r.closedAt IS NULL")
    int close(UUID id, Instant now);

    @Modifying
    @Query("UPDATE RecordingEntity r SET r.endedAt = :now WHERE r.id = :id AND r.endedAt IS NULL")
    void end(UUID id, Instant now);
}
