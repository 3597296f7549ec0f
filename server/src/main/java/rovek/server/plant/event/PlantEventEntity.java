package rovek.server.plant.event;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

@Entity
@Table(name = "plant_event")
class PlantEventEntity {

    @Id
    UUID id;

    UUID nodeId;
    Instant at;

    @Enumerated(EnumType.STRING)
    EventKind kind;

    String words;
    boolean startsBaseline;

    /** Null where the first readings make the baseline, or it starts none. */
    Instant baselineUntil;

    /** Sign-in name. */
    String notedBy;

    Instant notedAt;
    boolean removed;
}
