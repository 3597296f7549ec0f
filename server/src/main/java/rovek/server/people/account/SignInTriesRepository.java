package rovek.server.people.account;

import jakarta.persistence.LockModeType;
import jakarta.persistence.QueryHint;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.hibernate.jpa.SpecHints;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.jpa.repository.QueryHints;
import org.springframework.data.repository.Repository;

interface SignInTriesRepository extends Repository<SignInTriesEntity, String> {

    /** So that there is something to hold. */
    @Modifying
    @Query("""
            INSERT INTO SignInTriesEntity (countedBy, failures, lastFailureAt, told) VALUES (:key, 0, :now, false)
            ON CONFLICT (countedBy) DO NOTHING""")
    void addUnlessThere(String key, Instant now);

    /** Held until the transaction ends: many tries at once are counted one after the other. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("SELECT t FROM SignInTriesEntity t WHERE t.countedBy = :key")
    Optional<SignInTriesEntity> held(String key);

    @Modifying
    @Query("""
            UPDATE SignInTriesEntity t SET t.told = true WHERE t.countedBy IN :keys AND t.failures > 0 AND NOT t.told""")
    int tell(Collection<String> keys);

    @Modifying
    @Query("DELETE FROM SignInTriesEntity t WHERE t.countedBy = :key")
    void forget(String key);

    @Modifying
    @Query("""
            UPDATE SignInTriesEntity t SET t.failures = CASE WHEN t.failures > 0 THEN t.failures - 1 ELSE 0 END
            WHERE t.countedBy = :key""")
    void takeBack(String key);

    /** Those that nobody counts just now. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @QueryHints(@QueryHint(name = SpecHints.HINT_SPEC_LOCK_TIMEOUT, value = "-2"))
    @Query("SELECT t FROM SignInTriesEntity t WHERE t.lastFailureAt < :then ORDER BY t.lastFailureAt")
    List<SignInTriesEntity> quiet(Instant then, Limit most);

    void deleteAll(Iterable<SignInTriesEntity> tries);
}
