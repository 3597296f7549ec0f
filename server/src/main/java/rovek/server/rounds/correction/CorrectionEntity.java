package rovek.server.rounds.correction;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

/** Something that a person corrected, whole. */
@Entity
@Immutable
@Table(name = "correction")
class CorrectionEntity {

    @Id
    UUID id;

    Instant at;
    String actor;
    String sentence;

    /** The one it takes back; null for none. */
    UUID undoes;
}
