package rovek.server.reports.certificate;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

/** A reading where it stood when it was certified. */
@Entity
@Immutable
@Table(name = "certificate_reading")
@IdClass(CertificateReadingEntity.Key.class)
class CertificateReadingEntity {

    @Id
    UUID certificateId;

    @Id
    UUID readingId;

    UUID visitId;
    UUID checkId;

    record Key(UUID certificateId, UUID readingId) {}
}
