package rovek.core.plant;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;

/**
 * What changes of one node that stays.
 *
 * @param facets facet key to how it changes
 */
public record Alteration(UUID node, Map<String, Shift> facets) {

    public Alteration {
        facets = Map.copyOf(facets);
    }

    /** From one state of a node to another. */
    public static Alteration between(Node before, Node after) {
        Map<String, String> from = before.facets();
        Map<String, String> to = after.facets();
        Map<String, Shift> shifts = new TreeMap<>();
        from.forEach((key, value) -> shifts.put(key, new Shift(value, to.getOrDefault(key, ""))));
        to.forEach((key, value) -> shifts.putIfAbsent(key, new Shift("", value)));
        shifts.values().removeIf(shift -> shift.from().equals(shift.to()));
        return new Alteration(before.id(), shifts);
    }

    public Alteration inverse() {
        Map<String, Shift> inverse = new LinkedHashMap<>();
        facets.forEach((key, shift) -> inverse.put(key, shift.inverse()));
        return new Alteration(node, inverse);
    }

    /** The node as it is afterwards, whatever the facets were before. */
    Node applied(Node before) {
        Map<String, String> wanted = new LinkedHashMap<>();
        facets.forEach((key, shift) -> wanted.put(key, shift.to()));
        return before.saying(wanted);
    }
}
