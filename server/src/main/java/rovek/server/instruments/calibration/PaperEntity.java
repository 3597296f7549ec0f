package rovek.server.instruments.calibration;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Formula;
import org.hibernate.annotations.Immutable;

@Entity
@Immutable
@Table(name = "calibration_paper")
class PaperEntity {

    @Id
    UUID id;

    /** Whose calibration it certifies: one of the two is null. */
    UUID instrumentId;

    UUID sensorId;

    String fileName;
    String mediaType;
    String sha256;
    byte[] bytes;

    @Formula("octet_length(bytes)")
    Integer size;

    Instant keptAt;
    String keptBy;
}
