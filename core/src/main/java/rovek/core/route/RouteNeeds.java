package rovek.core.route;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

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

    /**
     * Why an instrument cannot take a route, every reason at once; an empty list means it fits.
     */
    public static List<String> obstacles(List<PlannedStop> stops, InstrumentProfile instrument) {
        List<String> reasons = new ArrayList<>();
        if (stops.isEmpty()) {
            reasons.add("The route has no stops yet.");
        }
        Set<String> missing = new LinkedHashSet<>();
        for (PlannedStop stop : stops) {
            if (!instrument.techniques().contains(stop.technique())) {
                missing.add("It does not measure %s, which %s needs.".formatted(stop.technique(), stop.place()));
            }
            for (String option : stop.demand().options()) {
                if (!instrument.options().contains(option)) {
                    missing.add("It lacks the option %s, which %s needs.".formatted(option, stop.place()));
                }
            }
        }
        reasons.addAll(missing);
        long needed = of(stops).memoryBytes();
        if (needed > instrument.freeBytes()) {
            reasons.add("It has %s free and the route fills %s: read back and clear first, or split the route."
                    .formatted(megabytes(instrument.freeBytes()), megabytes(needed)));
        }
        return reasons;
    }

    private static String megabytes(long bytes) {
        return String.format(java.util.Locale.ROOT, "%.1f MB", bytes / 1e6);
    }
}
