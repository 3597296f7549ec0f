package rovek.server.instruments.setup;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface SetupRepository extends Repository<SetupEntity, UUID>, Adding<SetupEntity> {

    /** A set-up with what it says now. */
    record Kept(UUID id, String name, String form, int revision, boolean removed, Integer version, String content) {}

    @Query("""
            SELECT s.id, s.name, s.form, s.revision, s.removed, s.version, r.content FROM SetupEntity s
            JOIN SetupRevisionEntity r ON r.setupId = s.id AND r.revision = s.revision
            WHERE s.removed = :removed ORDER BY s.name, s.id""")
    List<Kept> list(boolean removed);

    @Query("""
            SELECT s.id, s.name, s.form, s.revision, s.removed, s.version, r.content FROM SetupEntity s
            JOIN SetupRevisionEntity r ON r.setupId = s.id AND r.revision = s.revision WHERE s.id = :id""")
    Optional<Kept> find(UUID id);

    Optional<SetupEntity> findById(UUID id);

    SetupEntity saveAndFlush(SetupEntity setup);
}
