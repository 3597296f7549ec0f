package rovek.server.judging.original;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface OriginalRepository extends Repository<OriginalEntity, UUID> {

    /** A line of the list, with what is known of its readings; null where they were not made. */
    record Line(OriginalEntity original, TakenEntity taken) {}

    Optional<OriginalEntity> findById(UUID id);

    @Query("""
            SELECT o, t FROM OriginalEntity o LEFT JOIN TakenEntity t ON t.originalId = o.id
            WHERE o.instrumentId = :instrument AND o.sha256 = :sha256""")
    Optional<Line> find(UUID instrument, String sha256);

    @Query("""
            SELECT o, t FROM OriginalEntity o LEFT JOIN TakenEntity t ON t.originalId = o.id
            WHERE o.instrumentId = :instrument ORDER BY o.readBackAt DESC""")
    List<Line> list(UUID instrument, Limit most);

    @Query("SELECT o FROM OriginalEntity o WHERE o.id IN :ids AND o.asFile ORDER BY o.readBackAt, o.fileName")
    List<OriginalEntity> broughtAsFiles(Collection<UUID> ids);

    /** @return 0 where the same bytes of the same instrument are kept already */
    @Modifying
    @Query("""
            INSERT INTO OriginalEntity (id, instrumentId, fileName, sha256, size, readBackAt, readBackBy, asFile)
            VALUES (:id, :instrument, :fileName, :sha256, :size, :at, :actor, :asFile)
            ON CONFLICT (instrumentId, sha256) DO NOTHING""")
    int addUnlessThere(
            UUID id,
            UUID instrument,
            String fileName,
            String sha256,
            long size,
            Instant at,
            String actor,
            boolean asFile);

    @Modifying(flushAutomatically = true)
    @Query("UPDATE OriginalEntity o SET o.asFile = false WHERE o.id = :id AND o.asFile")
    int noteOnInstrument(UUID id);
}
