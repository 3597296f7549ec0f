package rovek.server.reports.certificate;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;
import rovek.server.reports.certificate.CertificateEntity.State;

interface CertificateRepository extends Repository<CertificateEntity, UUID> {

    /** A certificate without what is printed. */
    record Line(
            UUID id,
            UUID visitId,
            State state,
            String number,
            String client,
            String title,
            String preparedBy,
            Instant preparedAt,
            String signedBy,
            Instant issuedAt,
            String pdfSha256,
            String withdrawnBecause) {}

    String LINE =
            "SELECT c.id, c.visitId, c.state, c.number, c.client, c.title, c.preparedBy, c.preparedAt, c.signedBy, "
                    + "c.issuedAt, c.pdfSha256, c.withdrawnBecause FROM CertificateEntity c ";

    CertificateEntity save(CertificateEntity certificate);

    void flush();

    void delete(CertificateEntity certificate);

    Optional<CertificateEntity> findById(UUID id);

    @Query(LINE + "WHERE c.id = :id")
    List<Line> line(UUID id);

    /** @param like a pattern with "!" before what is meant as it stands */
    @Query(LINE + """
            WHERE lower(coalesce(c.number, '') || ' ' || c.client || ' ' || c.title) LIKE :like ESCAPE '!'
            ORDER BY CASE WHEN c.state = PREPARED THEN 0 ELSE 1 END, coalesce(c.issuedAt, c.preparedAt) DESC""")
    List<Line> register(String like, Limit most);

    @Query("""
            SELECT c.id, c.title, c.preparedBy FROM CertificateEntity c WHERE c.state = PREPARED
            ORDER BY c.preparedAt DESC""")
    List<CertificateRegister.Waiting> waiting(Limit most);

    boolean existsByNumberIsNotNull();
}
