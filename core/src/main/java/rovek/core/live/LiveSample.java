package rovek.core.live;

import java.time.Instant;

/**
 * All channels at one moment.
 *
 * @param values as many as there are channels, NaN where a channel has none; the array is handed over, not copied
 */
public record LiveSample(Instant at, double[] values) {}
