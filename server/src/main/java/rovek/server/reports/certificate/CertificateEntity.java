package rovek.server.reports.certificate;

import jakarta.persistence.Basic;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;

@Entity
@Table(name = "certificate")
class CertificateEntity {

    enum State {
        PREPARED,
        ISSUED,
        WITHDRAWN
    }

    @Id
    UUID id;

    UUID visitId;

    @Enumerated(EnumType.STRING)
    State state;

    String number;
    String client;
    String title;

    /** The chosen checks, separated by commas. */
    @jakarta.persistence.Column(name = "check_ids")
    String checkIds;

    String preparedBy;
    Instant preparedAt;
    String signedBy;
    Instant issuedAt;
    String content;

    @Basic(fetch = FetchType.LAZY)
    byte[] pdf;

    String pdfSha256;
    String withdrawnBecause;

    @Version
    Integer version;

    List<UUID> checks() {
        return Arrays.stream(checkIds.split(","))
                .filter(id -> !id.isBlank())
                .map(UUID::fromString)
                .toList();
    }
}
