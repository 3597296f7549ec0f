package rovek.server.plant.picture;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.room.WorkingRoom;
import rovek.server.plant.picture.PictureView.Spot;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;

/** Pictures of what stands in the plant: where to go, and where on the machine to measure. */
@Service
public class Pictures {

    private static final int LONGEST_TITLE = 200;
    private static final int MOST_OF_A_NODE = 40;

    private final PictureRows rows;
    private final Plant plant;
    private final AuditTrail audit;
    private final Clock clock;
    private final WorkingRoom room;
    private final TransactionTemplate transaction;

    Pictures(
            PictureRows rows,
            Plant plant,
            AuditTrail audit,
            Clock clock,
            WorkingRoom room,
            TransactionTemplate transaction) {
        this.rows = rows;
        this.plant = plant;
        this.audit = audit;
        this.clock = clock;
        this.room = room;
        this.transaction = transaction;
    }

    /**
     * A picture's title and spots as somebody wants them.
     *
     * @param version the one they were edited from
     */
    public record PictureDraft(String title, List<Spot> spots, int version) {}

    /** An image's bytes, as kept. */
    public record Image(String mediaType, String sha256, byte[] bytes) {}

    /**
     * The pictures of a node; of the nearest one above it that has any, up to its asset, where it has none of its own.
     */
    @Transactional(readOnly = true)
    public List<PictureView> of(UUID nodeId) {
        List<Node> path = new ArrayList<>(plant.tree().nodes().path(nodeId));
        Collections.reverse(path);
        for (Node node : path) {
            List<PictureView> own = rows.of(node.id(), false);
            if (!own.isEmpty() || node.level().ordinal() <= Level.ASSET.ordinal()) {
                return own;
            }
        }
        return List.of();
    }

    /** The pictures that were removed from a node itself. */
    @Transactional(readOnly = true)
    public List<PictureView> removedFrom(UUID nodeId) {
        return rows.of(nodeId, true);
    }

    /** Keeps a picture with an id of the caller's choice; a repeated request does nothing more. */
    public PictureView add(UUID id, UUID nodeId, String title, byte[] bytes) {
        Optional<PictureView> before = rows.find(id);
        if (before.isPresent()) {
            return before.get();
        }
        // Before the transaction: decoding takes a while, and may wait for room.
        PictureFile file = decoded(bytes);
        return transaction.execute(status -> add(id, nodeId, requireTitle(title), file));
    }

    private PictureFile decoded(byte[] bytes) {
        PictureFile.Seen seen = PictureFile.seen(bytes);
        try (WorkingRoom.Taken taken = room.take(seen.room())) {
            return seen.decoded();
        }
    }

    private PictureView add(UUID id, UUID nodeId, String title, PictureFile file) {
        Optional<PictureView> already = rows.find(id);
        if (already.isPresent()) {
            return already.get();
        }
        Node node = plant.tree()
                .nodes()
                .find(nodeId)
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.node")));
        if (node.level() == Level.CHECK) {
            throw new DomainProblem.Invalid("node", Sentence.of("plant.pictureOf"));
        }
        if (rows.of(nodeId, false).size() >= MOST_OF_A_NODE) {
            throw new DomainProblem.Invalid(
                    "file", Sentence.of("plant.mostPictures", "node", node.label(), "most", MOST_OF_A_NODE));
        }
        rows.add(id, nodeId, title, file, clock.instant(), AuditTrail.actor());
        PictureView added = require(id);
        audit.note("add", "picture", id, null, added);
        return added;
    }

    /**
     * Makes sure that bytes are a picture that a browser can show.
     *
     * @return its dots alone, without what a camera writes beside them
     * @throws DomainProblem.Invalid where they are none
     */
    public Image requirePicture(byte[] bytes) {
        PictureFile file = decoded(bytes);
        return new Image(file.mediaType(), Sha256.of(file.bytes()), file.bytes());
    }

    @Transactional
    public PictureView change(UUID id, PictureDraft draft) {
        PictureView before = require(id);
        PlantTree tree = plant.tree();
        // A point that was removed, or moved elsewhere, keeps its spot: it may come back.
        Map<UUID, Spot> spots = new HashMap<>();
        before.spots().stream()
                .filter(spot -> !isSeenOn(before, spot, tree))
                .forEach(spot -> spots.put(spot.nodeId(), spot));
        for (Spot spot : draft.spots()) {
            if (!(spot.x() >= 0 && spot.x() <= 1 && spot.y() >= 0 && spot.y() <= 1)) {
                throw new DomainProblem.Invalid("spots", Sentence.of("plant.spotOutside"));
            }
            if (!isSeenOn(before, spot, tree) && !spots.containsKey(spot.nodeId())) {
                throw new DomainProblem.NotFound(Sentence.of("thing.onePoint"));
            }
            spots.put(spot.nodeId(), spot);
        }
        if (!rows.change(id, requireTitle(draft.title()), spots.values(), draft.version())) {
            throw new DomainProblem.Stale(Sentence.of("thing.picture"));
        }
        PictureView after = require(id);
        audit.note("change", "picture", id, before, after);
        return after;
    }

    private static boolean isSeenOn(PictureView picture, Spot spot, PlantTree tree) {
        return tree.nodes().find(spot.nodeId()).isPresent() && tree.isBelow(spot.nodeId(), picture.nodeId());
    }

    /** Takes a picture off; it is kept, and {@link #bringBack} brings it back. */
    @Transactional
    public void remove(UUID id) {
        PictureView before = require(id);
        rows.setRemoved(id, true);
        audit.note("remove", "picture", id, before, null);
    }

    @Transactional
    public void bringBack(UUID id) {
        PictureView back = require(id);
        rows.setRemoved(id, false);
        audit.note("bring back", "picture", id, null, back);
    }

    @Transactional(readOnly = true)
    public Image image(UUID id) {
        PictureRepository.Image image =
                rows.image(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.picture")));
        return new Image(image.mediaType(), image.sha256(), image.bytes());
    }

    /** A picture for each of these points that is seen on one. */
    @Transactional(readOnly = true)
    public Map<UUID, UUID> showing(Collection<UUID> points) {
        return rows.showing(points);
    }

    /** Whether a picture is there to be shown at a stop. */
    @Transactional(readOnly = true)
    public boolean isThere(UUID id) {
        return rows.find(id).isPresent();
    }

    /** A picture as it goes onto an instrument, with a ring round a point where that is seen on it. */
    @Transactional(readOnly = true)
    public byte[] forTheField(UUID id, UUID point) {
        Optional<Spot> spot = require(id).spots().stream()
                .filter(one -> one.nodeId().equals(point))
                .findFirst();
        return PictureFile.forTheField(image(id).bytes(), spot);
    }

    private PictureView require(UUID id) {
        return rows.find(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.picture")));
    }

    private static String requireTitle(String title) {
        String text = title == null ? "" : title.strip();
        if (text.length() > LONGEST_TITLE) {
            throw new DomainProblem.Invalid("title", Sentence.of("plant.pictureTitle", "most", LONGEST_TITLE));
        }
        return text;
    }
}
