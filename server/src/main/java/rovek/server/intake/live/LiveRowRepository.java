package rovek.server.intake.live;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface LiveRowRepository extends Repository<LiveRowEntity, LiveRowEntity.Key> {

    @Query("SELECT r FROM LiveRowEntity r WHERE r.recordingId = :recording ORDER BY r.at")
    List<LiveRowEntity> of(UUID recording);

    /** What was measured at that time already stays. */
    @Modifying
    @Query("""
            INSERT INTO LiveRowEntity (recordingId, at, measured) VALUES (:recording, :at, :measured)
            ON CONFLICT DO NOTHING""")
    void add(UUID recording, Instant at, double[] measured);

    @Modifying
    @Query("DELETE FROM LiveRowEntity r WHERE r.recordingId = :recording")
    void removeAllOf(UUID recording);
}
