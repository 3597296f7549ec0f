package rovek.core.plant.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.Places;
import rovek.core.wording.Sentence;

/** The plant as it grows row by row while a table is read. */
final class Growth {

    private final NodeTree tree;
    private final Map<UUID, Node> added = new LinkedHashMap<>();
    private final Map<UUID, Level> levels = new HashMap<>();
    private final Map<UUID, Siblings> children = new HashMap<>();
    private final Map<UUID, Long> lastPlaces = new HashMap<>();
    private final Map<String, Set<UUID>> tags = new HashMap<>();

    Growth(NodeTree tree) {
        this.tree = tree;
        tree.walk(Node.PLANT, node -> {
            if (!node.tag().isEmpty()) {
                tags.computeIfAbsent(node.tag(), none -> new LinkedHashSet<>()).add(node.id());
            }
        });
    }

    List<Node> added() {
        return List.copyOf(added.values());
    }

    boolean isThere(UUID id) {
        return id.equals(Node.PLANT) || levels.containsKey(id) || tree.find(id).isPresent();
    }

    /** Empty for the plant itself. */
    Optional<Level> level(UUID id) {
        return Optional.ofNullable(levels.get(id)).or(() -> tree.find(id).map(Node::level));
    }

    void add(Node node) {
        added.put(node.id(), node);
        keep(node.id(), node.parentId(), node.level());
        if (!node.tag().isEmpty()) {
            tags.computeIfAbsent(node.tag(), none -> new LinkedHashSet<>()).add(node.id());
        }
    }

    /** A row that stands there, or is going to. */
    void keep(UUID id, UUID parent, Level level) {
        levels.put(id, level);
        find(id).ifPresent(childrenOf(parent)::add);
    }

    /** A row that is wrong, so that those in it are looked at. */
    void pretend(UUID id, Level level) {
        levels.putIfAbsent(id, level);
    }

    private Siblings childrenOf(UUID parent) {
        return children.computeIfAbsent(parent, id -> {
            Siblings siblings = new Siblings();
            tree.children(id).forEach(child -> tree.find(child).ifPresent(siblings::add));
            return siblings;
        });
    }

    private Optional<Node> find(UUID id) {
        return Optional.ofNullable(added.get(id)).or(() -> tree.find(id));
    }

    long nextPlace(UUID parent) {
        return lastPlaces.merge(
                parent, Places.last(tree, parent, 1).places().get(0), (last, first) -> last + Places.STEP);
    }

    /** A child whose tag, name or both are this label. */
    Optional<UUID> childCalled(UUID parent, String label) {
        return childrenOf(parent).called(label);
    }

    /** A child of the same level with this tag, or where it has none, with this name. */
    Optional<UUID> childLabelled(UUID parent, Level level, String tag, String name) {
        return tag.isEmpty() && name.isEmpty()
                ? Optional.empty()
                : childrenOf(parent).labelled(level, tag, name);
    }

    /** A check that its technique names, set as this one. */
    Optional<UUID> checkLike(UUID parent, Map<String, String> facets) {
        return childrenOf(parent).checkLike(facets.getOrDefault(Facet.TECHNIQUE, ""), facets);
    }

    /** Who has this tag already at the same client; another client may well use the same. */
    Optional<UUID> sameTag(String tag, UUID parent) {
        UUID client = outermost(parent);
        return tags.getOrDefault(tag, Set.of()).stream()
                .filter(id -> outermost(id).equals(client))
                .findFirst();
    }

    private UUID outermost(UUID id) {
        UUID at = id;
        for (Optional<Node> node = find(at);
                node.isPresent() && !node.get().parentId().equals(Node.PLANT);
                node = find(at)) {
            at = node.get().parentId();
        }
        return at;
    }

    Sentence placeOf(UUID id) {
        if (id.equals(Node.PLANT)) {
            return Sentence.of("plant.thePlant");
        }
        List<String> labels = new ArrayList<>();
        for (Optional<Node> node = find(id);
                node.isPresent();
                node = find(node.get().parentId())) {
            labels.add(0, node.get().label());
        }
        return Sentence.plain(String.join(", ", labels));
    }
}
