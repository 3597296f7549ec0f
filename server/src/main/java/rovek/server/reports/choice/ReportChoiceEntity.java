package rovek.server.reports.choice;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;

/** How the reports of a client are written. */
@Entity
@Table(name = "report_choice")
class ReportChoiceEntity {

    @Id
    UUID client;

    /** As a BCP 47 tag. */
    String language;
}
