package rovek.server.reports.choice;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ReportChoiceRepository extends Repository<ReportChoiceEntity, UUID> {

    @Query("SELECT c.language FROM ReportChoiceEntity c WHERE c.client = :client")
    Optional<String> language(UUID client);

    @Modifying
    @Query("""
            INSERT INTO ReportChoiceEntity (client, language) VALUES (:client, :language)
            ON CONFLICT (client) DO UPDATE SET language = excluded.language""")
    void put(UUID client, String language);
}
