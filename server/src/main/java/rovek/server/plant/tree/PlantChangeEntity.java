package rovek.server.plant.tree;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

@Entity
@Table(name = "plant_change")
class PlantChangeEntity {

    @Id
    UUID id;

    Instant at;
    String actor;
    String sentence;
    /** As JSON, see {@link StoredChange}; null for changes made before they were kept whole. */
    String change;

    Instant undoneAt;
}
