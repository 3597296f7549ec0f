package rovek.server.instruments.setup;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

/** That a set-up was loaded onto an instrument. */
@Entity
@Immutable
@Table(name = "setup_load")
class SetupLoadEntity {

    @Id
    UUID id;

    UUID setupId;
    int revision;
    UUID instrumentId;
    Instant at;
    String actor;
}
