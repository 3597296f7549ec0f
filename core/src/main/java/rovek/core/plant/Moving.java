package rovek.core.plant;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/** Changes of where nodes stand, and of which there are. */
public final class Moving {

    private Moving() {}

    /**
     * Moves nodes with all below them, in the order they are given.
     *
     * @param after the sibling they follow; empty for the first place
     */
    public static PlantChange move(NodeTree tree, Collection<UUID> ids, UUID parent, Optional<UUID> after) {
        return move(tree, ids, parent, after, Map.of());
    }

    /**
     * @param seenIn where nodes stood when the move was decided: one that was moved elsewhere since is a contradiction
     */
    public static PlantChange move(
            NodeTree tree, Collection<UUID> ids, UUID parent, Optional<UUID> after, Map<UUID, UUID> seenIn) {
        List<Node> moving = tree.outermost(ids);
        Set<UUID> leaving = new HashSet<>();
        moving.forEach(node -> leaving.add(node.id()));
        Optional<UUID> behind = after.flatMap(id -> stayingBefore(tree, id, leaving));
        Places places = Places.after(tree, parent, behind, moving.size(), leaving);
        List<Alteration> altered = new ArrayList<>(places.spread());
        for (int i = 0; i < moving.size(); i++) {
            Node node = moving.get(i);
            Node seen = node.at(seenIn.getOrDefault(node.id(), node.parentId()), node.place());
            altered.add(Alteration.between(seen, node.at(parent, places.places().get(i))));
        }
        return PlantChange.altering(altered);
    }

    /** The given sibling, or where that moves itself the nearest one before it that stays. */
    private static Optional<UUID> stayingBefore(NodeTree tree, UUID id, Set<UUID> leaving) {
        if (!leaving.contains(id)) {
            return Optional.of(id);
        }
        List<UUID> siblings =
                tree.find(id).map(node -> tree.children(node.parentId())).orElse(List.of());
        for (int i = siblings.indexOf(id) - 1; i >= 0; i--) {
            if (!leaving.contains(siblings.get(i))) {
                return Optional.of(siblings.get(i));
            }
        }
        return Optional.empty();
    }

    /** Removes nodes with all below them. */
    public static PlantChange remove(NodeTree tree, Collection<UUID> ids) {
        List<Node> removed = new ArrayList<>();
        tree.outermost(ids).forEach(node -> removed.addAll(tree.subtree(node.id())));
        return PlantChange.removing(removed);
    }
}
