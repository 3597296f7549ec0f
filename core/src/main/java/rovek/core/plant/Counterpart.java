package rovek.core.plant;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * Finds the check that stands for another one elsewhere: on the same machine of another client or site, on a sister
 * machine. Machines answer to each other by tag, else by name; what is below a machine by name; checks by technique and
 * name. Where two would do, neither does: nothing is guessed.
 */
public final class Counterpart {

    private final NodeTree tree;
    private final Function<Node, String> naming;

    /** @param naming how a node is called; a check may be called as its technique names it */
    public Counterpart(NodeTree tree, Function<Node, String> naming) {
        this.tree = tree;
        this.naming = naming;
    }

    /**
     * The check below a node that stands for another check.
     *
     * @param under a client, site, area, system or asset
     */
    public Optional<Node> of(UUID check, UUID under) {
        Optional<Node> target = tree.find(under);
        List<Node> path = tree.path(check);
        int asset = indexOf(path, node -> node.level() == Level.ASSET);
        if (target.isEmpty() || asset < 0) {
            return Optional.empty();
        }
        Optional<Node> at = target.get().level() == Level.ASSET ? target : machine(path.get(asset), under);
        for (Node step : path.subList(asset + 1, path.size())) {
            at = at.flatMap(parent -> only(children(parent), child -> isAlike(child, step)));
        }
        return at.filter(node -> node.level() == Level.CHECK);
    }

    private List<Node> children(Node parent) {
        return tree.children(parent.id()).stream()
                .flatMap(id -> tree.find(id).stream())
                .toList();
    }

    private static int indexOf(List<Node> path, Predicate<Node> wanted) {
        for (int i = 0; i < path.size(); i++) {
            if (wanted.test(path.get(i))) {
                return i;
            }
        }
        return -1;
    }

    private Optional<Node> machine(Node asset, UUID under) {
        List<Node> assets = tree.subtree(under).stream()
                .filter(node -> node.level() == Level.ASSET)
                .toList();
        Optional<Node> byTag =
                asset.tag().isBlank() ? Optional.empty() : only(assets, node -> same(node.tag(), asset.tag()));
        return byTag.or(() -> only(assets, node -> same(node.name(), asset.name())));
    }

    private boolean isAlike(Node candidate, Node wanted) {
        if (candidate.level() != wanted.level() || !candidate.technique().equals(wanted.technique())) {
            return false;
        }
        return same(naming.apply(candidate), naming.apply(wanted));
    }

    private static boolean same(String one, String other) {
        return one.strip().toLowerCase(Locale.ROOT).equals(other.strip().toLowerCase(Locale.ROOT));
    }

    private static Optional<Node> only(List<Node> among, Predicate<Node> wanted) {
        List<Node> found = among.stream().filter(wanted).limit(2).toList();
        return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
    }
}
