package rovek.core.plant;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;

/**
 * Finds the assets that do the same work: those of the same class side by side, and those stamped from the same
 * template in the same place; and on them the checks that stand for one another.
 */
public final class Sisters {

    private final NodeTree tree;
    private final Counterpart counterpart;

    /** @param naming how a node is called; a check may be called as its technique names it */
    public Sisters(NodeTree tree, Function<Node, String> naming) {
        this.tree = tree;
        this.counterpart = new Counterpart(tree, naming);
    }

    /** The sisters of the asset that a node belongs to, in order; none where it belongs to none. */
    public List<Node> of(UUID node) {
        Optional<Node> asset = tree.path(node).stream()
                .filter(one -> one.level() == Level.ASSET)
                .reduce((outer, inner) -> inner);
        return asset.stream()
                .flatMap(own -> tree.children(own.parentId()).stream()
                        .flatMap(id -> tree.find(id).stream())
                        .filter(other -> areSisters(own, other)))
                .toList();
    }

    private static boolean areSisters(Node one, Node other) {
        if (one.id().equals(other.id()) || other.level() != Level.ASSET) {
            return false;
        }
        boolean sameClass = !one.assetClass().isBlank() && one.assetClass().equals(other.assetClass());
        boolean sameTemplate = one.stamp().isPresent()
                && other.stamp()
                        .filter(stamp ->
                                stamp.template().equals(one.stamp().get().template()))
                        .isPresent();
        return sameClass || sameTemplate;
    }

    /** The checks on the sister assets that stand for a check, in order. */
    public List<Node> checks(UUID check) {
        return of(check).stream()
                .flatMap(sister -> counterpart.of(check, sister.id()).stream())
                .toList();
    }
}
