package rovek.server.plant.tree;

import jakarta.annotation.Nullable;
import java.util.Map;
import java.util.UUID;
import rovek.core.plant.Level;
import rovek.core.plant.Node;

/**
 * A row of the plant as it is shown.
 *
 * @param parentId null for a client
 * @param tag what stands on its plate, may be blank
 * @param name for a check: what the technician called it, or how the technique names it
 * @param ownName as typed; blank for a check that its technique names
 * @param technique id for a check, blank otherwise
 * @param assetClass id of its class, blank where none is chosen
 * @param nameplate attribute key to value
 */
public record PlantNode(
        UUID id,
        @Nullable UUID parentId,
        Level level,
        String tag,
        String name,
        String ownName,
        String technique,
        String assetClass,
        Map<String, String> nameplate) {

    static PlantNode of(Node node, String name) {
        UUID parent = node.parentId().equals(Node.PLANT) ? null : node.parentId();
        return new PlantNode(
                node.id(),
                parent,
                node.level(),
                node.tag(),
                name,
                node.name(),
                node.technique(),
                node.assetClass(),
                node.nameplate());
    }

    /** Tag and name as one label. */
    public String label() {
        return (tag + " " + name).strip();
    }
}
