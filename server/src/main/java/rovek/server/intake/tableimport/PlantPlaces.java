package rovek.server.intake.tableimport;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import rovek.core.foreign.ForeignPlan;
import rovek.core.plant.Level;
import rovek.core.unit.UnitOfMeasure;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.PlantNode;
import rovek.server.plant.tree.PlantTree;

/**
 * The gauge checks of the plant by the tag of their asset: single values of a foreign table belong to no other
 * technique.
 */
final class PlantPlaces implements ForeignPlan.Places {

    static final String GAUGE = "gauge";

    private final Map<String, List<CheckView>> byTag = new HashMap<>();

    PlantPlaces(PlantTree tree) {
        for (PlantNode node : tree.inOrder()) {
            if (node.level() == Level.ASSET && !node.tag().isBlank()) {
                byTag.computeIfAbsent(key(node.tag()), none -> new ArrayList<>());
            }
        }
        for (PlantNode node : tree.inOrder()) {
            if (node.level() == Level.CHECK) {
                tree.check(node.id())
                        .filter(check -> check.technique().id().equals(GAUGE)
                                && !check.asset().tag().isBlank())
                        .ifPresent(
                                check -> byTag.computeIfAbsent(key(check.asset().tag()), none -> new ArrayList<>())
                                        .add(check));
            }
        }
    }

    private static String key(String text) {
        return text.strip().toLowerCase(Locale.ROOT);
    }

    Set<String> tags() {
        return byTag.keySet();
    }

    boolean isTag(String text) {
        return byTag.containsKey(key(text));
    }

    @Override
    public Optional<UUID> check(String tag, String point, UnitOfMeasure unit) {
        List<CheckView> fitting = byTag.getOrDefault(key(tag), List.of()).stream()
                .filter(check -> check.leadingResult()
                        .filter(result -> result.unit().isComparableTo(unit))
                        .isPresent())
                .filter(check -> point.isBlank() || key(check.point().name()).equals(key(point)))
                .toList();
        return fitting.size() == 1 ? Optional.of(fitting.get(0).id()) : Optional.empty();
    }
}
