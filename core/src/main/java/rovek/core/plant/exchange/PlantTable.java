package rovek.core.plant.exchange;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import rovek.core.plant.Facet;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;

/**
 * A plant, or a branch of it, written as a table.
 *
 * @param columns in order
 * @param ignored headings that name no column; what stands below them is left out
 */
public record PlantTable(List<String> columns, List<TableRow> rows, List<String> ignored) {

    public PlantTable {
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
        ignored = List.copyOf(ignored);
    }

    public PlantTable(List<String> columns, List<TableRow> rows) {
        this(columns, rows, List.of());
    }

    /** Writes a node and all below it; {@link Node#PLANT} for the whole plant. */
    public static PlantTable of(NodeTree tree, UUID root) {
        List<Node> nodes = tree.subtree(root);
        Set<String> facets = new TreeSet<>();
        List<TableRow> rows = new ArrayList<>();
        Map<UUID, String> paths = new LinkedHashMap<>();
        for (Node node : nodes) {
            Map<String, String> cells = new LinkedHashMap<>(node.facets());
            cells.remove(Facet.PLACE);
            cells.put(Facet.LEVEL, node.level().name().toLowerCase(Locale.ROOT));
            if (node.parentId().equals(Node.PLANT)) {
                cells.remove(Facet.PARENT);
            }
            cells.keySet().stream().filter(Facet::isValue).forEach(facets::add);
            cells.put(Column.ID, node.id().toString());
            String path = paths.computeIfAbsent(
                    node.parentId(),
                    parent -> String.join(
                            Column.PATH_MARK,
                            tree.path(parent).stream().map(Node::label).toList()));
            if (!path.isEmpty()) {
                cells.put(Column.PATH, path);
            }
            rows.add(new TableRow(rows.size() + 1, 0, cells));
        }
        Set<String> columns = new LinkedHashSet<>(Column.WRITTEN_FIRST);
        columns.addAll(facets);
        columns.addAll(Column.WRITTEN_LAST);
        return new PlantTable(List.copyOf(columns), rows);
    }
}
