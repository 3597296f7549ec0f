package rovek.server.judging.reading;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ReadingPhotoRepository extends Repository<ReadingPhotoEntity, ReadingPhotoEntity.Key> {

    int countByReadingId(UUID reading);

    Optional<ReadingPhotoEntity> findById(ReadingPhotoEntity.Key key);

    /** At once: what is kept of a package is in memory no longer than it must. */
    @Modifying
    @Query("""
            INSERT INTO ReadingPhotoEntity (readingId, place, mediaType, bytes)
            VALUES (:reading, :place, :mediaType, :bytes)""")
    void add(UUID reading, short place, String mediaType, byte[] bytes);
}
