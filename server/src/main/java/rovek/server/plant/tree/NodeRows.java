package rovek.server.plant.tree;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.PlantChange;
import rovek.core.plant.Stamp;
import rovek.server.base.records.ManyRows;
import rovek.server.base.records.Parts;
import rovek.server.base.records.Turns;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The plant's rows in the database: tens of thousands come in one import and are read at once. */
@Repository
class NodeRows {

    private static final int ROWS_BETWEEN_REPORTS = 2_000;
    private static final TypeReference<Map<String, String>> TEXTS = new TypeReference<>() {};
    private static final TypeReference<Map<String, Map<String, String>>> NESTED_TEXTS = new TypeReference<>() {};

    private final NodeRepository nodes;
    private final ManyRows many;
    private final JdbcClient db;
    private final Turns turns;
    private final JsonMapper json;

    NodeRows(NodeRepository nodes, ManyRows many, JdbcClient db, Turns turns, JsonMapper json) {
        this.nodes = nodes;
        this.many = many;
        this.db = db;
        this.turns = turns;
        this.json = json;
    }

    /**
     * What changed since an earlier look.
     *
     * @param horizon what to ask from next time
     * @param states node to its state, empty where it was removed
     * @param sensorsChanged whether sensors may be others than before; the database notes that by itself
     */
    record Delta(String horizon, Map<UUID, Optional<Node>> states, boolean sensorsChanged) {}

    /** @param horizon of the look before; "0" to read everything */
    Delta since(String horizon) {
        Map<UUID, Optional<Node>> states = new HashMap<>();
        String[] next = {horizon};
        boolean[] sensorsChanged = {false};
        // One statement, so that the horizon and the rows are of the same moment; in SQL, because what is new is told
        // by the transaction that wrote it.
        db.sql("""
                SELECT pg_snapshot_xmin(pg_current_snapshot())::text AS horizon, n.id, n.parent_id, n.level, n.place, n.tag, n.name,
                    n.technique, n.asset_class, n.attributes::text, n.settings::text, n.limits::text, n.stamp, n.removal,
                    EXISTS (SELECT 1 FROM plant_news WHERE changed_by >= CAST(:horizon AS xid8)) AS sensors_changed
                FROM (SELECT 1) one LEFT JOIN node n ON n.changed_by >= CAST(:horizon AS xid8)
                    AND (:horizon <> '0' OR n.removal IS NULL)""").param("horizon", horizon).query(row -> {
            next[0] = row.getString("horizon");
            sensorsChanged[0] = row.getBoolean("sensors_changed");
            if (row.getObject("id") != null) {
                Node node = node(row);
                states.put(node.id(), row.getObject("removal") == null ? Optional.of(node) : Optional.empty());
            }
        });
        return new Delta(next[0], states, sensorsChanged[0]);
    }

    private Node node(ResultSet row) throws SQLException {
        UUID parent = row.getObject("parent_id", UUID.class);
        String stamp = row.getString("stamp");
        return new Node(
                row.getObject("id", UUID.class),
                parent == null ? Node.PLANT : parent,
                Level.valueOf(row.getString("level")),
                row.getLong("place"),
                row.getString("tag"),
                row.getString("name"),
                row.getString("technique"),
                row.getString("asset_class"),
                read(row.getString("attributes"), TEXTS),
                read(row.getString("settings"), NESTED_TEXTS),
                read(row.getString("limits"), NESTED_TEXTS),
                stamp.isEmpty() ? Optional.empty() : Optional.of(Stamp.parse(stamp)));
    }

    private <T extends Map<String, ?>> T read(String text, TypeReference<T> type) {
        return json.readValue(text, type);
    }

    /** Rows as they were when they were removed, every parent before its children. */
    List<Node> removed(Collection<UUID> ids) {
        List<Node> found =
                Parts.asked(ids, nodes::removed).stream().map(this::node).toList();
        NodeTree order = NodeTree.of(found);
        List<Node> outermost = found.stream()
                .filter(node -> order.find(node.parentId()).isEmpty())
                .toList();
        return outermost.stream()
                .flatMap(node -> order.subtree(node.id()).stream())
                .toList();
    }

    /** Whether a row of this id is or ever was there. */
    boolean wasEverThere(UUID id) {
        return nodes.existsById(id);
    }

    /** Changes of the plant come one after the other, each seeing what the one before made of it. */
    void lock() {
        turns.take(Turns.Turn.CHANGE_PLANT);
    }

    /**
     * Writes a change that fits, given the plant as it is afterwards.
     *
     * @param watch told how many rows are written
     */
    void write(UUID changeId, PlantChange change, NodeTree after, PlantLedger.Watch watch) {
        if (!change.removed().isEmpty()) {
            Parts.each(
                    change.removed(),
                    part -> nodes.remove(changeId, part.stream().map(Node::id).toList()));
        }
        List<Node> states = new ArrayList<>();
        change.added().forEach(node -> states.add(after.find(node.id()).orElseThrow()));
        change.altered()
                .forEach(alteration -> states.add(after.find(alteration.node()).orElseThrow()));
        for (int from = 0; from < states.size(); from += ROWS_BETWEEN_REPORTS) {
            write(states.subList(from, Math.min(states.size(), from + ROWS_BETWEEN_REPORTS)));
            watch.written(Math.min(states.size(), from + ROWS_BETWEEN_REPORTS), states.size());
        }
    }

    private void write(List<Node> states) {
        // What was removed and comes back is there: only its row is written over.
        Set<UUID> known =
                new HashSet<>(Parts.asked(states.stream().map(Node::id).toList(), nodes::known));
        Map<Boolean, List<NodeEntity>> rows =
                states.stream().map(this::row).collect(Collectors.partitioningBy(row -> known.contains(row.id)));
        many.insert(rows.get(false));
        many.update(rows.get(true));
    }

    private NodeEntity row(Node node) {
        NodeEntity row = new NodeEntity();
        row.id = node.id();
        row.parentId = node.parentId().equals(Node.PLANT) ? null : node.parentId();
        row.level = node.level();
        row.place = node.place();
        row.tag = node.tag();
        row.name = node.name();
        row.technique = node.technique();
        row.assetClass = node.assetClass();
        row.attributes = json.writeValueAsString(node.nameplate());
        row.settings = json.writeValueAsString(node.settings());
        row.limits = json.writeValueAsString(node.limits());
        row.stamp = node.stamp().map(Stamp::toString).orElse("");
        return row;
    }

    private Node node(NodeEntity row) {
        return new Node(
                row.id,
                row.parentId == null ? Node.PLANT : row.parentId,
                row.level,
                row.place,
                row.tag,
                row.name,
                row.technique,
                row.assetClass,
                read(row.attributes, TEXTS),
                read(row.settings, NESTED_TEXTS),
                read(row.limits, NESTED_TEXTS),
                row.stamp.isEmpty() ? Optional.empty() : Optional.of(Stamp.parse(row.stamp)));
    }
}
