package rovek.core.plant;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import rovek.core.plant.PlantConflictException.Clash;
import rovek.core.plant.PlantRefusedException.Reason;
import rovek.core.wording.Sentence;

/** Whether a change still fits the plant it was made for. */
final class ChangeCheck {

    private final NodeTree tree;
    private final PlantChange change;
    private final Set<UUID> removed = new HashSet<>();
    private final Set<UUID> added = new HashSet<>();
    private final List<Reason> reasons = new ArrayList<>();
    private final List<Clash> clashes = new ArrayList<>();

    ChangeCheck(NodeTree tree, PlantChange change) {
        this.tree = tree;
        this.change = change;
        change.removed().forEach(node -> removed.add(node.id()));
        change.added().forEach(node -> added.add(node.id()));
    }

    void require() {
        change.removed().forEach(this::checkRemoval);
        for (Node node : change.added()) {
            if (tree.find(node.id()).isPresent() && !removed.contains(node.id())) {
                reasons.add(new Reason("there", Sentence.of("plant.nodeThere", "node", node.title())));
            }
        }
        for (Alteration alteration : change.altered()) {
            tree.find(alteration.node()).ifPresentOrElse(node -> checkAlteration(node, alteration), () -> {
                if (!added.contains(alteration.node())) {
                    reasons.add(new Reason("gone", Sentence.of("plant.goneMeanwhile")));
                }
            });
        }
        if (!reasons.isEmpty()) {
            throw new PlantRefusedException(reasons.stream().distinct().toList());
        }
        if (!clashes.isEmpty()) {
            throw new PlantConflictException(clashes);
        }
    }

    private void checkRemoval(Node node) {
        if (tree.find(node.id()).isEmpty()) {
            reasons.add(new Reason("gone", Sentence.of("plant.goneAlready", "node", node.title())));
        }
        tree.children(node.id()).stream()
                .filter(child -> !removed.contains(child))
                .findFirst()
                .flatMap(tree::find)
                .ifPresent(child -> reasons.add(new Reason(
                        "children", Sentence.of("plant.holdsNow", "node", node.title(), "held", child.title()))));
    }

    private void checkAlteration(Node node, Alteration alteration) {
        Map<String, String> now = node.facets();
        alteration.facets().forEach((facet, shift) -> {
            String present = now.getOrDefault(facet, "");
            // Where a node stands among its neighbours is nothing people contradict each other about.
            boolean agreed = facet.equals(Facet.PLACE) || present.equals(shift.from()) || present.equals(shift.to());
            if (!agreed) {
                clashes.add(new Clash(node.id(), node.title(), facet, shift.from(), present, shift.to()));
            }
        });
    }
}
