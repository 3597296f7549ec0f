package rovek.server.judging.original;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A file of an instrument that is on its way, or was left half-way. Its pieces become an original's of the same id. */
@Entity
@Table(name = "transfer")
class TransferEntity {

    @Id
    UUID id;

    UUID instrumentId;
    String sha256;
    Instant begunAt;

    /** Whether it was only to be looked into. */
    boolean forPreview;
}
