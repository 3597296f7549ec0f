package rovek.server.plant;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.UUID;
import org.hibernate.annotations.OptimisticLock;
import rovek.core.plant.Level;

@Entity
@Table(name = "node")
class NodeEntity {

    @Id
    UUID id;

    UUID parentId;

    @Enumerated(EnumType.STRING)
    Level level;

    String tag;
    String name;
    String nameplate;
    String technique;
    /** Order among siblings; putting another node in between is no change of this one. */
    @OptimisticLock(excluded = true)
    long place;

    UUID removal;

    @Version
    Integer version;

    PlantNode view() {
        return new PlantNode(id, parentId, level, tag, name, nameplate, technique, version == null ? 0 : version);
    }
}
