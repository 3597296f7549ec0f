package rovek.server.rounds.route;

import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import rovek.core.wording.Sentence;

/**
 * A route.
 *
 * @param gone how many of its checks were removed from the plant since
 * @param memoryBytes what one walk fills
 * @param minutes how long one walk takes, by usual times
 * @param revision rises with every change of the stops
 * @param everyDays null where it has no interval
 * @param firstDue when it is due as long as it was never walked; null without interval
 * @param assignedTo sign-in name; null where it is nobody's
 * @param loaded the instruments that hold it
 */
public record RouteView(
        UUID id,
        String name,
        List<StopView> stops,
        int gone,
        long memoryBytes,
        double minutes,
        int revision,
        @Nullable Integer everyDays,
        @Nullable LocalDate firstDue,
        @Nullable String assignedTo,
        List<LoadedOn> loaded,
        int version) {

    /**
     * A stop.
     *
     * @param path ids from the client down to the point
     * @param instruction what the technician is told there; may be blank
     * @param pictureId what the technician is shown there; null for nothing
     * @param isByHand whether a person can write its reading down without any instrument
     */
    public record StopView(
            UUID checkId,
            List<UUID> path,
            String assetTag,
            String assetName,
            String point,
            String check,
            long memoryBytes,
            String instruction,
            @Nullable UUID pictureId,
            boolean isByHand) {}

    /**
     * An instrument that holds the route.
     *
     * @param changes what changed of the route since; blank where nothing did
     */
    public record LoadedOn(UUID instrumentId, int revision, String at, String by, Sentence changes) {}
}
