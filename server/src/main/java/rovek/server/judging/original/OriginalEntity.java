package rovek.server.judging.original;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** Bytes as an instrument gave them, without the bytes: those lie in {@link PieceEntity}s. */
@Entity
@Table(name = "original")
class OriginalEntity {

    @Id
    UUID id;

    UUID instrumentId;
    String fileName;
    String sha256;

    /** In bytes. */
    long size;

    Instant readBackAt;

    /** Sign-in name. */
    String readBackBy;

    /** Whether somebody brought it as a file, and it was not seen on the instrument itself since. */
    boolean asFile;
}
