package rovek.server.judging.original;

import java.time.Instant;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface TakenRepository extends Repository<TakenEntity, UUID> {

    /** How many were new adds up; what could not be taken is what the latest says. */
    @Modifying
    @Query("""
            INSERT INTO TakenEntity AS t (originalId, at, newReadings, knownReadings, leftOut, unknownUnits)
            VALUES (:original, :at, :fresh, :known, :leftOut, :unknownUnits)
            ON CONFLICT (originalId) DO UPDATE SET leftOut = excluded.leftOut, unknownUnits = excluded.unknownUnits,
                newReadings = t.newReadings + excluded.newReadings""")
    void note(UUID original, Instant at, int fresh, int known, String leftOut, String unknownUnits);
}
