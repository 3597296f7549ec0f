package rovek.server.plant;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import rovek.core.plant.EffectiveSetting;
import rovek.core.plant.Inheritance;
import rovek.core.plant.Level;
import rovek.core.plant.SettingLayer;
import rovek.core.technique.SettingValues;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;

/** The plant as it stood at one moment. */
public final class PlantTree {

    private final Map<UUID, PlantNode> nodes = new LinkedHashMap<>();
    private final Map<UUID, List<UUID>> children = new LinkedHashMap<>();
    private final Map<UUID, Map<String, Map<String, String>>> settings;
    private final Techniques techniques;

    /**
     * @param inOrder nodes, siblings in their order
     * @param settings node to technique to key to value
     */
    PlantTree(List<PlantNode> inOrder, Map<UUID, Map<String, Map<String, String>>> settings, Techniques techniques) {
        this.settings = settings;
        this.techniques = techniques;
        inOrder.forEach(node -> nodes.put(node.id(), node));
        inOrder.forEach(node -> children.computeIfAbsent(node.parentId(), none -> new ArrayList<>()).add(node.id()));
        inOrder.stream()
                .filter(node -> node.level() == Level.CHECK && node.name().isBlank())
                .forEach(node -> nodes.put(node.id(), node.named(checkName(node))));
    }

    private String checkName(PlantNode node) {
        Technique technique = techniques.get(node.technique());
        return technique.checkName(settings(node.id(), technique));
    }

    public Optional<PlantNode> find(UUID id) {
        return Optional.ofNullable(nodes.get(id));
    }

    /** All nodes, every parent before its children, siblings in order. */
    public List<PlantNode> inOrder() {
        List<PlantNode> ordered = new ArrayList<>(nodes.size());
        Deque<UUID> open = new ArrayDeque<>();
        pushReversed(open, children(null));
        while (!open.isEmpty()) {
            UUID id = open.pop();
            ordered.add(nodes.get(id));
            pushReversed(open, children(id));
        }
        return ordered;
    }

    private static void pushReversed(Deque<UUID> onto, List<UUID> ids) {
        for (int i = ids.size() - 1; i >= 0; i--) {
            onto.push(ids.get(i));
        }
    }

    public List<UUID> children(UUID id) {
        return children.getOrDefault(id, List.of());
    }

    /** From the client down to the node itself. */
    public List<PlantNode> path(UUID id) {
        List<PlantNode> path = new ArrayList<>();
        for (PlantNode node = nodes.get(id); node != null; node = nodes.get(node.parentId())) {
            path.add(node);
        }
        Collections.reverse(path);
        return path;
    }

    /** The nearest node of a level on the way up, the node itself included. */
    public Optional<PlantNode> nearest(UUID id, Level level) {
        List<PlantNode> path = path(id);
        Collections.reverse(path);
        return path.stream().filter(node -> node.level() == level).findFirst();
    }

    public boolean isBeneath(UUID id, UUID ancestor) {
        return path(id).stream().anyMatch(node -> node.id().equals(ancestor));
    }

    /** All checks at or beneath a node, in order. */
    public List<PlantNode> checksBeneath(UUID id) {
        List<PlantNode> checks = new ArrayList<>();
        Deque<UUID> open = new ArrayDeque<>(List.of(id));
        while (!open.isEmpty()) {
            UUID next = open.pop();
            PlantNode node = nodes.get(next);
            if (node != null && node.level() == Level.CHECK) {
                checks.add(node);
            }
            pushReversed(open, children(next));
        }
        return checks;
    }

    /** What each node on the way down says about a technique's settings. */
    List<SettingLayer> layers(UUID id, String technique) {
        return path(id).stream()
                .map(node -> new SettingLayer(
                        node.id(), node.label(), settings.getOrDefault(node.id(), Map.of()).getOrDefault(technique, Map.of())))
                .toList();
    }

    public Map<String, EffectiveSetting> effectiveSettings(UUID id, Technique technique) {
        return Inheritance.resolve(technique.defaults(), layers(id, technique.id()));
    }

    /** The settings in force at a node. */
    public SettingValues settings(UUID id, Technique technique) {
        Map<String, String> values = new LinkedHashMap<>();
        effectiveSettings(id, technique).forEach((key, effective) -> values.put(key, effective.value()));
        return technique.settingsOf(values);
    }

    /** A check with all that is needed to measure and to judge it; empty where it is no check or gone. */
    public Optional<CheckView> check(UUID id) {
        return find(id).filter(node -> node.level() == Level.CHECK).map(node -> {
            Technique technique = techniques.get(node.technique());
            PlantNode point = nearest(id, Level.POINT).orElse(node);
            PlantNode asset = nearest(id, Level.ASSET).orElse(point);
            return new CheckView(node, point, asset, technique, settings(id, technique));
        });
    }
}
