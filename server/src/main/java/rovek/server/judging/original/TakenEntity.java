package rovek.server.judging.original;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** That the readings of an original were made, and what of it could not be taken. */
@Entity
@Table(name = "original_intake")
class TakenEntity {

    @Id
    UUID originalId;

    Instant at;
    int newReadings;
    int knownReadings;

    /** A line each, likewise {@code unknownUnits}. */
    String leftOut;

    String unknownUnits;
}
