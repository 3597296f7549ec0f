package rovek.server.instruments.instrument;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface InstrumentRepository extends Repository<InstrumentEntity, UUID> {

    InstrumentEntity save(InstrumentEntity instrument);

    Optional<InstrumentEntity> findById(UUID id);

    List<InstrumentEntity> findBySerialAndKnownBy(String serial, String knownBy);

    /** Past the version: somebody who changes the record at the same time is in nobody's way. */
    @Modifying
    @Query("""
            UPDATE InstrumentEntity i SET i.clockAheadMillis = :ahead, i.clockSeenAt = :at, i.clockAheadBeforeMillis = :aheadBefore,
                i.clockSeenBeforeAt = :before
            WHERE i.id = :id""")
    void noteClock(UUID id, Long ahead, Instant at, Long aheadBefore, Instant before);

    List<InstrumentEntity> findAllByOrderByModelAscSerialAsc();
}
