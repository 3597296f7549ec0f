package rovek.server.plant.picture;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rovek.link.Sha256;

/** Pictures in the database; what is listed never drags the images themselves along. */
@Repository
class PictureRows {

    private static final String LINE = "SELECT id, node_id, title, width, height, at, actor, version FROM picture ";

    private final JdbcClient db;

    PictureRows(JdbcClient db) {
        this.db = db;
    }

    /** An image's bytes, as kept. */
    record Image(String mediaType, String sha256, byte[] bytes) {}

    void add(UUID id, UUID node, String title, PictureFile file, Instant at, String actor) {
        db.sql("""
                INSERT INTO picture (id, node_id, title, media_type, width, height, sha256, bytes, at, actor)
                VALUES (:id, :node, :title, :mediaType, :width, :height, :sha256, :bytes, :at, :actor)""")
                .param("id", id)
                .param("node", node)
                .param("title", title)
                .param("mediaType", file.mediaType())
                .param("width", file.width())
                .param("height", file.height())
                .param("sha256", Sha256.of(file.bytes()))
                .param("bytes", file.bytes())
                .param("at", OffsetDateTime.ofInstant(at, ZoneOffset.UTC))
                .param("actor", actor)
                .update();
    }

    List<PictureView> of(UUID node, boolean removed) {
        return withSpots(db.sql(LINE + "WHERE node_id = ? AND removed = ? ORDER BY at, id")
                .param(node)
                .param(removed)
                .query(this::line)
                .list());
    }

    /** Also one that was removed: it can be brought back. */
    Optional<PictureView> find(UUID id) {
        return withSpots(db.sql(LINE + "WHERE id = ?")
                        .param(id)
                        .query(this::line)
                        .list())
                .stream()
                .findFirst();
    }

    private PictureView line(ResultSet row, int index) throws SQLException {
        return new PictureView(
                row.getObject("id", UUID.class),
                row.getObject("node_id", UUID.class),
                row.getString("title"),
                row.getInt("width"),
                row.getInt("height"),
                List.of(),
                row.getObject("at", OffsetDateTime.class).toInstant().toString(),
                row.getString("actor"),
                row.getInt("version"));
    }

    private List<PictureView> withSpots(List<PictureView> pictures) {
        Map<UUID, List<PictureView.Spot>> spots = new HashMap<>();
        db.sql("SELECT picture_id, node_id, x, y FROM picture_spot WHERE picture_id = ANY(?) ORDER BY y, x")
                .param(pictures.stream().map(PictureView::id).toArray(UUID[]::new))
                .query(row -> {
                    spots.computeIfAbsent(row.getObject("picture_id", UUID.class), id -> new ArrayList<>())
                            .add(new PictureView.Spot(
                                    row.getObject("node_id", UUID.class), row.getDouble("x"), row.getDouble("y")));
                });
        return pictures.stream()
                .map(one -> new PictureView(
                        one.id(),
                        one.nodeId(),
                        one.title(),
                        one.width(),
                        one.height(),
                        spots.getOrDefault(one.id(), List.of()),
                        one.at(),
                        one.by(),
                        one.version()))
                .toList();
    }

    Optional<Image> image(UUID id) {
        return db.sql("SELECT media_type, sha256, bytes FROM picture WHERE id = ?")
                .param(id)
                .query((row, index) ->
                        new Image(row.getString("media_type"), row.getString("sha256"), row.getBytes("bytes")))
                .optional();
    }

    /** @return whether it still was of that version */
    boolean change(UUID id, String title, Collection<PictureView.Spot> spots, int version) {
        boolean isSame = db.sql(
                                "UPDATE picture SET title = ?, version = version + 1 WHERE id = ? AND version = ? AND NOT removed")
                        .param(title)
                        .param(id)
                        .param(version)
                        .update()
                == 1;
        if (isSame) {
            db.sql("DELETE FROM picture_spot WHERE picture_id = ?").param(id).update();
            spots.forEach(spot -> db.sql("INSERT INTO picture_spot (picture_id, node_id, x, y) VALUES (?, ?, ?, ?)")
                    .param(id)
                    .param(spot.nodeId())
                    .param(spot.x())
                    .param(spot.y())
                    .update());
        }
        return isSame;
    }

    void setRemoved(UUID id, boolean removed) {
        db.sql("UPDATE picture SET removed = ?, version = version + 1 WHERE id = ?")
                .param(removed)
                .param(id)
                .update();
    }

    /** A picture for each of these nodes that is seen on one: the newest. */
    Map<UUID, UUID> showing(Collection<UUID> nodes) {
        Map<UUID, UUID> found = new HashMap<>();
        db.sql("""
                SELECT s.node_id, p.id FROM picture_spot s JOIN picture p ON p.id = s.picture_id AND NOT p.removed
                WHERE s.node_id = ANY(?) ORDER BY p.at, p.id""").param(nodes.toArray(UUID[]::new)).query(row -> {
            found.put(row.getObject("node_id", UUID.class), row.getObject("id", UUID.class));
        });
        return found;
    }
}
