package rovek.server.instruments.firmware;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Formula;

@Entity
@Table(name = "firmware")
class FirmwareEntity {

    @Id
    UUID id;

    String model;
    String version;
    int seconds;

    /** Of the file. */
    String sha256;

    byte[] bytes;

    @Formula("octet_length(bytes)")
    Integer size;

    Instant keptAt;
    String keptBy;

    /** Of what goes onto the instrument. */
    String imageSha256;

    /** Null where nobody signed it. */
    byte[] signature;

    /** Another person than the one who brought it; null for nobody yet. */
    String confirmedBy;

    Instant confirmedAt;
}
