package rovek.server.plant.picture;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface PictureSpotRepository
        extends Repository<PictureSpotEntity, PictureSpotEntity.Key>, Adding<PictureSpotEntity> {

    /** A picture on which a node is seen. */
    record Shown(UUID nodeId, UUID pictureId) {}

    /** A spot of a picture. */
    record Spot(UUID pictureId, UUID nodeId, double x, double y) {}

    @Query("""
            SELECT s.pictureId, s.nodeId, s.x, s.y FROM PictureSpotEntity s
            WHERE s.pictureId IN :pictures ORDER BY s.y, s.x""")
    List<Spot> of(Collection<UUID> pictures);

    @Modifying(flushAutomatically = true)
    @Query("DELETE FROM PictureSpotEntity s WHERE s.pictureId = :picture")
    void removeAllOf(UUID picture);

    /** The newest picture last. */
    @Query("""
            SELECT s.nodeId, p.id FROM PictureSpotEntity s JOIN PictureEntity p ON p.id = s.pictureId
            WHERE NOT p.removed AND s.nodeId IN :nodes ORDER BY p.at, p.id""")
    List<Shown> showing(Collection<UUID> nodes);
}
