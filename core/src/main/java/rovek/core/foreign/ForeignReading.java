package rovek.core.foreign;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import rovek.core.technique.byhand.Quantity;
import rovek.core.unit.Amount;

/**
 * One value of a foreign table, with its place.
 *
 * @param line of the file it stands in
 * @param heading of its column
 * @param check it belongs to; empty where the table does not say so clearly
 * @param label what the table says of its place
 */
public record ForeignReading(
        int line,
        String heading,
        Instant at,
        Optional<UUID> check,
        String label,
        Quantity quantity,
        Amount value,
        String note) {}
