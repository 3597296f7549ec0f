package rovek.server.intake.live;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.util.UUID;

/** What a live value must keep to; null where it is open to that side. */
@Entity
@Table(name = "live_limit")
@IdClass(LiveLimitEntity.Key.class)
class LiveLimitEntity {

    @Id
    @Enumerated(EnumType.STRING)
    LiveTarget.Kind kind;

    @Id
    UUID targetId;

    @Id
    String channel;

    Double low;
    Double high;

    record Key(LiveTarget.Kind kind, UUID targetId, String channel) {}
}
