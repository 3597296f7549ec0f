package rovek.server.judging.reading;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.util.UUID;

@Entity
@Table(name = "reading_photo")
@IdClass(ReadingPhotoEntity.Key.class)
class ReadingPhotoEntity {

    @Id
    UUID readingId;

    /** From 1. */
    @Id
    short place;

    String mediaType;
    byte[] bytes;

    record Key(UUID readingId, short place) {}
}
