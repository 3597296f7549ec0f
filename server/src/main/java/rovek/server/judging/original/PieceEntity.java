package rovek.server.judging.original;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;

/** A part of an original's bytes as it arrived. */
@Entity
@Table(name = "original_piece")
class PieceEntity {

    /** @param firstByte where in the whole it begins, from 0 */
    @Embeddable
    record Place(UUID originalId, long firstByte) implements Serializable {}

    @EmbeddedId
    Place place;

    /** In bytes, so that it is known without fetching them. */
    int size;

    byte[] bytes;
}
