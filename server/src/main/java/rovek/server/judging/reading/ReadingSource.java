package rovek.server.judging.reading;

import java.time.Instant;
import java.util.UUID;

/**
 * Where a reading comes from.
 *
 * @param label what the instrument calls it
 * @param storedAt when it was read back
 */
public record ReadingSource(
        UUID originalId, UUID instrumentId, String technique, Instant takenAt, String label, Instant storedAt) {}
