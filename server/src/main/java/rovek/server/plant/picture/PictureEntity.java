package rovek.server.plant.picture;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

@Entity
@Table(name = "picture")
class PictureEntity {

    @Id
    UUID id;

    UUID nodeId;
    String title;
    String mediaType;
    int width;
    int height;
    String sha256;
    byte[] bytes;
    Instant at;
    String actor;
    boolean removed;
    /** Counted by hand: what changes is changed without fetching the image. */
    int version;
}
