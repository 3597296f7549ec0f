package rovek.server.plant;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.plant.Level;
import rovek.core.technique.Techniques;
import rovek.server.audit.AuditTrail;
import rovek.server.problem.DomainProblem;
import tools.jackson.databind.json.JsonMapper;

/** Adds, names, moves and removes nodes; each change can be undone. */
@Service
public class PlantEditor {

    private static final int MOST_CHANGES_SHOWN = 100;
    private static final int LONGEST_NAME = 200;
    private static final long PLACE_STEP = 16;

    private final NodeRepository nodes;
    private final PlantChangeRepository changes;
    private final PlantSettings settings;
    private final Techniques techniques;
    private final AuditTrail audit;
    private final JsonMapper json;
    private final Clock clock;

    PlantEditor(
            NodeRepository nodes,
            PlantChangeRepository changes,
            PlantSettings settings,
            Techniques techniques,
            AuditTrail audit,
            JsonMapper json,
            Clock clock) {
        this.nodes = nodes;
        this.changes = changes;
        this.settings = settings;
        this.techniques = techniques;
        this.audit = audit;
        this.json = json;
        this.clock = clock;
    }

    /**
     * A node to add.
     *
     * @param id chosen by the caller, so that a repeated request adds nothing twice; null to have one chosen
     * @param parentId null for a client
     * @param level null for the usual one beneath the parent
     * @param afterId sibling it follows; null for the last place
     * @param technique for a check; null otherwise
     * @param preset name of a ready-made check; null for the technique's defaults
     */
    public record NewNode(
            @Nullable UUID id, @Nullable UUID parentId, @Nullable Level level, @Nullable String tag, @Nullable String name, @Nullable UUID afterId, @Nullable String technique, @Nullable String preset) {}

    /** New names; null leaves as it is. */
    public record NewName(@Nullable String tag, @Nullable String name, @Nullable String nameplate, int version) {}

    /** A new place; {@code afterId} null for the first one. */
    public record NewPlace(@Nullable UUID parentId, @Nullable UUID afterId) {}

    /** What came of a change: the node as it is now, and the id by which it can be undone. */
    public record Changed(PlantNode node, @Nullable UUID changeId) {}

    /** A change in the history. */
    public record HistoryLine(UUID id, String at, String actor, String sentence, boolean undone) {}

    @Transactional
    public Changed add(NewNode wanted) {
        nodes.lockStructure();
        if (wanted.id() != null) {
            Optional<NodeEntity> already = nodes.findById(wanted.id());
            if (already.isPresent()) {
                return new Changed(already.get().view(), null);
            }
        }
        NodeEntity parent = wanted.parentId() == null ? null : require(wanted.parentId());
        Level level = Optional.ofNullable(wanted.level())
                .orElseGet(() -> parent == null ? Level.CLIENT : usualChild(parent));
        requireMayHold(parent, level);
        NodeEntity node = new NodeEntity();
        node.id = wanted.id() == null ? UUID.randomUUID() : wanted.id();
        node.parentId = wanted.parentId();
        node.level = level;
        node.tag = text("tag", wanted.tag());
        node.name = text("name", wanted.name());
        node.nameplate = "";
        node.technique = level == Level.CHECK ? technique(wanted.technique()) : "";
        if (level != Level.CHECK && node.name.isBlank() && node.tag.isBlank()) {
            throw new DomainProblem.Invalid("name", "Type a name.");
        }
        nodes.save(node);
        putInPlace(node, wanted.afterId() == null ? lastOf(node.parentId) : wanted.afterId());
        if (level == Level.CHECK) {
            settings.applyPreset(node.id, node.technique, wanted.preset());
        }
        audit.note("add", "node", node.id, null, node.view());
        return done(node, "Added " + label(node), new Inverse.Remove(node.id));
    }

    @Transactional
    public Changed name(UUID id, NewName wanted) {
        NodeEntity node = require(id);
        if (node.version != wanted.version()) {
            throw new DomainProblem.Stale(label(node));
        }
        PlantNode before = node.view();
        node.tag = wanted.tag() == null ? node.tag : text("tag", wanted.tag());
        node.name = wanted.name() == null ? node.name : text("name", wanted.name());
        node.nameplate = wanted.nameplate() == null ? node.nameplate : text("nameplate", wanted.nameplate());
        if (node.level != Level.CHECK && node.name.isBlank() && node.tag.isBlank()) {
            throw new DomainProblem.Invalid("name", "Type a name.");
        }
        nodes.flush();
        audit.note("name", "node", id, before, node.view());
        return done(
                node, "Named " + label(node) + ", before " + before.label(),
                new Inverse.Name(id, before.tag(), before.name(), before.nameplate(), node.version));
    }

    @Transactional
    public Changed move(UUID id, NewPlace wanted) {
        nodes.lockStructure();
        NodeEntity node = require(id);
        NodeEntity parent = wanted.parentId() == null ? null : require(wanted.parentId());
        requireMayHold(parent, node.level);
        for (NodeEntity above = parent; above != null; above = above.parentId == null ? null : require(above.parentId)) {
            if (above.id.equals(id)) {
                throw new DomainProblem.Conflict("inside-itself", label(node) + " cannot be moved into itself.");
            }
        }
        Inverse back = new Inverse.Move(id, node.parentId, siblingBefore(node));
        PlantNode before = node.view();
        node.parentId = wanted.parentId();
        putInPlace(node, wanted.afterId());
        audit.note("move", "node", id, before, node.view());
        return done(node, "Moved " + label(node) + (parent == null ? "" : " to " + label(parent)), back);
    }

    @Transactional
    public Changed remove(UUID id) {
        nodes.lockStructure();
        NodeEntity node = require(id);
        UUID changeId = UUID.randomUUID();
        int count = removeBeneath(node, changeId);
        audit.note("remove", "node", id, node.view(), null);
        String sentence = "Removed " + label(node) + (count > 1 ? " and " + (count - 1) + " beneath it" : "");
        return done(changeId, node, sentence, new Inverse.Restore(changeId));
    }

    private int removeBeneath(NodeEntity node, UUID removal) {
        Deque<NodeEntity> open = new ArrayDeque<>(List.of(node));
        int count = 0;
        while (!open.isEmpty()) {
            NodeEntity next = open.pop();
            open.addAll(nodes.findByParentIdAndRemovalIsNullOrderByPlace(next.id));
            next.removal = removal;
            count++;
        }
        return count;
    }

    /** Takes a change back. Doing it twice does nothing more. */
    @Transactional
    public void undo(UUID changeId) {
        nodes.lockStructure();
        PlantChangeEntity change = changes.findById(changeId).orElseThrow(() -> new DomainProblem.NotFound("The change"));
        if (change.undoneAt != null) {
            return;
        }
        Inverse inverse = json.readValue(change.inverse, Inverse.class);
        if (inverse instanceof Inverse.Remove added) {
            nodes.findByIdAndRemovalIsNull(added.node()).ifPresent(node -> removeBeneath(node, changeId));
        } else if (inverse instanceof Inverse.Restore removed) {
            restore(removed);
        } else if (inverse instanceof Inverse.Name named) {
            nameBack(named);
        } else if (inverse instanceof Inverse.Move moved) {
            moveBack(moved);
        }
        change.undoneAt = clock.instant();
        audit.note("undo: " + change.sentence, "plant change", changeId, null, null);
    }

    private void restore(Inverse.Restore removed) {
        List<NodeEntity> gone = nodes.findByRemoval(removed.removal());
        List<UUID> ids = gone.stream().map(node -> node.id).toList();
        for (NodeEntity node : gone) {
            boolean parentIsThere = node.parentId == null
                    || ids.contains(node.parentId)
                    || nodes.findByIdAndRemovalIsNull(node.parentId).isPresent();
            if (!parentIsThere) {
                throw new DomainProblem.Conflict(
                        "parent-removed", label(node) + " stood in something that was removed later. Undo that first.");
            }
        }
        gone.forEach(node -> node.removal = null);
    }

    private void nameBack(Inverse.Name named) {
        NodeEntity node = require(named.node());
        if (node.version != named.versionAfter()) {
            throw new DomainProblem.Stale(label(node));
        }
        node.tag = named.tag();
        node.name = named.name();
        node.nameplate = named.nameplate();
    }

    private void moveBack(Inverse.Move moved) {
        NodeEntity node = require(moved.node());
        if (moved.parent() != null) {
            require(moved.parent());
        }
        node.parentId = moved.parent();
        putInPlace(node, moved.after());
    }

    @Transactional(readOnly = true)
    public List<HistoryLine> history() {
        return changes.findAllByOrderByAtDesc(Limit.of(MOST_CHANGES_SHOWN)).stream()
                .map(c -> new HistoryLine(c.id, c.at.toString(), c.actor, c.sentence, c.undoneAt != null))
                .toList();
    }

    private Changed done(NodeEntity node, String sentence, Inverse inverse) {
        return done(UUID.randomUUID(), node, sentence, inverse);
    }

    private Changed done(UUID changeId, NodeEntity node, String sentence, Inverse inverse) {
        PlantChangeEntity change = new PlantChangeEntity();
        change.id = changeId;
        change.at = clock.instant();
        change.actor = AuditTrail.actor();
        change.sentence = sentence;
        change.inverse = json.writerFor(Inverse.class).writeValueAsString(inverse);
        changes.save(change);
        nodes.flush();
        return new Changed(node.view(), changeId);
    }

    private List<NodeEntity> siblings(UUID parentId) {
        return parentId == null
                ? nodes.findByParentIdIsNullAndRemovalIsNullOrderByPlace()
                : nodes.findByParentIdAndRemovalIsNullOrderByPlace(parentId);
    }

    /** Puts the node behind a sibling, or first where that is null or gone. */
    private void putInPlace(NodeEntity node, UUID afterId) {
        List<NodeEntity> ordered = new ArrayList<>(siblings(node.parentId));
        ordered.removeIf(other -> other.id.equals(node.id));
        int at = 0;
        for (int i = 0; i < ordered.size(); i++) {
            at = ordered.get(i).id.equals(afterId) ? i + 1 : at;
        }
        ordered.add(at, node);
        for (int i = 0; i < ordered.size(); i++) {
            long place = (i + 1) * PLACE_STEP;
            if (ordered.get(i).place != place) {
                ordered.get(i).place = place;
            }
        }
    }

    private UUID lastOf(UUID parentId) {
        List<NodeEntity> siblings = siblings(parentId);
        return siblings.isEmpty() ? null : siblings.get(siblings.size() - 1).id;
    }

    private UUID siblingBefore(NodeEntity node) {
        UUID before = null;
        for (NodeEntity sibling : siblings(node.parentId)) {
            if (sibling.id.equals(node.id)) {
                return before;
            }
            before = sibling.id;
        }
        return before;
    }

    private NodeEntity require(UUID id) {
        return nodes.findByIdAndRemovalIsNull(Objects.requireNonNull(id))
                .orElseThrow(() -> new DomainProblem.NotFound("That part of the plant"));
    }

    private static Level usualChild(NodeEntity parent) {
        if (parent.level == Level.CHECK) {
            throw new DomainProblem.Conflict("no-child", "A check is the innermost row: it holds nothing.");
        }
        return parent.level.usualChild();
    }

    private static void requireMayHold(NodeEntity parent, Level level) {
        if (parent == null ? level != Level.CLIENT : !parent.level.mayHold(level)) {
            String where = parent == null ? "at the top" : "in this " + word(parent.level);
            throw new DomainProblem.Conflict(
                    "wrong-level", "A %s does not belong %s.".formatted(word(level), where));
        }
    }

    private static String word(Level level) {
        return level.name().toLowerCase(java.util.Locale.ROOT);
    }

    private String technique(String id) {
        String wanted = id == null || id.isBlank() ? techniques.list().iterator().next().id() : id;
        return techniques.find(wanted)
                .orElseThrow(() -> new DomainProblem.Invalid("technique", "Rovek does not know the technique \"" + wanted + "\"."))
                .id();
    }

    private static String text(String field, String given) {
        String text = given == null ? "" : given.strip();
        if (text.length() > LONGEST_NAME) {
            throw new DomainProblem.Invalid(field, "A name has at most " + LONGEST_NAME + " characters.");
        }
        return text;
    }

    private static String label(NodeEntity node) {
        String label = node.view().label();
        return label.isBlank() ? "the check" : label;
    }
}
