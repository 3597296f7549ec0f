package rovek.server.intake.live;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface LiveLimitRepository extends Repository<LiveLimitEntity, LiveLimitEntity.Key> {

    List<LiveLimitEntity> findByKindAndTargetId(LiveTarget.Kind kind, UUID targetId);

    @Modifying
    @Query("""
            INSERT INTO LiveLimitEntity (kind, targetId, channel, low, high) VALUES (:kind, :target, :channel, :low, :high)
            ON CONFLICT (kind, targetId, channel) DO UPDATE SET low = excluded.low, high = excluded.high""")
    void put(LiveTarget.Kind kind, UUID target, String channel, Double low, Double high);
}
