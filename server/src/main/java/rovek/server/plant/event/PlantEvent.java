package rovek.server.plant.event;

import jakarta.annotation.Nullable;
import java.util.UUID;

/**
 * Something that happened to a thing in the plant.
 *
 * @param nodeName how the node is called
 * @param startsBaseline whether readings are compared with those after it from then on
 * @param baselineUntil the end of the baseline; null where its first readings make it
 */
public record PlantEvent(
        UUID id,
        UUID nodeId,
        String nodeName,
        String at,
        EventKind kind,
        String words,
        boolean startsBaseline,
        @Nullable String baselineUntil,
        String notedBy) {}
