package rovek.core.plant;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import rovek.core.plant.PlantRefusedException.Reason;
import rovek.core.wording.Sentence;

/** Whether what a change leaves behind is a plant. */
final class OutcomeCheck {

    private final NodeTree after;
    private final PlantChange change;
    private final List<Reason> reasons = new ArrayList<>();

    OutcomeCheck(NodeTree after, PlantChange change) {
        this.after = after;
        this.change = change;
    }

    void require() {
        for (UUID id : change.nodes()) {
            after.find(id).ifPresent(this::check);
        }
        if (!reasons.isEmpty()) {
            throw new PlantRefusedException(reasons.stream().distinct().toList());
        }
    }

    private void check(Node node) {
        boolean atTop = node.parentId().equals(Node.PLANT);
        Optional<Node> parent = after.find(node.parentId());
        if (!atTop && parent.isEmpty()) {
            reasons.add(new Reason("gone", Sentence.of("plant.parentGone", "node", node.title())));
        } else if (atTop
                ? node.level() != Level.CLIENT
                : !parent.orElseThrow().level().mayHold(node.level())) {
            reasons.add(new Reason("level", node.level().misplacedIn(parent.map(Node::level))));
        } else if (isInItself(node)) {
            reasons.add(new Reason("circle", Sentence.of("plant.intoItself", "node", node.title())));
        }
        boolean levelOfChildrenWrong = after.children(node.id()).stream()
                .flatMap(child -> after.find(child).stream())
                .anyMatch(child -> !node.level().mayHold(child.level()));
        if (levelOfChildrenWrong) {
            reasons.add(new Reason(
                    "level",
                    Sentence.of(
                            "plant.cannotHold",
                            "node",
                            node.title(),
                            "level",
                            node.level().called())));
        }
        if (node.level() != Level.CHECK && node.label().isBlank()) {
            reasons.add(new Reason("name", Sentence.of("plant.noName")));
        }
        if (node.tag().length() > Node.LONGEST_NAME || node.name().length() > Node.LONGEST_NAME) {
            reasons.add(new Reason("name", Sentence.of("plant.longName", "most", Node.LONGEST_NAME)));
        }
    }

    private boolean isInItself(Node node) {
        Set<UUID> seen = new HashSet<>();
        UUID at = node.id();
        while (seen.add(at)) {
            Optional<Node> found = after.find(at);
            if (found.isEmpty()) {
                return false;
            }
            at = found.get().parentId();
        }
        return true;
    }
}
