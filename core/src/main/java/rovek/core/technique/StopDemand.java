package rovek.core.technique;

import java.util.Set;

/**
 * What one stop asks of an instrument.
 *
 * @param memoryBytes room for one reading
 * @param seconds time the measurement itself takes
 * @param options options the instrument must have, by name
 */
public record StopDemand(long memoryBytes, double seconds, Set<String> options) {

    public StopDemand {
        options = Set.copyOf(options);
    }
}
