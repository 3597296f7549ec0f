package rovek.server.outline;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.server.plant.PlantTree;

/** The plant as arrays, every parent before its children: gone through from end to end in a few milliseconds. Never changed. */
final class SearchIndex {

    private final PlantTree tree;
    private final Node[] nodes;
    private final String[] names;
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

    private SearchIndex(PlantTree tree, Node[] nodes, Places places, String[] names, String[] labels) {
        this.tree = tree;
        this.nodes = nodes;
        this.places = places;
        this.names = names;
        this.labels = labels;
    }

    static SearchIndex of(PlantTree tree) {
        Node[] nodes = inOrder(tree.nodes());
        return labelled(tree, nodes, Places.of(nodes), Optional.empty());
    }

    /** The index of another state of the plant; what stayed as it was is taken over. */
    SearchIndex following(PlantTree next) {
        Set<UUID> differing = tree.nodes().differing(next.nodes());
        if (differing.stream().allMatch(id -> staysInPlace(tree.nodes().find(id), next.nodes().find(id)))) {
            Node[] altered = nodes.clone();
            for (UUID id : differing) {
                Integer position = places.positions().get(id);
                if (position != null) {
                    altered[position] = next.nodes().find(id).orElseThrow();
                }
            }
            return labelled(next, altered, places, Optional.of(this));
        }
        Node[] others = inOrder(next.nodes());
        return labelled(next, others, Places.of(others), Optional.of(this));
    }

    private static boolean staysInPlace(Optional<Node> before, Optional<Node> after) {
        return before.isPresent()
                && after.isPresent()
                && before.get().parentId().equals(after.get().parentId())
                && before.get().place() == after.get().place();
    }

    private static Node[] inOrder(NodeTree tree) {
        List<Node> inOrder = tree.beneath(Node.PLANT);
        return inOrder.toArray(Node[]::new);
    }

    private static SearchIndex labelled(PlantTree tree, Node[] nodes, Places places, Optional<SearchIndex> before) {
        String[] names = new String[nodes.length];
        String[] labels = new String[nodes.length];
        for (int i = 0; i < nodes.length; i++) {
            names[i] = tree.name(nodes[i]);
            int position = i;
            labels[i] = before.flatMap(earlier -> earlier.labelOf(nodes[position], names[position]))
                    .orElseGet(() -> (nodes[position].tag() + " " + names[position]).toLowerCase(Locale.ROOT));
        }
        return new SearchIndex(tree, nodes, places, names, labels);
    }

    /** The label of a node that is the same still and is called the same. */
    private Optional<String> labelOf(Node node, String name) {
        Integer position = places.positions().get(node.id());
        boolean isSame = position != null && nodes[position].tag().equals(node.tag()) && names[position].equals(name);
        return isSame ? Optional.of(labels[position]) : Optional.empty();
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

    /** Position of what a node stands in; -1 for a client. */
    int parent(int i) {
        return places.parents()[i];
    }

    /** Tag and name in small letters. */
    String label(int i) {
        return labels[i];
    }
}
