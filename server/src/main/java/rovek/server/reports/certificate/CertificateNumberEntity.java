package rovek.server.reports.certificate;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** How far the numbers of a year have run. */
@Entity
@Table(name = "certificate_number")
class CertificateNumberEntity {

    @Id
    @Column(name = "year")
    int ofYear;

    @Column(name = "last")
    int lastNumber;
}
