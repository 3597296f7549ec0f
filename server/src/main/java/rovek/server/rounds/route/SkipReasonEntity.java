package rovek.server.rounds.route;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "skip_reason")
class SkipReasonEntity {

    /** In the order they are offered. */
    @Id
    int place;

    String reason;
}
