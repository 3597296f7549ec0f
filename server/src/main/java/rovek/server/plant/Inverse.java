package rovek.server.plant;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.UUID;

/** What takes a change of the plant back. Kept as JSON with the change. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "undo")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Inverse.Remove.class, name = "remove"),
    @JsonSubTypes.Type(value = Inverse.Restore.class, name = "restore"),
    @JsonSubTypes.Type(value = Inverse.Name.class, name = "name"),
    @JsonSubTypes.Type(value = Inverse.Move.class, name = "move")
})
sealed interface Inverse {

    /** Takes an added node away again. */
    record Remove(UUID node) implements Inverse {}

    /** Brings back all that one change removed. */
    record Restore(UUID removal) implements Inverse {}

    /** Gives the former names back, unless they were changed once more. */
    record Name(UUID node, String tag, String name, String nameplate, int versionAfter) implements Inverse {}

    /** Puts a node back where it stood. */
    record Move(UUID node, UUID parent, UUID after) implements Inverse {}
}
