package rovek.core.trend;

import java.time.Instant;

/** One value of a series. */
public record TimedValue(Instant at, double value) {}
