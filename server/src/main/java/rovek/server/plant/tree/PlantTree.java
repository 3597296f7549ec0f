package rovek.server.plant.tree;

import jakarta.annotation.Nullable;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import rovek.core.limit.LimitLayers;
import rovek.core.limit.LimitText;
import rovek.core.limit.LimitTimeline;
import rovek.core.nameplate.AssetClasses;
import rovek.core.nameplate.Nameplate;
import rovek.core.plant.EffectiveSetting;
import rovek.core.plant.Inheritance;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.SettingLayer;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sensor;
import rovek.core.technique.SettingValues;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;

/** The plant as it stood at one moment, with what the techniques make of its checks. */
public final class PlantTree {

    private final NodeTree nodes;
    private final Techniques techniques;
    private final Map<String, Sensor> sensors;
    /** Checks that their technique names. */
    private final Map<UUID, String> checkNames;
    /** Nodes with a limit that compares with sister assets; null until somebody asks. */
    private volatile Set<UUID> comparing;

    private PlantTree(
            NodeTree nodes,
            Techniques techniques,
            Map<String, Sensor> sensors,
            Map<UUID, String> checkNames,
            @Nullable Set<UUID> comparing) {
        this.nodes = nodes;
        this.techniques = techniques;
        this.sensors = sensors;
        this.checkNames = checkNames;
        this.comparing = comparing;
    }

    /** @param sensors by tag */
    static PlantTree of(NodeTree nodes, Techniques techniques, Map<String, Sensor> sensors) {
        return new PlantTree(nodes, techniques, Map.copyOf(sensors), new ConcurrentHashMap<>(), null);
    }

    /** The same sensors and techniques, another plant. */
    PlantTree of(NodeTree others) {
        return new PlantTree(others, techniques, sensors, new ConcurrentHashMap<>(), null);
    }

    /** The same plant, measured with sensors as they are now. */
    PlantTree with(Map<String, Sensor> now) {
        return sensors.equals(now) ? this : of(nodes, techniques, now);
    }

    /** The tree with some nodes in another state, or gone; this one where they are all as they are here. */
    PlantTree withStates(Map<UUID, Optional<Node>> states) {
        // What changed while another transaction was open is told more than once.
        Map<UUID, Optional<Node>> differing = new HashMap<>(states);
        differing.entrySet().removeIf(entry -> nodes.find(entry.getKey()).equals(entry.getValue()));
        if (differing.isEmpty()) {
            return this;
        }
        NodeTree after = nodes.with(differing);
        Map<UUID, String> names = new ConcurrentHashMap<>(checkNames);
        names.keySet().removeAll(concerned(differing.keySet(), nodes, after));
        return new PlantTree(after, techniques, sensors, names, comparingAfter(differing));
    }

    /**
     * Nodes that are in another state in another plant, or may be called otherwise there because of what stands above
     * them; those that are gone there too.
     */
    public Set<UUID> renamedIn(PlantTree other) {
        return sensors.equals(other.sensors)
                ? concerned(nodes.differing(other.nodes), nodes, other.nodes)
                : idsOf(other.nodes);
    }

    private static Set<UUID> concerned(Set<UUID> differing, NodeTree before, NodeTree after) {
        Set<UUID> concerned = new HashSet<>(differing);
        for (UUID id : differing) {
            if (!isNoMatterToOthers(before.find(id), after.find(id))) {
                after.walk(id, below -> concerned.add(below.id()));
            }
        }
        return concerned;
    }

    private static Set<UUID> idsOf(NodeTree tree) {
        Set<UUID> ids = new HashSet<>();
        tree.walk(Node.PLANT, node -> ids.add(node.id()));
        return ids;
    }

    private static boolean isNoMatterToOthers(Optional<Node> before, Optional<Node> after) {
        return after.isEmpty()
                || (before.isPresent()
                        && before.get().settings().equals(after.get().settings())
                        && before.get().parentId().equals(after.get().parentId()));
    }

    @Nullable
    private Set<UUID> comparingAfter(Map<UUID, Optional<Node>> states) {
        Set<UUID> known = comparing;
        if (known == null) {
            return null;
        }
        Set<UUID> after = new HashSet<>(known);
        states.forEach((id, state) -> {
            if (state.filter(PlantTree::comparesSisters).isPresent()) {
                after.add(id);
            } else {
                after.remove(id);
            }
        });
        return after;
    }

    public NodeTree nodes() {
        return nodes;
    }

    public Optional<PlantNode> find(UUID id) {
        return nodes.find(id).map(this::view);
    }

    PlantNode view(Node node) {
        return PlantNode.of(node, name(node));
    }

    /** How a node is called; a check without name of its own as its technique names it. */
    public String name(Node node) {
        if (node.level() != Level.CHECK || !node.name().isBlank()) {
            return node.name();
        }
        return checkNames.computeIfAbsent(node.id(), id -> {
            Technique technique = techniques.get(node.technique());
            return technique.checkName(settings(id, technique));
        });
    }

    /** All nodes, every parent before its children, siblings in order. */
    public List<PlantNode> inOrder() {
        return nodes.subtree(Node.PLANT).stream().map(this::view).toList();
    }

    /** From the client down to the node itself. */
    public List<PlantNode> path(UUID id) {
        return nodes.path(id).stream().map(this::view).toList();
    }

    /** The time zone that the site of a node says; empty where it says none, or there is no site. */
    Optional<ZoneId> zone(UUID id) {
        return nodes.path(id).stream()
                .filter(node -> node.level() == Level.SITE)
                .map(site -> site.nameplate().getOrDefault(AssetClasses.TIME_ZONE, ""))
                .filter(zone -> !zone.isEmpty())
                .reduce((outer, inner) -> inner)
                .map(ZoneId::of);
    }

    /** The nearest node of a level on the way up, the node itself included. */
    public Optional<PlantNode> nearest(UUID id, Level level) {
        List<Node> path = nodes.path(id);
        return path.stream()
                .filter(node -> node.level() == level)
                .reduce((outer, inner) -> inner)
                .map(this::view);
    }

    public boolean isBelow(UUID id, UUID ancestor) {
        return nodes.isBelow(id, ancestor);
    }

    /** All checks at or below a node, in order. */
    public List<PlantNode> checksBelow(UUID id) {
        return nodes.subtree(id).stream()
                .filter(node -> node.level() == Level.CHECK)
                .map(this::view)
                .toList();
    }

    /** What each node on the way down says about a technique's settings. */
    List<SettingLayer> layers(UUID id, String technique) {
        return nodes.path(id).stream()
                .map(node -> new SettingLayer(node.id(), node.label(), node.settingsOf(technique)))
                .toList();
    }

    public Map<String, EffectiveSetting> effectiveSettings(UUID id, Technique technique) {
        Map<String, EffectiveSetting> settings = Inheritance.resolve(technique.defaults(), layers(id, technique.id()));
        return technique.sensorUse().map(use -> use.applied(settings, sensors)).orElse(settings);
    }

    Map<String, String> effectiveValues(UUID id, Technique technique) {
        Map<String, String> values = new LinkedHashMap<>();
        effectiveSettings(id, technique).forEach((key, effective) -> values.put(key, effective.value()));
        return values;
    }

    /** The settings in force at a node. */
    public SettingValues settings(UUID id, Technique technique) {
        return technique.settingsOf(effectiveValues(id, technique));
    }

    /** What is said of a check's results, by the nearest node first; a result of which nothing is said is left out. */
    private Map<String, LimitLayers> limits(UUID id, Technique technique, SettingValues settings) {
        Map<String, LimitLayers> limits = new LinkedHashMap<>();
        List<Node> path = nodes.path(id);
        for (ResultDefinition result : technique.results(settings)) {
            LimitLayers layers = layers(path, technique.id(), result);
            if (!layers.layers().isEmpty()) {
                limits.put(result.id(), layers);
            }
        }
        return limits;
    }

    /** Whether any limit compares with sister assets. */
    public boolean comparesSisters() {
        Set<UUID> known = comparing;
        if (known == null) {
            Set<UUID> found = new HashSet<>();
            nodes.walk(Node.PLANT, node -> {
                if (comparesSisters(node)) {
                    found.add(node.id());
                }
            });
            known = found;
            comparing = known;
        }
        return !known.isEmpty();
    }

    private static boolean comparesSisters(Node node) {
        return node.limits().values().stream()
                .flatMap(limits -> limits.values().stream())
                .anyMatch(LimitText::comparesSisters);
    }

    /** What a node and those above it say of a result, the nearest first. */
    public LimitLayers limitLayers(UUID id, String technique, ResultDefinition result) {
        return layers(nodes.path(id), technique, result);
    }

    private static LimitLayers layers(List<Node> path, String technique, ResultDefinition result) {
        List<LimitLayers.Layer> layers = new ArrayList<>();
        for (int i = path.size() - 1; i >= 0; i--) {
            String said = path.get(i).limitsOf(technique).get(result.id());
            if (said != null) {
                layers.add(new LimitLayers.Layer(path.get(i).id(), LimitTimeline.parse(said, result.sense())));
            }
        }
        layers.removeIf(layer -> !layer.timeline().isFor(result.unit()));
        return new LimitLayers(layers);
    }

    /** A check with all that is needed to measure and to judge it; empty where it is no check or gone. */
    public Optional<CheckView> check(UUID id) {
        return nodes.find(id).filter(node -> node.level() == Level.CHECK).map(node -> {
            Technique technique = techniques.get(node.technique());
            SettingValues settings = settings(id, technique);
            PlantNode view = view(node);
            PlantNode point = nearest(id, Level.POINT).orElse(view);
            PlantNode asset = nearest(id, Level.ASSET).orElse(point);
            return new CheckView(
                    view,
                    point,
                    asset,
                    technique,
                    settings,
                    nameplate(id),
                    Collections.unmodifiableMap(limits(id, technique, settings)));
        });
    }

    /** What is known of a node from its own plate and from those it stands in, up to the outermost asset. */
    public Nameplate nameplate(UUID id) {
        return Nameplate.of(nodes.path(id).stream()
                .filter(node -> node.level().ordinal() >= Level.SYSTEM.ordinal())
                .map(Node::nameplate)
                .toList());
    }

    /** The checks among these ids, in their order; what is no check or gone is left out. */
    public List<CheckView> checks(List<UUID> ids) {
        return ids.stream().map(this::check).flatMap(Optional::stream).toList();
    }
}
