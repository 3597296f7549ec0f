package rovek.server.rounds.route;

import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * A route as somebody wants it.
 *
 * @param checkIds in walking order
 * @param instructions check to what the technician is told there; null leaves them as they are
 * @param pictures check to the picture the technician is shown there; null leaves them as they are
 * @param everyDays days from one walk to the next; null for no interval
 * @param firstDue null for today, where there is an interval
 * @param assignedTo sign-in name; null for nobody
 * @param version the one it was edited from; ignored for a new route
 */
public record RouteDraft(
        String name,
        List<UUID> checkIds,
        @Nullable Map<UUID, String> instructions,
        @Nullable Map<UUID, UUID> pictures,
        @Nullable Integer everyDays,
        @Nullable LocalDate firstDue,
        @Nullable String assignedTo,
        int version) {

    public RouteDraft(String name, List<UUID> checkIds, int version) {
        this(name, checkIds, null, null, null, null, null, version);
    }
}
