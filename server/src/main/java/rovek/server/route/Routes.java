package rovek.server.route;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.plant.Node;
import rovek.core.route.InstrumentProfile;
import rovek.core.route.PlannedStop;
import rovek.core.route.RouteNeeds;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.RoutePackage.RouteStop;
import rovek.server.audit.AuditTrail;
import rovek.server.plant.CheckView;
import rovek.server.plant.Plant;
import rovek.server.plant.PlantTree;
import rovek.server.problem.DomainProblem;

/** Checks in walking order. */
@Service
public class Routes {

    private static final int LONGEST_NAME = 200;

    private final RouteRepository routes;
    private final Plant plant;
    private final AuditTrail audit;
    private final Clock clock;

    Routes(RouteRepository routes, Plant plant, AuditTrail audit, Clock clock) {
        this.routes = routes;
        this.plant = plant;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * A route.
     *
     * @param gone how many of its checks were removed from the plant since
     * @param memoryBytes what one walk fills
     * @param minutes how long one walk takes
     */
    public record RouteView(
            UUID id, String name, List<StopView> stops, int gone, long memoryBytes, double minutes, int version) {}

    /**
     * A stop.
     *
     * @param path ids from the client down to the point
     */
    public record StopView(UUID checkId, List<UUID> path, String assetTag, String assetName, String point, String check, long memoryBytes) {}

    /**
     * A route as somebody wants it.
     *
     * @param checkIds in walking order
     * @param version the one it was edited from; ignored for a new route
     */
    public record RouteDraft(String name, List<UUID> checkIds, int version) {}

    @Transactional(readOnly = true)
    public List<RouteView> list() {
        PlantTree tree = plant.tree();
        return routes.findAllByOrderByName().stream().map(route -> view(route, tree)).toList();
    }

    @Transactional(readOnly = true)
    public RouteView get(UUID id) {
        return view(entity(id), plant.tree());
    }

    /** Makes a route with an id of the caller's choice, or changes it; a repeated request does nothing more. */
    @Transactional
    public RouteView put(UUID id, RouteDraft draft) {
        RouteEntity route = routes.findById(id).orElse(null);
        if (route != null && route.version != draft.version()) {
            throw new DomainProblem.Stale("The route");
        }
        RouteDraft before = route == null ? null : new RouteDraft(route.name, List.copyOf(route.checks), route.version);
        RouteEntity saved = route == null ? new RouteEntity() : route;
        saved.id = id;
        saved.name = requireName(draft.name());
        PlantTree tree = plant.tree();
        List<UUID> checks = draft.checkIds().stream().distinct().toList();
        if (checks.stream().anyMatch(check -> tree.check(check).isEmpty())) {
            throw new DomainProblem.NotFound("One of the checks");
        }
        saved.checks.clear();
        saved.checks.addAll(checks);
        routes.save(saved);
        routes.flush();
        audit.note(before == null ? "add" : "change", "route", id, before, draft);
        return view(saved, tree);
    }

    private static String requireName(String name) {
        String text = name == null ? "" : name.strip();
        if (text.isEmpty() || text.length() > LONGEST_NAME) {
            throw new DomainProblem.Invalid("name", "A route has a name of up to " + LONGEST_NAME + " characters.");
        }
        return text;
    }

    /** Why an instrument cannot take the route; empty when it fits. */
    @Transactional(readOnly = true)
    public List<String> obstacles(UUID id, InstrumentProfile instrument) {
        return RouteNeeds.obstacles(planned(checks(entity(id), plant.tree())), instrument);
    }

    /** The route as it is loaded, with all settings as they are now. */
    @Transactional(readOnly = true)
    public RoutePackage pack(UUID id) {
        RouteEntity route = entity(id);
        List<RouteStop> stops = checks(route, plant.tree()).stream()
                .map(check -> new RouteStop(
                        check.id(), check.asset().tag(), check.asset().name(), check.point().name(),
                        check.node().name(), check.technique().id(), check.settings().values()))
                .toList();
        if (stops.isEmpty()) {
            throw new DomainProblem.Conflict("empty-route", "The route has no stops. Choose checks first.");
        }
        return new RoutePackage(id, route.name, clock.instant(), stops);
    }

    private RouteEntity entity(UUID id) {
        return routes.findById(id).orElseThrow(() -> new DomainProblem.NotFound("The route"));
    }

    private static List<CheckView> checks(RouteEntity route, PlantTree tree) {
        return route.checks.stream().flatMap(id -> tree.check(id).stream()).toList();
    }

    private static List<PlannedStop> planned(List<CheckView> checks) {
        return checks.stream()
                .map(check -> new PlannedStop(
                        check.place(), check.technique().id(), check.technique().demand(check.settings())))
                .toList();
    }

    private static RouteView view(RouteEntity route, PlantTree tree) {
        List<CheckView> checks = checks(route, tree);
        List<StopView> stops = new ArrayList<>();
        for (CheckView check : checks) {
            List<UUID> path = tree.nodes().path(check.point().id()).stream().map(Node::id).toList();
            stops.add(new StopView(
                    check.id(), path, check.asset().tag(), check.asset().name(), check.point().name(), check.node().name(),
                    check.technique().demand(check.settings()).memoryBytes()));
        }
        RouteNeeds needs = RouteNeeds.of(planned(checks));
        return new RouteView(
                route.id, route.name, stops, route.checks.size() - checks.size(), needs.memoryBytes(),
                needs.seconds() / 60, route.version == null ? 0 : route.version);
    }
}
