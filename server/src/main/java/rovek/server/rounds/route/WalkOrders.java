package rovek.server.rounds.route;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.route.ShortestWalk;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;

/** Puts stops in the order of the shortest walk. */
@Service
class WalkOrders {

    private final Plant plant;

    WalkOrders(Plant plant) {
        this.plant = plant;
    }

    /**
     * What is to be put in order.
     *
     * @param areas in the order they are to be walked; empty for the order in which the stops come to them now
     */
    record WalkWanted(List<UUID> checkIds, List<UUID> areas) {}

    /** An area the walk comes through. */
    record AreaOfWalk(UUID id, String name, int stops) {}

    /**
     * A walk in its shortest order.
     *
     * @param areas that it comes through, in their order
     * @param assetVisitsBefore how many times one came to an asset, likewise {@code assetVisits} in the new order
     */
    record WalkOrder(List<UUID> checkIds, List<AreaOfWalk> areas, int assetVisitsBefore, int assetVisits) {}

    WalkOrder shortest(WalkWanted wanted) {
        PlantTree tree = plant.tree();
        List<CheckView> checks = tree.checks(wanted.checkIds());
        Map<UUID, Node> areaOf = new HashMap<>();
        checks.forEach(check -> areaOf.put(check.id(), area(check.id(), tree)));
        Map<UUID, Integer> places = places(checks, tree);
        List<ShortestWalk.Stop> stops = checks.stream()
                .map(check -> new ShortestWalk.Stop(
                        check.id(),
                        tree.nodes().path(check.id()).stream().map(Node::id).toList(),
                        places.get(check.id())))
                .toList();
        Map<UUID, AreaOfWalk> areas = new LinkedHashMap<>();
        wanted.areas().forEach(area -> areas.put(area, null));
        checks.forEach(check -> areas.merge(
                areaOf.get(check.id()).id(),
                new AreaOfWalk(
                        areaOf.get(check.id()).id(), areaOf.get(check.id()).label(), 1),
                (known, one) -> new AreaOfWalk(known.id(), known.name(), known.stops() + 1)));
        areas.values().removeIf(area -> area == null);
        List<UUID> ordered = ShortestWalk.order(stops, List.copyOf(areas.keySet())).stream()
                .map(ShortestWalk.Stop::check)
                .toList();
        return new WalkOrder(
                ordered, List.copyOf(areas.values()), assetVisits(checks), assetVisits(tree.checks(ordered)));
    }

    /** The area something stands in; where there is none, the outermost node it stands in. */
    private static Node area(UUID id, PlantTree tree) {
        List<Node> path = tree.nodes().path(id);
        return path.stream()
                .filter(node -> node.level() == Level.AREA)
                .reduce((outer, inner) -> inner)
                .orElse(path.get(0));
    }

    /** The checks' order among each other in the plant, without going through all of it. */
    private static Map<UUID, Integer> places(List<CheckView> checks, PlantTree tree) {
        List<UUID> inOrder = checks.stream()
                .map(CheckView::id)
                .sorted((one, other) -> {
                    List<Node> a = tree.nodes().path(one);
                    List<Node> b = tree.nodes().path(other);
                    for (int i = 0; i < Math.min(a.size(), b.size()); i++) {
                        if (!a.get(i).id().equals(b.get(i).id())) {
                            return Long.compare(a.get(i).place(), b.get(i).place()) == 0
                                    ? a.get(i).id().compareTo(b.get(i).id())
                                    : Long.compare(a.get(i).place(), b.get(i).place());
                        }
                    }
                    return Integer.compare(a.size(), b.size());
                })
                .toList();
        Map<UUID, Integer> places = new HashMap<>();
        IntStream.range(0, inOrder.size()).forEach(i -> places.put(inOrder.get(i), i));
        return places;
    }

    private static int assetVisits(List<CheckView> checks) {
        int visits = 0;
        for (int i = 0; i < checks.size(); i++) {
            visits += i == 0
                            || !checks.get(i)
                                    .asset()
                                    .id()
                                    .equals(checks.get(i - 1).asset().id())
                    ? 1
                    : 0;
        }
        return visits;
    }
}
