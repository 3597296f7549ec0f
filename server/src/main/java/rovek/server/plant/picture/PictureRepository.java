package rovek.server.plant.picture;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

/** What is listed or changed never drags the images themselves along. */
interface PictureRepository extends Repository<PictureEntity, UUID>, Adding<PictureEntity> {

    /** A picture without its image and spots. */
    record Line(UUID id, UUID nodeId, String title, int width, int height, Instant at, String actor, int version) {}

    /** An image's bytes, as kept. */
    record Image(String mediaType, String sha256, byte[] bytes) {}

    @Query("""
            SELECT p.id, p.nodeId, p.title, p.width, p.height, p.at, p.actor, p.version FROM PictureEntity p
            WHERE p.nodeId = :node AND p.removed = :removed ORDER BY p.at, p.id""")
    List<Line> of(UUID node, boolean removed);

    @Query("""
            SELECT p.id, p.nodeId, p.title, p.width, p.height, p.at, p.actor, p.version FROM PictureEntity p
            WHERE p.id = :id""")
    List<Line> find(UUID id);

    @Query("SELECT p.mediaType, p.sha256, p.bytes FROM PictureEntity p WHERE p.id = :id")
    Optional<Image> image(UUID id);

    /** @return 0 where it is of another version, or removed */
    @Modifying
    @Query("""
            UPDATE PictureEntity p SET p.title = :title, p.version = p.version + 1
            WHERE p.id = :id AND p.version = :version AND NOT p.removed""")
    int change(UUID id, String title, int version);

    @Modifying
    @Query("UPDATE PictureEntity p SET p.removed = :removed, p.version = p.version + 1 WHERE p.id = :id")
    void setRemoved(UUID id, boolean removed);
}
