package rovek.server.rounds.route;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

@Entity
@Immutable
@Table(name = "route_load")
class RouteLoadEntity {

    @Id
    UUID id;

    UUID routeId;
    int revision;
    UUID instrumentId;
    Instant at;
    String actor;

    /** Check to all that was said of the stop, as JSON in walking order. */
    String stops;
}
