package rovek.core.route;

import java.util.List;

/**
 * What a route asks for.
 *
 * @param memoryBytes room for one reading at every stop, packing included
 * @param seconds the measurements themselves plus {@value #SECONDS_A_STOP} s to walk to each stop and settle
 */
public record RouteNeeds(long memoryBytes, double seconds) {

    /** Walking, mounting the sensor and waiting for it to settle. */
    public static final double SECONDS_A_STOP = 45;

    private static final long BYTES_A_ROUTE = 4_096;

    public static RouteNeeds of(List<PlannedStop> stops) {
        long bytes = BYTES_A_ROUTE;
        double seconds = 0;
        for (PlannedStop stop : stops) {
            bytes += stop.demand().memoryBytes();
            seconds += SECONDS_A_STOP + stop.demand().seconds();
        }
        return new RouteNeeds(bytes, seconds);
    }
}
