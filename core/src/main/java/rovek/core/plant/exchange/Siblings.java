package rovek.core.plant.exchange;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Node;

/**
 * What stands in one node, found by what it is called: ten thousand rows in one area are each found at once. Of two
 * that are called alike the first is meant.
 */
final class Siblings {

    private final Set<UUID> known = new HashSet<>();
    private final Map<String, UUID> called = new HashMap<>();
    private final Map<Labelled, UUID> labelled = new HashMap<>();
    private final Map<Said, UUID> nameless = new HashMap<>();

    private record Labelled(Level level, boolean isTag, String text) {}

    /** What a check says of itself beside its name. */
    private record Said(String technique, Map<String, String> settings) {

        static Said of(String technique, Map<String, String> facets) {
            Map<String, String> settings = new HashMap<>(facets);
            settings.keySet().removeIf(key -> !key.startsWith(Facet.SETTING));
            return new Said(technique, settings);
        }
    }

    void add(Node node) {
        if (!known.add(node.id())) {
            return;
        }
        called.putIfAbsent(node.label(), node.id());
        called.putIfAbsent(node.tag(), node.id());
        called.putIfAbsent(node.name(), node.id());
        labelled.putIfAbsent(
                new Labelled(node.level(), !node.tag().isEmpty(), node.tag().isEmpty() ? node.name() : node.tag()),
                node.id());
        if (node.level() == Level.CHECK && node.name().isEmpty()) {
            nameless.putIfAbsent(Said.of(node.technique(), node.facets()), node.id());
        }
    }

    /** One whose tag, name or both are this label. */
    Optional<UUID> called(String label) {
        return Optional.ofNullable(called.get(label));
    }

    /** One of a level with this tag, or where it has none, with this name. */
    Optional<UUID> labelled(Level level, String tag, String name) {
        return Optional.ofNullable(labelled.get(new Labelled(level, !tag.isEmpty(), tag.isEmpty() ? name : tag)));
    }

    /** A check that its technique names, set like this. */
    Optional<UUID> checkLike(String technique, Map<String, String> facets) {
        return Optional.ofNullable(nameless.get(Said.of(technique, facets)));
    }
}
