package rovek.server.intake.tableimport;

import java.time.Instant;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ForeignMappingRepository extends Repository<ForeignMappingEntity, String> {

    @Query("SELECT m.mapping FROM ForeignMappingEntity m WHERE m.signature = :signature")
    Optional<String> of(String signature);

    /** Whoever imports the same table at the same time is not disturbed: the later one is remembered. */
    @Modifying
    @Query("""
            INSERT INTO ForeignMappingEntity (signature, mapping, rememberedAt, rememberedBy)
            VALUES (:signature, :mapping, :at, :actor) ON CONFLICT (signature) DO UPDATE
            SET mapping = excluded.mapping, rememberedAt = excluded.rememberedAt, rememberedBy = excluded.rememberedBy""")
    void remember(String signature, String mapping, Instant at, String actor);
}
