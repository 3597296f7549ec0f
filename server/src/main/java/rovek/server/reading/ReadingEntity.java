package rovek.server.reading;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;

@Entity
@Table(name = "reading")
class ReadingEntity {

    @Id
    UUID id;

    /** Null while loose. */
    UUID checkId;

    UUID visitId;
    UUID originalId;
    String instrumentSerial;
    String ownId;
    String captureSha256;
    String technique;

    /** True time, the instrument's clock corrected. */
    Instant takenAt;

    Instant instrumentTime;
    String label;
    String note;

    /** The settings it was analysed with, as JSON. */
    String settings;

    /** Why it must not be judged; blank where nothing is in the way. */
    String obstacle;

    /** Whether a later reading repeats it. */
    boolean replaced;

    String discardedBecause;

    /** What people filled in, as JSON. */
    String filled;

    Instant storedAt;

    /** A person's verdict, as JSON; null where nobody gave one. */
    String overruled;

    @Version
    Integer version;
}
