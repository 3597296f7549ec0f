package rovek.server.judging.reading;

import java.time.Instant;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ResultRepository extends Repository<ResultEntity, ResultEntity.Key> {

    /** @param check null where the reading is loose from now on */
    @Modifying(flushAutomatically = true)
    @Query("UPDATE ResultEntity v SET v.checkId = :check, v.takenAt = :at WHERE v.readingId = :reading")
    void move(UUID reading, UUID check, Instant at);

    @Modifying(flushAutomatically = true)
    @Query("DELETE FROM ResultEntity v WHERE v.readingId = :reading")
    void removeAllOf(UUID reading);
}
