package rovek.server.rounds.route;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

@Entity
@Table(name = "route")
class RouteEntity {

    @Id
    UUID id;

    String name;

    /** Rises with every change of the stops. */
    int revision = 1;

    /** Null where it is walked when somebody wants to. */
    Integer everyDays;

    LocalDate firstDue;

    /** Sign-in name; null where it is nobody's. */
    String assignedTo;

    boolean removed;

    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "route_stop", joinColumns = @JoinColumn(name = "route_id"))
    @OrderColumn(name = "place")
    List<Stop> stops = new ArrayList<>();

    @Version
    Integer version;

    /**
     * One place in the walking order, with what the technician is told and shown there; {@code pictureId} null for
     * nothing.
     */
    @Embeddable
    record Stop(UUID checkId, String instruction, UUID pictureId) {}
}
