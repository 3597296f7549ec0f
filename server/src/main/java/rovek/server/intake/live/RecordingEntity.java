package rovek.server.intake.live;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

@Entity
@Table(name = "live_recording")
class RecordingEntity {

    @Id
    UUID id;

    @Enumerated(EnumType.STRING)
    LiveTarget.Kind kind;

    UUID targetId;
    String name;
    String model;
    String serial;

    /** As JSON. */
    String channels;

    int intervalMillis;

    /** Null where no check is recorded. */
    UUID checkId;

    Instant beganAt;
    String beganBy;

    /** When its server was last heard of. */
    Instant aliveAt;

    /** Null while it takes rows. */
    Instant closedAt;

    /** Null until its rows are in an original. */
    Instant endedAt;

    /** How many rows it has. */
    int taken;
}
