package rovek.server.reports.certificate;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface CertificateRepository extends Repository<CertificateEntity, UUID> {

    CertificateEntity save(CertificateEntity certificate);

    void flush();

    void delete(CertificateEntity certificate);

    Optional<CertificateEntity> findById(UUID id);
}
