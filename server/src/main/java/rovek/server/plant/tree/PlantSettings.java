package rovek.server.plant.tree;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.plant.Alteration;
import rovek.core.plant.Facet;
import rovek.core.plant.Node;
import rovek.core.plant.PlantChange;
import rovek.core.technique.SensorUse;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Option;

/** What nodes say about how checks below them are made. */
@Service
public class PlantSettings {

    private static final int MOST_CHECKS_TOLD = 12;

    private final PlantEditor editor;
    private final Plant plant;
    private final PlantKnowledge knowledge;
    private final Techniques techniques;

    PlantSettings(PlantEditor editor, Plant plant, PlantKnowledge knowledge, Techniques techniques) {
        this.editor = editor;
        this.plant = plant;
        this.knowledge = knowledge;
        this.techniques = techniques;
    }

    /**
     * A setting as it stands at a node.
     *
     * @param options words to choose from; empty for a number
     * @param hint how it is written where it is no number; blank for one
     * @param own whether the node itself says so
     * @param originId node it comes from; null for the technique's default
     * @param originName how that node is called; blank for the default
     * @param sensor tag of the sensor that answers it, so that nothing can be typed; blank where none does
     * @param inherited what would hold if the node itself said nothing
     * @param overriddenBelow how many nodes below say something else
     */
    public record SettingLine(
            String key,
            Sentence name,
            String unit,
            List<Option> options,
            Sentence hint,
            String value,
            boolean own,
            @Nullable UUID originId,
            String originName,
            String sensor,
            String inherited,
            int overriddenBelow) {}

    /**
     * What a change of settings would do, before it is done.
     *
     * @param checks how many checks would be measured otherwise
     * @param kept how many checks below keep what they have, because a node nearer to them says so
     * @param first some of the checks, by name
     */
    public record Effect(int checks, int kept, List<String> first) {}

    public List<SettingLine> lines(UUID nodeId, String techniqueId) {
        PlantTree tree = plant.tree();
        Node node = require(tree, nodeId);
        Technique technique = technique(tree, node, techniqueId);
        var effective = tree.effectiveSettings(nodeId, technique);
        Map<String, Integer> below = overriddenBelow(tree, node, technique.id());
        Optional<SensorUse> use = technique.sensorUse();
        String sensor = use.flatMap(one -> one.named(effective)).orElse("");
        List<SettingLine> lines = new ArrayList<>();
        for (SettingDefinition definition : technique.settings()) {
            var setting = effective.get(definition.key());
            lines.add(new SettingLine(
                    definition.key(),
                    definition.called(technique.settingGroup()),
                    definition.unit(),
                    knowledge.options(technique, definition),
                    definition.kind().hint(),
                    setting.value(),
                    setting.overridden().isPresent(),
                    setting.origin().map(origin -> origin.node()).orElse(null),
                    setting.origin().map(origin -> origin.name()).orElse(""),
                    use.filter(one -> one.sensitivityKey().equals(definition.key()))
                                    .isPresent()
                            ? sensor
                            : "",
                    setting.overridden().orElse(setting.value()),
                    below.getOrDefault(definition.key(), 0)));
        }
        return lines;
    }

    private static Map<String, Integer> overriddenBelow(PlantTree tree, Node node, String technique) {
        Map<String, Integer> counts = new HashMap<>();
        tree.nodes().walk(node.id(), below -> {
            if (!below.id().equals(node.id())) {
                below.settingsOf(technique).keySet().forEach(key -> counts.merge(key, 1, Integer::sum));
            }
        });
        return counts;
    }

    /**
     * Sets and clears a node's own settings. Refused whole when a value cannot be, or a check below could not be
     * measured any more.
     *
     * @param values key to value; null to inherit again
     */
    @Transactional
    public PlantLedger.Committed set(UUID nodeId, String techniqueId, Map<String, String> values) {
        PlantTree tree = plant.tree();
        Node node = require(tree, nodeId);
        return editor.set(nodeId, facets(technique(tree, node, techniqueId), values));
    }

    private static Map<String, String> facets(Technique technique, Map<String, String> values) {
        Map<String, String> facets = new HashMap<>();
        values.forEach((key, value) -> facets.put(Facet.setting(technique.id(), key), value == null ? "" : value));
        return facets;
    }

    /** What the same would do, without doing it. */
    public Effect effect(UUID nodeId, String techniqueId, Map<String, String> values) {
        PlantTree before = plant.tree();
        Node node = require(before, nodeId);
        Technique technique = technique(before, node, techniqueId);
        Node wanted = node.saying(facets(technique, values));
        PlantChange change = PlantChange.altering(List.of(Alteration.between(node, wanted)));
        PlantTree after = before.of(before.nodes().apply(change));
        List<String> changed = new ArrayList<>();
        int kept = 0;
        for (PlantNode check : before.checksBelow(nodeId)) {
            if (!check.technique().equals(technique.id())) {
                continue;
            }
            boolean isSame =
                    before.effectiveValues(check.id(), technique).equals(after.effectiveValues(check.id(), technique));
            if (isSame) {
                kept++;
            } else {
                changed.add(before.check(check.id()).orElseThrow().place() + ", " + check.name());
            }
        }
        return new Effect(
                changed.size(), kept, changed.stream().limit(MOST_CHECKS_TOLD).toList());
    }

    /** Checks that are measured with a sensor: how many, and some of them by name. */
    public record SensorUsers(int checks, List<String> first) {}

    public SensorUsers usersOf(String sensorTag) {
        PlantTree tree = plant.tree();
        List<UUID> found = new ArrayList<>();
        for (PlantNode check : tree.checksBelow(Node.PLANT)) {
            Technique technique = techniques.get(check.technique());
            boolean isMeasuredWithIt = technique
                    .sensorUse()
                    .flatMap(use -> use.named(tree.effectiveSettings(check.id(), technique)))
                    .filter(sensorTag::equals)
                    .isPresent();
            if (isMeasuredWithIt) {
                found.add(check.id());
            }
        }
        List<UUID> told = found.stream().limit(MOST_CHECKS_TOLD).toList();
        return new SensorUsers(
                found.size(),
                tree.checks(told).stream()
                        .map(check -> check.place() + ", " + check.node().name())
                        .toList());
    }

    private static Node require(PlantTree tree, UUID id) {
        return tree.nodes().find(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.node")));
    }

    /** The one that is asked for; where none is, that of the first check below that can be set at all. */
    private Technique technique(PlantTree tree, Node node, String asked) {
        if (!node.technique().isBlank()) {
            return technique(node.technique());
        }
        if (!asked.isBlank()) {
            return technique(asked);
        }
        return Stream.concat(
                        tree.checksBelow(node.id()).stream().map(check -> technique(check.technique())),
                        techniques.list().stream())
                .filter(technique -> !technique.settings().isEmpty())
                .findFirst()
                .orElseThrow();
    }

    private Technique technique(String id) {
        return techniques
                .find(id)
                .orElseThrow(() ->
                        new DomainProblem.Invalid("technique", Sentence.of("base.unknownTechnique", "technique", id)));
    }
}
