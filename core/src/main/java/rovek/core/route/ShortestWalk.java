package rovek.core.route;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * The order of stops that means the least going about. The plant knows no distances, so what counts is its hierarchy:
 * from one stop to the next one goes up to what both stand in and down again, and every level is one step. The stops
 * are gone through depth first, in the plant's own order of rows; no order that keeps the areas' order takes fewer
 * steps, as long as all points lie equally deep (each branch is entered and left once, and the walk ends in another
 * branch than it began in).
 */
public final class ShortestWalk {

    private ShortestWalk() {}

    /**
     * A stop and where it hangs.
     *
     * @param path from the outermost node down to what is measured
     * @param place where it stands in the plant's order of rows
     */
    public record Stop(UUID check, List<UUID> path, int place) {

        public Stop {
            path = List.copyOf(path);
        }
    }

    /**
     * @param areas nodes in the order they are to be walked; stops in none of them come last
     * @return the stops in another order; in the given one where that takes no more steps and keeps the areas' order
     */
    public static List<Stop> order(List<Stop> stops, List<UUID> areas) {
        Map<UUID, Integer> rank = new HashMap<>();
        areas.forEach(area -> rank.putIfAbsent(area, rank.size()));
        Comparator<Stop> byArea = Comparator.comparingInt(stop -> rank(stop, rank));
        List<Stop> ordered = new ArrayList<>(stops);
        ordered.sort(byArea.thenComparingInt(Stop::place));
        List<Stop> areasOnly = new ArrayList<>(stops);
        areasOnly.sort(byArea);
        return areasOnly.equals(stops) && steps(stops) <= steps(ordered) ? List.copyOf(stops) : List.copyOf(ordered);
    }

    private static int rank(Stop stop, Map<UUID, Integer> rank) {
        return stop.path().stream()
                .filter(rank::containsKey)
                .mapToInt(rank::get)
                .findFirst()
                .orElse(rank.size());
    }

    /** Levels gone up and down from the first stop to the last. */
    public static int steps(List<Stop> stops) {
        int steps = 0;
        for (int i = 1; i < stops.size(); i++) {
            steps += between(stops.get(i - 1).path(), stops.get(i).path());
        }
        return steps;
    }

    private static int between(List<UUID> from, List<UUID> to) {
        int shared = 0;
        while (shared < from.size() && shared < to.size() && from.get(shared).equals(to.get(shared))) {
            shared++;
        }
        return from.size() + to.size() - 2 * shared;
    }
}
