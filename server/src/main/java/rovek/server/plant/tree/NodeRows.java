package rovek.server.plant.tree;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.PlantChange;
import rovek.core.plant.Stamp;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The plant's rows in the database. Rows, not entities: tens of thousands come in one import and are read at once. */
@Repository
class NodeRows {

    private static final int ROWS_A_BATCH = 1_000;
    private static final int ROWS_BETWEEN_REPORTS = 2_000;
    private static final TypeReference<Map<String, String>> TEXTS = new TypeReference<>() {};
    private static final TypeReference<Map<String, Map<String, String>>> NESTED_TEXTS = new TypeReference<>() {};

    private final JdbcClient db;
    private final JdbcTemplate batches;
    private final JsonMapper json;

    NodeRows(JdbcClient db, JdbcTemplate batches, JsonMapper json) {
        this.db = db;
        this.batches = batches;
        this.json = json;
    }

    /**
     * What changed since an earlier look.
     *
     * @param horizon what to ask from next time
     * @param states node to its state, empty where it was removed
     * @param sensorsChanged whether sensors may be others than before
     */
    record Delta(String horizon, Map<UUID, Optional<Node>> states, boolean sensorsChanged) {}

    /** @param horizon of the look before; "0" to read everything */
    Delta since(String horizon) {
        Map<UUID, Optional<Node>> states = new HashMap<>();
        String[] next = {horizon};
        boolean[] sensorsChanged = {false};
        // One statement, so that the horizon and the rows are of the same moment.
        db.sql("""
                SELECT pg_snapshot_xmin(pg_current_snapshot())::text AS horizon, n.id, n.parent_id, n.level, n.place, n.tag, n.name,
                    n.technique, n.asset_class, n.attributes::text, n.settings::text, n.limits::text, n.stamp, n.removal,
                    EXISTS (SELECT 1 FROM sensor WHERE changed_by >= CAST(:horizon AS xid8)) AS sensors_changed
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
        List<Node> found = new ArrayList<>();
        JdbcClient.StatementSpec rows = db.sql("""
                SELECT id, parent_id, level, place, tag, name, technique, asset_class, attributes::text, settings::text,
                    limits::text, stamp FROM node WHERE id = ANY(:ids) AND removal IS NOT NULL""");
        rows.param("ids", ids.toArray(UUID[]::new)).query(row -> {
            found.add(node(row));
        });
        NodeTree order = NodeTree.of(found);
        List<Node> outermost = found.stream()
                .filter(node -> order.find(node.parentId()).isEmpty())
                .toList();
        return outermost.stream()
                .flatMap(node -> order.beneath(node.id()).stream())
                .toList();
    }

    /** Whether a row of this id is or ever was there. */
    boolean wasEverThere(UUID id) {
        return db.sql("SELECT count(*) FROM node WHERE id = ?")
                        .param(id)
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** Changes of the plant come one after the other, each seeing what the one before made of it. */
    void lock() {
        db.sql("SELECT 1 FROM (SELECT pg_advisory_xact_lock(7150)) AS locked")
                .query(Integer.class)
                .single();
    }

    /**
     * Writes a change that fits, given the plant as it is afterwards.
     *
     * @param watch told how many rows are written
     */
    void write(UUID changeId, PlantChange change, NodeTree after, PlantLedger.Watch watch) {
        if (!change.removed().isEmpty()) {
            db.sql("UPDATE node SET removal = :change WHERE id = ANY(:ids)")
                    .param("change", changeId)
                    .param("ids", change.removed().stream().map(Node::id).toArray(UUID[]::new))
                    .update();
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
        batches.batchUpdate("""
                INSERT INTO node (id, parent_id, level, place, tag, name, technique, asset_class, attributes, settings, limits, stamp)
                VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?::jsonb, ?::jsonb, ?::jsonb, ?)
                ON CONFLICT (id) DO UPDATE SET parent_id = EXCLUDED.parent_id, level = EXCLUDED.level, place = EXCLUDED.place,
                    tag = EXCLUDED.tag, name = EXCLUDED.name, technique = EXCLUDED.technique, asset_class = EXCLUDED.asset_class,
                    attributes = EXCLUDED.attributes, settings = EXCLUDED.settings, limits = EXCLUDED.limits,
                    stamp = EXCLUDED.stamp, removal = NULL""", states, ROWS_A_BATCH, (statement, node) -> {
            statement.setObject(1, node.id());
            statement.setObject(2, node.parentId().equals(Node.PLANT) ? null : node.parentId());
            statement.setString(3, node.level().name());
            statement.setLong(4, node.place());
            statement.setString(5, node.tag());
            statement.setString(6, node.name());
            statement.setString(7, node.technique());
            statement.setString(8, node.assetClass());
            statement.setString(9, json.writeValueAsString(node.nameplate()));
            statement.setString(10, json.writeValueAsString(node.settings()));
            statement.setString(11, json.writeValueAsString(node.limits()));
            statement.setString(12, node.stamp().map(Stamp::toString).orElse(""));
        });
    }
}
