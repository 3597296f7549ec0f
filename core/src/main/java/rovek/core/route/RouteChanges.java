package rovek.core.route;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import rovek.core.wording.Sentence;

/**
 * How a route differs from how it was when it was loaded.
 *
 * @param added stops that came since
 * @param gone stops that are there no more
 * @param otherwise stops that are measured otherwise now, or named or explained otherwise
 * @param reordered whether the stops that stayed are walked in another order
 */
public record RouteChanges(int added, int gone, int otherwise, boolean reordered) {

    /**
     * @param then check to all that was said of the stop, in walking order
     * @param now the same of the route as it is
     */
    public static RouteChanges between(Map<UUID, String> then, Map<UUID, String> now) {
        Set<UUID> stayed = new HashSet<>(then.keySet());
        stayed.retainAll(now.keySet());
        int otherwise = (int) stayed.stream()
                .filter(check -> !Objects.equals(then.get(check), now.get(check)))
                .count();
        boolean reordered = !order(then, stayed).equals(order(now, stayed));
        return new RouteChanges(now.size() - stayed.size(), then.size() - stayed.size(), otherwise, reordered);
    }

    private static List<UUID> order(Map<UUID, String> stops, Set<UUID> only) {
        return new LinkedHashMap<>(stops)
                .keySet().stream().filter(only::contains).toList();
    }

    public boolean isNone() {
        return added == 0 && gone == 0 && otherwise == 0 && !reordered;
    }

    /** In a few words; blank where nothing changed. */
    public Sentence sentence() {
        List<Sentence> parts = new ArrayList<>();
        add(parts, added, "route.added");
        add(parts, gone, "route.removed");
        add(parts, otherwise, "route.otherwise");
        if (reordered) {
            parts.add(Sentence.of("route.reordered"));
        }
        return Sentence.listed(parts);
    }

    private static void add(List<Sentence> parts, int count, String key) {
        if (count > 0) {
            parts.add(Sentence.of(key, "stops", count));
        }
    }
}
