package rovek.core.plant;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;

/**
 * One change of the plant, whole or not at all. Its inverse takes it back, and the inverse of that does it again.
 *
 * @param added nodes that come, every parent before its children
 * @param removed nodes that go, with all that stood below them
 * @param altered nodes that stay and change
 */
public record PlantChange(List<Node> added, List<Node> removed, List<Alteration> altered) {

    public static final PlantChange NOTHING = new PlantChange(List.of(), List.of(), List.of());

    public PlantChange {
        added = List.copyOf(added);
        removed = List.copyOf(removed);
        altered = altered.stream()
                .filter(alteration -> !alteration.facets().isEmpty())
                .toList();
    }

    public static PlantChange adding(List<Node> nodes) {
        return new PlantChange(nodes, List.of(), List.of());
    }

    public static PlantChange removing(List<Node> nodes) {
        return new PlantChange(List.of(), nodes, List.of());
    }

    public static PlantChange altering(List<Alteration> alterations) {
        return new PlantChange(List.of(), List.of(), alterations);
    }

    public PlantChange and(PlantChange other) {
        return new PlantChange(
                joined(added, other.added), joined(removed, other.removed), joined(altered, other.altered));
    }

    private static <T> List<T> joined(List<T> first, List<T> second) {
        List<T> both = new ArrayList<>(first);
        both.addAll(second);
        return both;
    }

    public PlantChange inverse() {
        return new PlantChange(
                removed, added, altered.stream().map(Alteration::inverse).toList());
    }

    public boolean isEmpty() {
        return added.isEmpty() && removed.isEmpty() && altered.isEmpty();
    }

    /** Every node it touches. */
    public Set<UUID> nodes() {
        Set<UUID> nodes = new LinkedHashSet<>();
        added.forEach(node -> nodes.add(node.id()));
        removed.forEach(node -> nodes.add(node.id()));
        altered.forEach(alteration -> nodes.add(alteration.node()));
        return nodes;
    }
}
