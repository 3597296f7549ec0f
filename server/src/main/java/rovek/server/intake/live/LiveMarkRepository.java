package rovek.server.intake.live;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface LiveMarkRepository extends Repository<LiveMarkEntity, Long>, Adding<LiveMarkEntity> {

    List<LiveMarkEntity> findByRecordingIdOrderByAtAscIdAsc(UUID recording);

    int countByRecordingId(UUID recording);

    @Modifying
    @Query("DELETE FROM LiveMarkEntity m WHERE m.recordingId = :recording")
    void removeAllOf(UUID recording);
}
