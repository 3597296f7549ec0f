package rovek.server.outline;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import rovek.core.plant.Node;
import rovek.server.plant.PlantTree;

/** The plant as arrays, every parent before its children: gone through from end to end in a few milliseconds. */
final class SearchIndex {

    private final PlantTree tree;
    private final Node[] nodes;
    private final int[] parents;
    private final String[] labels;

    private SearchIndex(PlantTree tree, Node[] nodes, int[] parents, String[] labels) {
        this.tree = tree;
        this.nodes = nodes;
        this.parents = parents;
        this.labels = labels;
    }

    static SearchIndex of(PlantTree tree) {
        List<Node> inOrder = tree.nodes().beneath(Node.PLANT);
        Node[] nodes = inOrder.toArray(Node[]::new);
        int[] parents = new int[nodes.length];
        String[] labels = new String[nodes.length];
        Map<UUID, Integer> positions = new HashMap<>(nodes.length * 2);
        for (int i = 0; i < nodes.length; i++) {
            positions.put(nodes[i].id(), i);
            parents[i] = positions.getOrDefault(nodes[i].parentId(), -1);
            labels[i] = (nodes[i].tag() + " " + tree.name(nodes[i])).toLowerCase(Locale.ROOT);
        }
        return new SearchIndex(tree, nodes, parents, labels);
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
        return parents[i];
    }

    /** Tag and name in small letters. */
    String label(int i) {
        return labels[i];
    }
}
