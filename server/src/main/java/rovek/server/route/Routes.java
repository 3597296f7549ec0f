package rovek.server.route;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.plant.Node;
import rovek.core.route.InstrumentProfile;
import rovek.core.route.PlannedStop;
import rovek.core.route.RouteChanges;
import rovek.core.route.RouteFit;
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
    private static final int LONGEST_INSTRUCTION = 500;
    private static final int MOST_DAYS = 3_660;

    private final RouteRepository routes;
    private final RouteLoads loads;
    private final Plant plant;
    private final AuditTrail audit;
    private final Clock clock;

    Routes(RouteRepository routes, RouteLoads loads, Plant plant, AuditTrail audit, Clock clock) {
        this.routes = routes;
        this.loads = loads;
        this.plant = plant;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * A route.
     *
     * @param gone how many of its checks were removed from the plant since
     * @param memoryBytes what one walk fills
     * @param minutes how long one walk takes, by usual times
     * @param revision rises with every change of the stops
     * @param everyDays null where it has no interval
     * @param firstDue when it is due as long as it was never walked; null without interval
     * @param assignedTo sign-in name; null where it is nobody's
     * @param loaded the instruments that hold it
     */
    public record RouteView(
            UUID id, String name, List<StopView> stops, int gone, long memoryBytes, double minutes, int revision, @Nullable Integer everyDays,
            @Nullable LocalDate firstDue, @Nullable String assignedTo, List<LoadedOn> loaded, int version) {}

    /**
     * A stop.
     *
     * @param path ids from the client down to the point
     * @param instruction what the technician is told there; may be blank
     */
    public record StopView(
            UUID checkId, List<UUID> path, String assetTag, String assetName, String point, String check, long memoryBytes, String instruction) {}

    /**
     * An instrument that holds the route.
     *
     * @param changes what changed of the route since; blank where nothing did
     */
    public record LoadedOn(UUID instrumentId, int revision, String at, String by, String changes) {}

    /**
     * A route as somebody wants it.
     *
     * @param checkIds in walking order
     * @param instructions check to what the technician is told there; null leaves them as they are
     * @param everyDays days from one walk to the next; null for no interval
     * @param firstDue null for today, where there is an interval
     * @param assignedTo sign-in name; null for nobody
     * @param version the one it was edited from; ignored for a new route
     */
    public record RouteDraft(
            String name, List<UUID> checkIds, @Nullable Map<UUID, String> instructions, @Nullable Integer everyDays, @Nullable LocalDate firstDue,
            @Nullable String assignedTo, int version) {

        public RouteDraft(String name, List<UUID> checkIds, int version) {
            this(name, checkIds, null, null, null, null, version);
        }
    }

    @Transactional(readOnly = true)
    public List<RouteView> list() {
        PlantTree tree = plant.tree();
        List<RouteLoads.Load> held = loads.onInstruments();
        return routes.findAllByOrderByName().stream().map(route -> view(route, tree, held)).toList();
    }

    @Transactional(readOnly = true)
    public RouteView get(UUID id) {
        return view(entity(id), plant.tree(), loads.onInstruments());
    }

    /** Makes a route with an id of the caller's choice, or changes it; a repeated request does nothing more. */
    @Transactional
    public RouteView put(UUID id, RouteDraft draft) {
        RouteEntity route = routes.findById(id).orElse(null);
        if (route != null && route.version != draft.version()) {
            throw new DomainProblem.Stale("The route");
        }
        RouteDraft before = route == null ? null : draft(route);
        RouteEntity saved = route == null ? new RouteEntity() : route;
        saved.id = id;
        saved.name = requireName(draft.name());
        requireInterval(draft);
        saved.everyDays = draft.everyDays();
        saved.firstDue = draft.everyDays() == null ? null : Optional.ofNullable(draft.firstDue()).orElseGet(this::today);
        saved.assignedTo = draft.assignedTo() == null || draft.assignedTo().isBlank() ? null : draft.assignedTo();
        PlantTree tree = plant.tree();
        List<UUID> checks = draft.checkIds().stream().distinct().toList();
        if (checks.stream().anyMatch(check -> tree.check(check).isEmpty())) {
            throw new DomainProblem.NotFound("One of the checks");
        }
        List<RouteEntity.Stop> stops = stops(saved, draft, checks);
        if (!stops.equals(saved.stops)) {
            saved.revision = route == null ? 1 : saved.revision + 1;
            saved.stops.clear();
            saved.stops.addAll(stops);
        }
        routes.save(saved);
        routes.flush();
        audit.note(before == null ? "add" : "change", "route", id, before, draft(saved));
        return view(saved, tree, loads.onInstruments());
    }

    private static List<RouteEntity.Stop> stops(RouteEntity saved, RouteDraft draft, List<UUID> checks) {
        Map<UUID, String> instructions = new HashMap<>();
        saved.stops.forEach(stop -> instructions.put(stop.checkId(), stop.instruction()));
        if (draft.instructions() != null) {
            instructions.clear();
            draft.instructions().forEach((check, text) -> instructions.put(check, text.strip()));
        }
        if (instructions.values().stream().anyMatch(text -> text.length() > LONGEST_INSTRUCTION)) {
            throw new DomainProblem.Invalid("instructions", "An instruction has at most " + LONGEST_INSTRUCTION + " characters.");
        }
        return checks.stream().map(check -> new RouteEntity.Stop(check, instructions.getOrDefault(check, ""))).toList();
    }

    private static void requireInterval(RouteDraft draft) {
        if (draft.everyDays() != null && (draft.everyDays() < 1 || draft.everyDays() > MOST_DAYS)) {
            throw new DomainProblem.Invalid("everyDays", "A route is walked every 1 to " + MOST_DAYS + " days, or without interval.");
        }
    }

    private static RouteDraft draft(RouteEntity route) {
        Map<UUID, String> instructions = new HashMap<>();
        route.stops.stream().filter(stop -> !stop.instruction().isBlank()).forEach(stop -> instructions.put(stop.checkId(), stop.instruction()));
        return new RouteDraft(
                route.name, route.stops.stream().map(RouteEntity.Stop::checkId).toList(), instructions, route.everyDays, route.firstDue,
                route.assignedTo, route.version == null ? 0 : route.version);
    }

    private LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
    }

    private static String requireName(String name) {
        String text = name == null ? "" : name.strip();
        if (text.isEmpty() || text.length() > LONGEST_NAME) {
            throw new DomainProblem.Invalid("name", "A route has a name of up to " + LONGEST_NAME + " characters.");
        }
        return text;
    }

    /**
     * Whether an instrument can take a route.
     *
     * @param firstChecks what it takes in a first load; all where it fits whole
     */
    public record FitView(RouteFit.Outcome outcome, List<String> reasons, List<UUID> firstChecks) {}

    @Transactional(readOnly = true)
    public FitView fit(UUID id, InstrumentProfile instrument) {
        List<CheckView> checks = checks(entity(id), plant.tree());
        RouteFit fit = RouteFit.of(planned(checks), instrument);
        return new FitView(fit.outcome(), fit.reasons(), fit.first().stream().map(i -> checks.get(i).id()).toList());
    }

    /** Both halves of a route that was split. */
    public record Halves(RouteView first, RouteView second) {}

    /**
     * Splits a route: it keeps the given checks, and a new one with the same terms gets the rest.
     *
     * @param newId of the second route, chosen by the caller, so that a repeated request splits nothing twice
     */
    @Transactional
    public Halves split(UUID id, List<UUID> firstChecks, UUID newId, int version) {
        if (routes.findById(newId).isPresent()) {
            return new Halves(get(id), get(newId));
        }
        RouteDraft whole = draft(entity(id));
        List<UUID> first = whole.checkIds().stream().filter(firstChecks::contains).toList();
        List<UUID> second = whole.checkIds().stream().filter(check -> !firstChecks.contains(check)).toList();
        if (first.isEmpty() || second.isEmpty()) {
            throw new DomainProblem.Invalid("firstChecks", "Both halves of a route need a stop.");
        }
        RouteView kept = put(id, half(whole, whole.name() + ", part 1", first, version));
        RouteView rest = put(newId, half(whole, whole.name() + ", part 2", second, 0));
        return new Halves(kept, rest);
    }

    private static RouteDraft half(RouteDraft whole, String name, List<UUID> checks, int version) {
        Map<UUID, String> instructions = new HashMap<>(whole.instructions());
        instructions.keySet().retainAll(checks);
        return new RouteDraft(name, checks, instructions, whole.everyDays(), whole.firstDue(), whole.assignedTo(), version);
    }

    /** The route as it is loaded, with all settings as they are now. */
    @Transactional(readOnly = true)
    public RoutePackage pack(UUID id) {
        RouteEntity route = entity(id);
        PlantTree tree = plant.tree();
        List<RouteStop> stops = new ArrayList<>();
        for (RouteEntity.Stop stop : route.stops) {
            tree.check(stop.checkId()).ifPresent(check -> stops.add(new RouteStop(
                    check.id(), check.asset().tag(), check.asset().name(), check.point().name(),
                    check.node().name(), check.technique().id(), check.settings().values(), stop.instruction())));
        }
        if (stops.isEmpty()) {
            throw new DomainProblem.Conflict("empty-route", "The route has no stops. Choose checks first.");
        }
        return new RoutePackage(id, route.revision, route.name, clock.instant(), stops);
    }

    /** Remembers that an instrument holds a route as it was packed. Within the transaction of whoever loaded it. */
    @Transactional
    public void noteLoaded(RoutePackage route, UUID instrumentId) {
        Map<UUID, String> stops = new LinkedHashMap<>();
        route.stops().forEach(stop -> stops.put(stop.id(), said(stop)));
        loads.add(new RouteLoads.Load(route.id(), route.revision(), instrumentId, clock.instant(), AuditTrail.actor(), stops));
    }

    private static String said(RouteStop stop) {
        return String.join("|", stop.assetTag(), stop.assetName(), stop.point(), stop.check(), stop.technique(),
                new TreeMap<>(stop.settings()).toString(), stop.instruction());
    }

    private RouteEntity entity(UUID id) {
        return routes.findById(id).orElseThrow(() -> new DomainProblem.NotFound("The route"));
    }

    private static List<CheckView> checks(RouteEntity route, PlantTree tree) {
        return tree.checks(route.stops.stream().map(RouteEntity.Stop::checkId).toList());
    }

    private static List<PlannedStop> planned(List<CheckView> checks) {
        return checks.stream()
                .map(check -> new PlannedStop(
                        check.place(), check.asset().id().toString(), check.technique().id(), sensor(check), check.technique().demand(check.settings())))
                .toList();
    }

    private static String sensor(CheckView check) {
        return check.technique().sensorUse().map(use -> check.settings().text(use.nameKey())).orElse("");
    }

    private RouteView view(RouteEntity route, PlantTree tree, List<RouteLoads.Load> held) {
        Map<UUID, String> instructions = new HashMap<>();
        route.stops.forEach(stop -> instructions.put(stop.checkId(), stop.instruction()));
        List<CheckView> checks = checks(route, tree);
        List<StopView> stops = new ArrayList<>();
        for (CheckView check : checks) {
            List<UUID> path = tree.nodes().path(check.point().id()).stream().map(Node::id).toList();
            stops.add(new StopView(
                    check.id(), path, check.asset().tag(), check.asset().name(), check.point().name(), check.node().name(),
                    check.technique().demand(check.settings()).memoryBytes(), instructions.getOrDefault(check.id(), "")));
        }
        RouteNeeds needs = RouteNeeds.of(planned(checks));
        List<LoadedOn> loaded = held.stream().filter(load -> load.route().equals(route.id)).map(load -> loaded(load, checks, instructions)).toList();
        return new RouteView(
                route.id, route.name, stops, route.stops.size() - checks.size(), needs.memoryBytes(), needs.seconds() / 60, route.revision,
                route.everyDays, route.firstDue, route.assignedTo, loaded, route.version == null ? 0 : route.version);
    }

    private static LoadedOn loaded(RouteLoads.Load load, List<CheckView> checks, Map<UUID, String> instructions) {
        Map<UUID, String> now = new LinkedHashMap<>();
        for (CheckView check : checks) {
            now.put(check.id(), said(new RouteStop(
                    check.id(), check.asset().tag(), check.asset().name(), check.point().name(), check.node().name(), check.technique().id(),
                    check.settings().values(), instructions.getOrDefault(check.id(), ""))));
        }
        return new LoadedOn(
                load.instrument(), load.revision(), load.at().toString(), load.actor(), RouteChanges.between(load.stops(), now).sentence());
    }
}
