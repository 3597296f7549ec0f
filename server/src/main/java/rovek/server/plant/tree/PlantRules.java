package rovek.server.plant.tree;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rovek.core.plant.Alteration;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.PlantChange;
import rovek.core.technique.InvalidSettingsException;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.problem.DomainProblem.Fault;

/** What the techniques ask of a plant: every value is one they know, every check can be measured as it is set. */
@Component
class PlantRules {

    private static final int MOST_FAULTS_TOLD = 20;

    private final Techniques techniques;
    private final PlantKnowledge knowledge;

    PlantRules(Techniques techniques, PlantKnowledge knowledge) {
        this.techniques = techniques;
        this.knowledge = knowledge;
    }

    /** @throws DomainProblem.Invalid naming every fault at once */
    void require(PlantTree before, NodeTree after, PlantChange change) {
        List<Fault> faults = new ArrayList<>();
        for (UUID id : change.nodes()) {
            after.find(id).ifPresent(node -> checkOwn(node, faults));
        }
        if (faults.isEmpty()) {
            PlantTree tree = before.of(after);
            affected(before.nodes(), after, change).values().forEach(check -> checkMeasurable(tree, check, faults));
            checkUnlike(
                    tree,
                    change.added().stream()
                            .filter(node -> node.level() == Level.CHECK)
                            .toList(),
                    faults);
        }
        if (!faults.isEmpty()) {
            throw new DomainProblem.Invalid(
                    faults.stream().distinct().limit(MOST_FAULTS_TOLD).toList());
        }
    }

    private void checkOwn(Node node, List<Fault> faults) {
        node.facets()
                .forEach((facet, value) ->
                        knowledge.fault(facet, value).ifPresent(reason -> faults.add(new Fault(facet, reason))));
        if (node.level() == Level.CHECK && node.technique().isEmpty()) {
            faults.add(new Fault(Facet.TECHNIQUE, Sentence.of("plant.checkOfWhat")));
        }
    }

    /** Checks whose settings may have become others: new ones, and those below what moved or is set otherwise. */
    private static Map<UUID, Node> affected(NodeTree before, NodeTree after, PlantChange change) {
        Map<UUID, Node> checks = new LinkedHashMap<>();
        for (Node node : change.added()) {
            if (node.level() == Level.CHECK) {
                checks.put(node.id(), node);
            }
        }
        for (Alteration alteration : change.altered()) {
            boolean matters = alteration.facets().keySet().stream()
                    .anyMatch(facet -> facet.startsWith(Facet.SETTING)
                            || facet.equals(Facet.PARENT)
                            || facet.equals(Facet.TECHNIQUE));
            if (matters) {
                after.walk(alteration.node(), node -> {
                    if (node.level() == Level.CHECK) {
                        checks.put(node.id(), node);
                    }
                });
            }
        }
        return checks;
    }

    /** The same check twice at one point would share no history, and nobody could tell which of the two is meant. */
    private void checkUnlike(PlantTree tree, List<Node> checks, List<Fault> faults) {
        Set<UUID> points = new HashSet<>();
        checks.forEach(check -> points.add(check.parentId()));
        Map<Alike, Integer> standing = new HashMap<>();
        points.forEach(point -> tree.nodes().children(point).stream()
                .flatMap(id -> tree.nodes().find(id).stream())
                .filter(other -> other.level() == Level.CHECK)
                .forEach(other -> standing.merge(Alike.of(other), 1, Integer::sum)));
        checks.stream()
                .filter(check -> standing.get(Alike.of(check)) > 1)
                .forEach(check -> refuseTwice(tree, check, faults));
    }

    /** What makes two checks of one point the same. */
    private record Alike(UUID point, String technique, String name, Map<String, String> settings) {

        static Alike of(Node check) {
            return new Alike(check.parentId(), check.technique(), check.name(), check.settingsOf(check.technique()));
        }
    }

    private void refuseTwice(PlantTree tree, Node check, List<Fault> faults) {
        Technique technique = techniques.get(check.technique());
        if (!technique.mayStandTwice(tree.settings(check.id(), technique))) {
            faults.add(new Fault(
                    "check",
                    Sentence.of(
                            "plant.checkTwice", "check", technique.checkName(tree.settings(check.id(), technique)))));
        }
    }

    private void checkMeasurable(PlantTree tree, Node check, List<Fault> faults) {
        Technique technique = techniques.get(check.technique());
        try {
            technique
                    .unsuited(tree.settings(check.id(), technique))
                    .forEach(reason -> faults.add(new Fault(
                            "settings", Sentence.of("plant.atNode", "node", label(tree, check), "why", reason))));
        } catch (InvalidSettingsException e) {
            faults.add(new Fault(
                    "settings", Sentence.of("plant.atNode", "node", label(tree, check), "why", e.sentence())));
        }
    }

    private static Sentence label(PlantTree tree, Node check) {
        return tree.nodes().path(check.id()).stream()
                .filter(node -> node.level() == Level.ASSET
                        || node.level() == Level.POINT
                        || !node.name().isBlank() && node.level() == Level.CHECK)
                .map(Node::label)
                .reduce((outer, inner) -> outer + ", " + inner)
                .map(Sentence::plain)
                .orElseGet(() -> Sentence.of("thing.check"));
    }
}
