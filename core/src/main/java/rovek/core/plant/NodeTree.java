package rovek.core.plant;

import static java.util.Objects.requireNonNull;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;

/** The plant as it stood at one moment. Never changed: a change makes a new tree that shares what stayed. */
public final class NodeTree {

    private static final Comparator<Node> IN_PLACE =
            Comparator.comparingLong(Node::place).thenComparing(Node::id);

    public static final NodeTree EMPTY = of(List.of());

    private final Layered<UUID, Node> nodes;
    private final Layered<UUID, List<UUID>> children;

    private NodeTree(Layered<UUID, Node> nodes, Layered<UUID, List<UUID>> children) {
        this.nodes = nodes;
        this.children = children;
    }

    /** @param all nodes in any order; one whose parent is missing is unreachable until that comes */
    public static NodeTree of(Collection<Node> all) {
        Map<UUID, Node> byId = new HashMap<>(Math.max(16, all.size() * 2));
        Map<UUID, List<Node>> byParent = new HashMap<>();
        for (Node node : all) {
            byId.put(node.id(), node);
            byParent.computeIfAbsent(node.parentId(), none -> new ArrayList<>()).add(node);
        }
        Map<UUID, List<UUID>> children = new HashMap<>(byParent.size() * 2);
        byParent.forEach((parent, those) -> children.put(parent, ordered(those)));
        return new NodeTree(Layered.of(byId), Layered.of(children));
    }

    private static List<UUID> ordered(List<Node> siblings) {
        return siblings.stream().sorted(IN_PLACE).map(Node::id).toList();
    }

    public Optional<Node> find(UUID id) {
        return nodes.get(id);
    }

    public int size() {
        return nodes.size();
    }

    /** Ids of nodes that came, went or changed between this tree and another one. */
    public Set<UUID> differing(NodeTree other) {
        return nodes.differing(other.nodes);
    }

    /** Ids of what stands directly in a node, in order; {@link Node#PLANT} holds the clients. */
    public List<UUID> children(UUID id) {
        return children.get(id).orElse(List.of());
    }

    /** From the client down to the node itself; empty where there is no such node. */
    public List<Node> path(UUID id) {
        List<Node> path = new ArrayList<>();
        Optional<Node> node = find(id);
        while (node.isPresent()) {
            path.add(node.get());
            node = find(node.get().parentId());
        }
        Collections.reverse(path);
        return path;
    }

    public boolean isBelow(UUID id, UUID ancestor) {
        UUID at = id;
        while (!at.equals(ancestor)) {
            Optional<Node> node = find(at);
            if (node.isEmpty()) {
                return false;
            }
            at = node.get().parentId();
        }
        return true;
    }

    /** The node and all below it, every parent before its children, siblings in order. */
    public List<Node> subtree(UUID id) {
        List<Node> found = new ArrayList<>();
        walk(id, found::add);
        return found;
    }

    /** Visits a node and all below it, every parent before its children, siblings in order. */
    public void walk(UUID from, Consumer<Node> visitor) {
        walk(from, Level.CHECK, visitor);
    }

    /** As {@link #walk(UUID, Consumer)}, but visits nothing of a deeper level. */
    public void walk(UUID from, Level deepest, Consumer<Node> visitor) {
        Deque<UUID> open = new ArrayDeque<>();
        open.push(from);
        while (!open.isEmpty()) {
            UUID id = open.pop();
            Optional<Node> node = find(id);
            if (node.filter(one -> one.level().ordinal() > deepest.ordinal()).isPresent()) {
                continue;
            }
            node.ifPresent(visitor);
            List<UUID> those = children(id);
            for (int i = those.size() - 1; i >= 0; i--) {
                open.push(those.get(i));
            }
        }
    }

    /** Leaves out those that stand below another one of them, and those that are gone; keeps the order. */
    public List<Node> outermost(Collection<UUID> ids) {
        Set<UUID> wanted = new LinkedHashSet<>(ids);
        return wanted.stream()
                .flatMap(id -> find(id).stream())
                .filter(node -> path(node.parentId()).stream().noneMatch(above -> wanted.contains(above.id())))
                .toList();
    }

    /**
     * Makes a change, whole or not at all.
     *
     * @throws PlantConflictException where a facet is no longer what the change was made from
     * @throws PlantRefusedException where the outcome would be no plant
     */
    public NodeTree apply(PlantChange change) {
        new ChangeCheck(this, change).require();
        NodeTree after = with(change);
        new OutcomeCheck(after, change).require();
        return after;
    }

    private NodeTree with(PlantChange change) {
        Map<UUID, Optional<Node>> states = new HashMap<>();
        change.removed().forEach(node -> states.put(node.id(), Optional.empty()));
        change.added().forEach(node -> states.put(node.id(), Optional.of(node)));
        for (Alteration alteration : change.altered()) {
            Optional<Node> before = states.getOrDefault(alteration.node(), find(alteration.node()));
            states.put(alteration.node(), before.map(alteration::applied));
        }
        return with(states);
    }

    /** The tree with some nodes in another state, or gone; nothing is checked. */
    public NodeTree with(Map<UUID, Optional<Node>> states) {
        Layered<UUID, Node> newNodes = nodes.with(states);
        Set<UUID> parents = new LinkedHashSet<>();
        states.forEach((id, state) -> {
            find(id).ifPresent(before -> parents.add(before.parentId()));
            state.ifPresent(after -> parents.add(after.parentId()));
        });
        Map<UUID, Set<UUID>> gathered = new HashMap<>();
        parents.forEach(parent -> gathered.put(parent, new LinkedHashSet<>(children(parent))));
        states.forEach((id, state) -> {
            find(id).ifPresent(before ->
                    requireNonNull(gathered.get(before.parentId())).remove(id));
            state.ifPresent(
                    after -> requireNonNull(gathered.get(after.parentId())).add(id));
        });
        Map<UUID, Optional<List<UUID>>> lists = new HashMap<>();
        gathered.forEach((parent, ids) -> lists.put(
                parent,
                ids.isEmpty()
                        ? Optional.empty()
                        : Optional.of(ordered(ids.stream()
                                .flatMap(id -> newNodes.get(id).stream())
                                .toList()))));
        return new NodeTree(newNodes, children.with(lists));
    }
}
