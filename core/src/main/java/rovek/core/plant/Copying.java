package rovek.core.plant;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;

/** Copies of nodes with all below them, numbered on. */
public final class Copying {

    private final NodeTree tree;
    private final Supplier<UUID> ids;
    private final Set<String> tags = new HashSet<>();

    /** @param ids where new ids come from */
    public Copying(NodeTree tree, Supplier<UUID> ids) {
        this.tree = tree;
        this.ids = ids;
        tree.walk(Node.PLANT, node -> tags.add(node.tag()));
    }

    /**
     * Copies nodes behind a sibling. What carries a tag gets the next free one; a part whose tag begins with that of
     * the copied asset follows it; points and parts keep their names.
     *
     * @param after empty for the first place
     */
    public PlantChange copy(Collection<UUID> wanted, UUID parent, Optional<UUID> after) {
        List<Node> originals = tree.outermost(wanted);
        Places places = Places.after(tree, parent, after, originals.size(), Set.of());
        List<Node> added = new ArrayList<>();
        for (int i = 0; i < originals.size(); i++) {
            Node original = originals.get(i);
            boolean isAmongSiblings = original.parentId().equals(parent);
            Node root = renumbered(original, isAmongSiblings || !original.tag().isBlank())
                    .at(parent, places.places().get(i));
            addCopies(original, root, added);
        }
        return new PlantChange(added, List.of(), places.spread());
    }

    private Node renumbered(Node original, boolean onward) {
        if (!onward) {
            return original;
        }
        String tag = Numbering.nextTag(original.tag(), tags);
        tags.add(tag);
        long by = tag.isBlank() ? 1 : Numbering.difference(original.tag(), tag);
        boolean countsOn = original.level() != Level.POINT && original.level() != Level.CHECK;
        return original.called(tag, countsOn ? Numbering.nextName(original.name(), by) : original.name());
    }

    private void addCopies(Node original, Node root, List<Node> added) {
        Map<UUID, UUID> copyOf = new HashMap<>();
        boolean followsTemplate = original.stamp().map(Stamp::isRoot).orElse(true);
        for (Node node : tree.subtree(original.id())) {
            boolean isRoot = node.id().equals(original.id());
            Node source = isRoot ? root : belowTag(node, original.tag(), root.tag());
            UUID parent = isRoot ? root.parentId() : requireNonNull(copyOf.get(node.parentId()));
            UUID id = ids.get();
            copyOf.put(node.id(), id);
            added.add(new Node(
                    id,
                    parent,
                    source.level(),
                    source.place(),
                    source.tag(),
                    source.name(),
                    source.technique(),
                    source.assetClass(),
                    source.nameplate(),
                    source.settings(),
                    source.limits(),
                    followsTemplate ? source.stamp() : Optional.empty()));
        }
    }

    private Node belowTag(Node node, String from, String to) {
        if (node.tag().isBlank() || from.isBlank()) {
            return node;
        }
        String tag = node.tag().startsWith(from)
                ? to + node.tag().substring(from.length())
                : Numbering.nextTag(node.tag(), tags);
        tags.add(tag);
        return node.called(tag, node.name());
    }
}
