package rovek.server.overview.outline;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.server.plant.tree.PlantTree;

/**
 * The plant as arrays, every parent before its children: gone through from end to end in a few milliseconds. Never
 * changed.
 */
final class SearchIndex {

    private final PlantTree tree;
    private final Node[] nodes;
    private final String[] labels;
    private final Places places;

    /** Where each node lies in the arrays, and its parent; -1 for one that stands in nothing. */
    private record Places(Map<UUID, Integer> positions, int[] parents) {

        static Places of(Node[] inOrder) {
            Map<UUID, Integer> positions = new HashMap<>(inOrder.length * 2);
            int[] parents = new int[inOrder.length];
            for (int i = 0; i < inOrder.length; i++) {
                positions.put(inOrder[i].id(), i);
                parents[i] = positions.getOrDefault(inOrder[i].parentId(), -1);
            }
            return new Places(positions, parents);
        }
    }

    private SearchIndex(PlantTree tree, Node[] nodes, Places places, String[] labels) {
        this.tree = tree;
        this.nodes = nodes;
        this.places = places;
        this.labels = labels;
    }

    static SearchIndex of(PlantTree tree) {
        Node[] nodes = inOrder(tree.nodes());
        String[] labels = new String[nodes.length];
        for (int i = 0; i < nodes.length; i++) {
            labels[i] = label(tree, nodes[i]);
        }
        return new SearchIndex(tree, nodes, Places.of(nodes), labels);
    }

    private static String label(PlantTree tree, Node node) {
        return (node.tag() + " " + tree.name(node)).toLowerCase(Locale.ROOT);
    }

    /** The index of another state of the plant; what stayed as it was is taken over. */
    SearchIndex following(PlantTree next) {
        Set<UUID> renamed = tree.renamedIn(next);
        boolean isSameOrder = renamed.stream()
                .allMatch(id -> staysInPlace(tree.nodes().find(id), next.nodes().find(id)));
        return isSameOrder ? inSameOrder(next, renamed) : inOtherOrder(next, renamed);
    }

    private SearchIndex inSameOrder(PlantTree next, Set<UUID> renamed) {
        Node[] altered = nodes.clone();
        String[] relabelled = labels.clone();
        for (UUID id : renamed) {
            Integer position = places.positions().get(id);
            if (position != null) {
                altered[position] = next.nodes().find(id).orElseThrow();
                relabelled[position] = label(next, altered[position]);
            }
        }
        return new SearchIndex(next, altered, places, relabelled);
    }

    private SearchIndex inOtherOrder(PlantTree next, Set<UUID> renamed) {
        Node[] others = inOrder(next.nodes());
        String[] relabelled = new String[others.length];
        for (int i = 0; i < others.length; i++) {
            Integer position =
                    renamed.contains(others[i].id()) ? null : places.positions().get(others[i].id());
            relabelled[i] = position == null ? label(next, others[i]) : labels[position];
        }
        return new SearchIndex(next, others, Places.of(others), relabelled);
    }

    private static boolean staysInPlace(Optional<Node> before, Optional<Node> after) {
        return before.isPresent()
                && after.isPresent()
                && before.get().parentId().equals(after.get().parentId())
                && before.get().place() == after.get().place();
    }

    private static Node[] inOrder(NodeTree tree) {
        List<Node> inOrder = tree.subtree(Node.PLANT);
        return inOrder.toArray(Node[]::new);
    }

    /** Whether it is of this very state of the plant. */
    boolean isOf(PlantTree other) {
        return tree == other;
    }

    int size() {
        return nodes.length;
    }

    Node node(int i) {
        return nodes[i];
    }

    Optional<Integer> position(UUID id) {
        return Optional.ofNullable(places.positions().get(id));
    }

    /** Position of what a node stands in; -1 for a client. */
    int parent(int i) {
        return places.parents()[i];
    }

    /** Tag and name in small letters. */
    String label(int i) {
        return labels[i];
    }
}
