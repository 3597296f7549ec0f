package rovek.server.reports.certificate;

import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface CertificateNumberRepository extends Repository<CertificateNumberEntity, Integer> {

    /** From now on until the transaction ends nobody else takes a number of that year. */
    @Modifying(flushAutomatically = true)
    @Query("""
            INSERT INTO CertificateNumberEntity AS n (ofYear, lastNumber) VALUES (:year, 1)
            ON CONFLICT (ofYear) DO UPDATE SET lastNumber = n.lastNumber + 1""")
    void take(int year);

    @Query("SELECT n.lastNumber FROM CertificateNumberEntity n WHERE n.ofYear = :year")
    Optional<Integer> last(int year);
}
