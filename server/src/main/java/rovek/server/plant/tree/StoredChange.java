package rovek.server.plant.tree;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import rovek.core.plant.Alteration;
import rovek.core.plant.Node;
import rovek.core.plant.PlantChange;

/** A change as it is kept: nodes that came or went by their ids, since their rows stay in the database. */
record StoredChange(List<UUID> added, List<UUID> removed, List<Alteration> altered) {

    static StoredChange of(PlantChange change) {
        return new StoredChange(ids(change.added()), ids(change.removed()), change.altered());
    }

    private static List<UUID> ids(Collection<Node> nodes) {
        return nodes.stream().map(Node::id).toList();
    }

    /** What takes it back. */
    StoredChange inverse() {
        return new StoredChange(
                removed, added, altered.stream().map(Alteration::inverse).toList());
    }

    Set<UUID> nodes() {
        Set<UUID> nodes = new HashSet<>(added);
        nodes.addAll(removed);
        altered.forEach(alteration -> nodes.add(alteration.node()));
        return nodes;
    }
}
