package rovek.server.intake.live;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

/** What the channels of a recording showed at a time. */
@Entity
@Immutable
@Table(name = "live_row")
@IdClass(LiveRowEntity.Key.class)
class LiveRowEntity {

    @Id
    UUID recordingId;

    @Id
    Instant at;

    double[] measured;

    record Key(UUID recordingId, Instant at) {}
}
