package rovek.server.plant;

import jakarta.annotation.Nullable;
import java.util.UUID;
import rovek.core.plant.Level;

/**
 * A row of the plant.
 *
 * @param parentId null for a client
 * @param tag what stands on its plate, may be blank
 * @param name for a check: what the technician called it, or how the technique names it
 * @param technique id for a check, blank otherwise
 */
public record PlantNode(
        UUID id, @Nullable UUID parentId, Level level, String tag, String name, String nameplate, String technique, int version) {

    /** Tag and name as one label. */
    public String label() {
        return (tag + " " + name).strip();
    }

    PlantNode named(String newName) {
        return new PlantNode(id, parentId, level, tag, newName, nameplate, technique, version);
    }
}
