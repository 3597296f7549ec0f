package rovek.server.instruments.instrument;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;

/**
 * A named way to an instrument, as it is stored. Only what changes is written: whoever notes an answer undoes nobody's
 * new name.
 */
@DynamicUpdate
@Entity
@Table(name = "connection")
class ConnectionEntity {

    @Id
    UUID id;

    String name;

    @Enumerated(EnumType.STRING)
    Reach.Kind kind;

    /** Host, device or folder. */
    String place;

    /** Port, or baud of a line; 0 for a folder. */
    int number;

    /** Sealed. */
    String passCode;

    /** Who answered there last, and when; null for nobody yet. */
    UUID instrumentId;

    Instant answeredAt;

    Reach reach() {
        return new Reach(kind, place, number);
    }
}
