package rovek.server.instruments.calibration;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface PaperRepository extends Repository<PaperEntity, UUID>, Adding<PaperEntity> {

    /** A paper without the file itself. */
    record Line(UUID id, String fileName, String sha256, Integer size, Instant keptAt, String keptBy) {}

    @Query("""
            SELECT p.id, p.fileName, p.sha256, p.size, p.keptAt, p.keptBy FROM PaperEntity p
            WHERE p.instrumentId = :instrument ORDER BY p.keptAt DESC""")
    List<Line> ofInstrument(UUID instrument);

    @Query("""
            SELECT p.id, p.fileName, p.sha256, p.size, p.keptAt, p.keptBy FROM PaperEntity p
            WHERE p.sensorId = :sensor ORDER BY p.keptAt DESC""")
    List<Line> ofSensor(UUID sensor);

    Optional<PaperEntity> findById(UUID id);
}
