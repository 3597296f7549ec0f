package rovek.server.rounds.route;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import rovek.core.plant.Node;
import rovek.core.route.PlannedStop;
import rovek.core.route.RouteChanges;
import rovek.core.route.RouteNeeds;
import rovek.core.technique.StopDemand;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.RoutePackage.RouteStop;
import rovek.server.plant.picture.Pictures;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.PlantTree;
import rovek.server.rounds.route.RouteView.LoadedOn;
import rovek.server.rounds.route.RouteView.StopView;

/** A route's stops as the plant stands now: to be looked at, to be loaded, and compared with what was loaded. */
@Component
class RouteStops {

    /** Room for one picture as it goes onto an instrument; a usual photograph of that size takes less. */
    private static final long PICTURE_BYTES = 100_000;

    private final Pictures pictures;

    RouteStops(Pictures pictures) {
        this.pictures = pictures;
    }

    /** A stop that is still in the plant. */
    private record Standing(RouteEntity.Stop stop, CheckView check) {}

    private static List<Standing> standing(RouteEntity route, PlantTree tree) {
        List<Standing> found = new ArrayList<>();
        route.stops.forEach(
                stop -> tree.check(stop.checkId()).ifPresent(check -> found.add(new Standing(stop, check))));
        return found;
    }

    List<UUID> checks(RouteEntity route, PlantTree tree) {
        return standing(route, tree).stream().map(one -> one.check().id()).toList();
    }

    List<PlannedStop> planned(RouteEntity route, PlantTree tree) {
        return planned(standing(route, tree));
    }

    private static List<PlannedStop> planned(List<Standing> stops) {
        return stops.stream()
                .map(one -> new PlannedStop(
                        one.check().place(),
                        one.check().asset().id().toString(),
                        one.check().technique().id(),
                        one.check().technique().byHand().isPresent(),
                        sensor(one.check()),
                        demand(one)))
                .toList();
    }

    private static StopDemand demand(Standing one) {
        StopDemand measuring = one.check().technique().demand(one.check().settings());
        long picture = one.stop().pictureId() == null ? 0 : PICTURE_BYTES;
        return new StopDemand(measuring.memoryBytes() + picture, measuring.seconds(), measuring.options());
    }

    private static String sensor(CheckView check) {
        return check.technique()
                .sensorUse()
                .map(use -> check.settings().text(use.nameKey()))
                .orElse("");
    }

    /** @param byHandToo techniques the instrument knows, of those that a person can write down without any */
    List<RouteStop> toLoad(RouteEntity route, PlantTree tree, Set<String> byHandToo) {
        return standing(route, tree).stream()
                .filter(one -> isLoaded(one.check(), byHandToo))
                .map(RouteStops::toLoad)
                .toList();
    }

    private static boolean isLoaded(CheckView check, Set<String> byHandToo) {
        return !check.technique().byHand().isPresent()
                || byHandToo.contains(check.technique().id());
    }

    private static RouteStop toLoad(Standing one) {
        CheckView check = one.check();
        return new RouteStop(
                check.id(),
                check.asset().tag(),
                check.asset().name(),
                check.point().name(),
                check.node().name(),
                check.technique().id(),
                check.settings().values(),
                one.stop().instruction(),
                pictureName(one));
    }

    /** The same picture is another one at another point: its ring is elsewhere. */
    private static String pictureName(Standing one) {
        return Optional.ofNullable(one.stop().pictureId())
                .map(picture -> RoutePackage.PICTURES + picture + "-"
                        + one.check().point().id() + ".jpg")
                .orElse("");
    }

    /** The pictures of all stops, as they go onto an instrument. */
    Map<String, byte[]> pictures(RouteEntity route, PlantTree tree, Set<String> byHandToo) {
        Map<String, byte[]> found = new TreeMap<>();
        for (Standing one : standing(route, tree)) {
            if (one.stop().pictureId() != null && isLoaded(one.check(), byHandToo)) {
                found.computeIfAbsent(
                        pictureName(one),
                        name -> pictures.forTheField(
                                one.stop().pictureId(), one.check().point().id()));
            }
        }
        return found;
    }

    /** Check to all that is said of its stop, in walking order. */
    static Map<UUID, String> said(List<RouteStop> stops) {
        Map<UUID, String> said = new LinkedHashMap<>();
        stops.forEach(stop -> said.put(
                stop.id(),
                String.join(
                                "|",
                                stop.assetTag(),
                                stop.assetName(),
                                stop.point(),
                                stop.check(),
                                stop.technique(),
                                new TreeMap<>(stop.settings()).toString(),
                                stop.instruction())
                        + (stop.picture().isEmpty() ? "" : "|" + stop.picture())));
        return said;
    }

    RouteView view(RouteEntity route, PlantTree tree, List<RouteLoads.Load> held) {
        List<Standing> standing = standing(route, tree);
        RouteNeeds needs = RouteNeeds.of(planned(standing));
        Map<UUID, String> now = said(standing.stream().map(RouteStops::toLoad).toList());
        Set<UUID> byHand = standing.stream()
                .map(Standing::check)
                .filter(check -> check.technique().byHand().isPresent())
                .map(CheckView::id)
                .collect(Collectors.toSet());
        List<LoadedOn> loaded = held.stream()
                .filter(load -> load.route().equals(route.id))
                .map(load -> new LoadedOn(
                        load.instrument(),
                        load.revision(),
                        load.at().toString(),
                        load.actor(),
                        RouteChanges.between(load.stops(), loadable(now, load, byHand))
                                .sentence()))
                .toList();
        return new RouteView(
                route.id,
                route.name,
                standing.stream().map(one -> view(one, tree)).toList(),
                route.stops.size() - standing.size(),
                needs.memoryBytes(),
                needs.seconds() / 60,
                route.revision,
                route.everyDays,
                route.firstDue,
                route.assignedTo,
                loaded,
                route.version == null ? 0 : route.version);
    }

    /** What is written down by hand was left out on purpose of a load that does not have it. */
    private static Map<UUID, String> loadable(Map<UUID, String> now, RouteLoads.Load load, Set<UUID> byHand) {
        Map<UUID, String> loadable = new LinkedHashMap<>(now);
        loadable.keySet()
                .removeIf(check -> byHand.contains(check) && !load.stops().containsKey(check));
        return loadable;
    }

    private static StopView view(Standing one, PlantTree tree) {
        CheckView check = one.check();
        List<UUID> path =
                tree.nodes().path(check.point().id()).stream().map(Node::id).toList();
        return new StopView(
                check.id(),
                path,
                check.asset().tag(),
                check.asset().name(),
                check.point().name(),
                check.node().name(),
                demand(one).memoryBytes(),
                one.stop().instruction(),
                one.stop().pictureId(),
                check.technique().byHand().isPresent());
    }
}
