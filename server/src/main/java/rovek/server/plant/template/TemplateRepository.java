package rovek.server.plant.template;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface TemplateRepository extends Repository<TemplateEntity, UUID> {

    /** A template with one of its revisions. */
    record Kept(UUID id, String name, int revision, String parts) {}

    @Query("""
            SELECT t.id, t.name, r.revision, r.parts FROM TemplateEntity t
            JOIN TemplateRevisionEntity r ON r.templateId = t.id AND r.revision = t.latest ORDER BY t.name""")
    List<Kept> latest();

    @Query("""
            SELECT t.id, t.name, r.revision, r.parts FROM TemplateEntity t
            JOIN TemplateRevisionEntity r ON r.templateId = t.id WHERE t.id = :id AND r.revision = :revision""")
    Optional<Kept> find(UUID id, int revision);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("SELECT t FROM TemplateEntity t WHERE t.id = :id")
    Optional<TemplateEntity> locked(UUID id);

    boolean existsByName(String name);

    /** @return 0 where one of that id or name is there already */
    @Modifying
    @Query("""
            INSERT INTO TemplateEntity (id, name, latest, shipped) VALUES (:id, :name, :latest, :shipped)
            ON CONFLICT DO NOTHING""")
    int addUnlessThere(UUID id, String name, int latest, boolean shipped);

    @Modifying
    @Query("UPDATE TemplateEntity t SET t.latest = :latest WHERE t.id = :id")
    void setLatest(UUID id, int latest);
}
