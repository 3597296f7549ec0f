package rovek.server.judging.reading;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
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
    UUID instrumentId;
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

    /** The instrument's id of the reading that this one repeats; blank for none. */
    String repeats;

    /** Whether a later reading repeats it. */
    boolean replaced;

    String discardedBecause;

    /** What people filled in, as JSON. */
    String filled;

    Instant storedAt;

    /** The stop it was taken for, by the check that was loaded; null where no stop asked for it. */
    UUID plannedFor;

    /** Whether a person chose it to count at its stop. */
    boolean chosen;

    /** Of the instrument that took it, when it was read back; likewise until when. */
    LocalDate calibratedOn;

    LocalDate calibratedUntil;

    /** A person's verdict, as JSON; null where nobody gave one. */
    String overridden;

    @Version
    Integer version;
}
