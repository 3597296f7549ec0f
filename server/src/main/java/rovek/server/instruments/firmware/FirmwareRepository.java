package rovek.server.instruments.firmware;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** What is listed never drags the files themselves along. */
interface FirmwareRepository extends Repository<FirmwareEntity, UUID> {

    /** Firmware without its file. */
    record Line(
            UUID id,
            String model,
            String version,
            int seconds,
            Integer size,
            String sha256,
            Instant keptAt,
            String keptBy,
            String imageSha256,
            byte[] signature,
            String confirmedBy) {}

    String LINE = "SELECT f.id, f.model, f.version, f.seconds, f.size, f.sha256, f.keptAt, f.keptBy, f.imageSha256, "
            + "f.signature, f.confirmedBy FROM FirmwareEntity f ";

    @Query(LINE + "WHERE f.model = :model ORDER BY f.keptAt DESC")
    List<Line> of(String model, Limit most);

    @Query(LINE + "WHERE f.id = :id")
    Optional<Line> find(UUID id);

    @Query(LINE + "WHERE f.sha256 = :sha256")
    Optional<Line> findBySum(String sha256);

    @Query("SELECT f.bytes FROM FirmwareEntity f WHERE f.id = :id")
    byte[] bytes(UUID id);

    @Modifying
    @Query("""
            UPDATE FirmwareEntity f SET f.confirmedBy = :actor, f.confirmedAt = :at
            WHERE f.id = :id AND f.confirmedBy IS NULL""")
    void confirm(UUID id, String actor, Instant at);

    /** @return 0 where the same file is kept already */
    @Modifying
    @Query("""
            INSERT INTO FirmwareEntity
                (id, model, version, seconds, sha256, bytes, keptAt, keptBy, imageSha256, signature)
            VALUES (:id, :model, :version, :seconds, :sha256, :bytes,
                :keptAt, :keptBy, :imageSha256, :signature)
            ON CONFLICT (sha256) DO NOTHING""")
    int addUnlessThere(
            UUID id,
            String model,
            String version,
            int seconds,
            String sha256,
            byte[] bytes,
            Instant keptAt,
            String keptBy,
            String imageSha256,
            byte[] signature);
}
