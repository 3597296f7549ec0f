package rovek.server.plant.tree;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.util.UUID;
import org.hibernate.annotations.Immutable;

/** That a change concerns a node, so that the node's history is found. */
@Entity
@Immutable
@Table(name = "plant_change_node")
@IdClass(TouchedNodeEntity.Key.class)
class TouchedNodeEntity {

    @Id
    UUID changeId;

    @Id
    UUID nodeId;

    record Key(UUID changeId, UUID nodeId) {}

    static TouchedNodeEntity of(UUID change, UUID node) {
        TouchedNodeEntity touched = new TouchedNodeEntity();
        touched.changeId = change;
        touched.nodeId = node;
        return touched;
    }
}
