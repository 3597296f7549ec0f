package rovek.server.instruments.instrument;

import java.time.Instant;
import java.util.Collection;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Each is a transaction of its own: no claim is taken, renewed or given up within somebody else's. */
@Transactional
interface InstrumentClaimRepository extends Repository<InstrumentClaimEntity, UUID> {

    /** @return 0 while somebody else has it */
    @Modifying
    @Query("""
            INSERT INTO InstrumentClaimEntity AS c (instrumentId, holder, purpose, heldUntil, manner, wanted)
            VALUES (:instrument, :holder, :purpose, :until, :manner, false)
            ON CONFLICT (instrumentId) DO UPDATE SET holder = excluded.holder, purpose = excluded.purpose,
                heldUntil = excluded.heldUntil, manner = excluded.manner, wanted = false
            WHERE c.heldUntil < :now""")
    int take(UUID instrument, UUID holder, String purpose, Instant until, short manner, Instant now);

    @Modifying
    @Query("UPDATE InstrumentClaimEntity c SET c.heldUntil = :until WHERE c.holder IN :holders")
    void renew(Collection<UUID> holders, Instant until);

    @Modifying
    @Query("""
            UPDATE InstrumentClaimEntity c SET c.wanted = true
            WHERE c.instrumentId = :instrument AND c.manner < :manner AND NOT c.wanted""")
    void want(UUID instrument, short manner);

    @Modifying
    @Query("""
            UPDATE InstrumentClaimEntity c SET c.purpose = :purpose, c.manner = :manner,
                c.wanted = CASE WHEN c.wanted AND :givesWay = true THEN true ELSE false END
            WHERE c.instrumentId = :instrument AND c.holder = :holder""")
    void doing(UUID instrument, UUID holder, String purpose, short manner, boolean givesWay);

    @Modifying
    @Query("DELETE FROM InstrumentClaimEntity c WHERE c.instrumentId = :instrument AND c.holder = :holder")
    void giveUp(UUID instrument, UUID holder);

    @Query("SELECT c.wanted FROM InstrumentClaimEntity c WHERE c.instrumentId = :instrument AND c.holder = :holder")
    Optional<Boolean> isWanted(UUID instrument, UUID holder);

    boolean existsByInstrumentIdAndHolder(UUID instrument, UUID holder);

    @Query("SELECT c.purpose FROM InstrumentClaimEntity c WHERE c.instrumentId = :instrument")
    Optional<String> purpose(UUID instrument);

    @Query("SELECT c.purpose FROM InstrumentClaimEntity c WHERE c.instrumentId = :instrument AND c.heldUntil >= :now")
    Optional<String> purposeNow(UUID instrument, Instant now);
}
