package rovek.server.reports.certificate;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface CertificateReadingRepository
        extends Repository<CertificateReadingEntity, CertificateReadingEntity.Key>, Adding<CertificateReadingEntity> {

    /** A reading of a visit and a certificate in force that states it. */
    record Stated(UUID readingId, UUID certificateId, String number) {}

    String STATED = "SELECT k.readingId, c.id, c.number FROM CertificateReadingEntity k "
            + "JOIN CertificateEntity c ON c.id = k.certificateId WHERE c.state = ISSUED AND ";

    @Query(STATED + "k.visitId = :visit")
    List<Stated> ofVisit(UUID visit);

    @Query(STATED + "k.readingId IN :readings")
    List<Stated> ofReadings(Collection<UUID> readings);

    @Query("SELECT k.readingId FROM CertificateReadingEntity k WHERE k.certificateId IN :certificates")
    List<UUID> readingsOf(Collection<UUID> certificates);

    @Query("""
            SELECT k FROM CertificateReadingEntity k
            WHERE k.certificateId IN :certificates AND k.readingId IN :readings""")
    List<CertificateReadingEntity> of(Collection<UUID> certificates, Collection<UUID> readings);
}
