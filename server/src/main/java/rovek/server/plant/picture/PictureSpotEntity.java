package rovek.server.plant.picture;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.util.UUID;

@Entity
@Table(name = "picture_spot")
@IdClass(PictureSpotEntity.Key.class)
class PictureSpotEntity {

    @Id
    UUID pictureId;

    @Id
    UUID nodeId;

    double x;
    double y;

    record Key(UUID pictureId, UUID nodeId) {}
}
