package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import java.util.UUID;

/**
 * Where a reading belongs.
 *
 * @param checkId null while it is loose
 * @param plannedFor the stop it was taken for, by the check that was loaded; null where no stop asked for it
 * @param chosen whether a person chose it to count at its stop
 */
public record ReadingPlace(
        @Nullable UUID checkId, UUID visitId, @Nullable UUID plannedFor, boolean chosen) {}
