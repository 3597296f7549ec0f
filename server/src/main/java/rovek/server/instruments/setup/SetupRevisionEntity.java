package rovek.server.instruments.setup;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

@Entity
@Immutable
@Table(name = "setup_revision")
@IdClass(SetupRevisionEntity.Key.class)
class SetupRevisionEntity {

    @Id
    UUID setupId;

    @Id
    int revision;

    /** As JSON. */
    String content;

    Instant at;
    String actor;

    record Key(UUID setupId, int revision) {}
}
