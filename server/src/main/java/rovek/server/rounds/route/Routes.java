package rovek.server.rounds.route;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.route.InstrumentProfile;
import rovek.core.route.RouteFit;
import rovek.core.route.RouteShare;
import rovek.core.wording.Sentence;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.RoutePackage.RouteStop;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Wording;
import rovek.server.plant.picture.Pictures;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;

/** Checks in walking order. */
@Service
public class Routes {

    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_INSTRUCTION = 500;
    private static final int MOST_DAYS = 3_660;

    private final RouteRepository routes;
    private final RouteLoads loads;
    private final RouteStops stops;
    private final SkipReasons skipReasons;
    private final Pictures pictures;
    private final Plant plant;
    private final AuditTrail audit;
    private final Clock clock;

    Routes(
            RouteRepository routes,
            RouteLoads loads,
            RouteStops stops,
            SkipReasons skipReasons,
            Pictures pictures,
            Plant plant,
            AuditTrail audit,
            Clock clock) {
        this.routes = routes;
        this.loads = loads;
        this.stops = stops;
        this.skipReasons = skipReasons;
        this.pictures = pictures;
        this.plant = plant;
        this.audit = audit;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<RouteView> list() {
        return list(plant.tree(), loads.onInstruments());
    }

    /** The routes as they stand in a plant; which instruments hold them is left out. */
    @Transactional(readOnly = true)
    public List<RouteView> in(PlantTree tree) {
        return list(tree, List.of());
    }

    private List<RouteView> list(PlantTree tree, List<RouteLoads.Load> held) {
        return routes.findAllByRemovedFalseOrderByName().stream()
                .map(route -> stops.view(route, tree, held))
                .toList();
    }

    @Transactional(readOnly = true)
    public RouteView get(UUID id) {
        return stops.view(entity(id), plant.tree(), loads.onInstruments());
    }

    /** Makes a route with an id of the caller's choice, or changes it; a repeated request does nothing more. */
    @Transactional
    public RouteView put(UUID id, RouteDraft draft) {
        RouteEntity route = routes.findById(id).orElse(null);
        if (route != null && (route.version != draft.version() || route.removed)) {
            throw new DomainProblem.Stale(Sentence.of("thing.route"));
        }
        RouteDraft before = route == null ? null : draft(route);
        RouteEntity saved = route == null ? new RouteEntity() : route;
        saved.id = id;
        saved.name = requireName(draft.name());
        requireInterval(draft);
        saved.everyDays = draft.everyDays();
        saved.firstDue = draft.everyDays() == null
                ? null
                : Optional.ofNullable(draft.firstDue()).orElseGet(this::today);
        saved.assignedTo = draft.assignedTo() == null || draft.assignedTo().isBlank() ? null : draft.assignedTo();
        PlantTree tree = plant.tree();
        List<RouteEntity.Stop> wanted = stops(saved, draft, tree);
        if (!wanted.equals(saved.stops)) {
            saved.revision = route == null ? 1 : saved.revision + 1;
            saved.stops.clear();
            saved.stops.addAll(wanted);
        }
        routes.save(saved);
        routes.flush();
        audit.note(before == null ? "add" : "change", "route", id, before, draft(saved));
        return stops.view(saved, tree, loads.onInstruments());
    }

    private List<RouteEntity.Stop> stops(RouteEntity saved, RouteDraft draft, PlantTree tree) {
        List<UUID> checks = draft.checkIds().stream().distinct().toList();
        if (checks.stream().anyMatch(check -> tree.check(check).isEmpty())) {
            throw new DomainProblem.NotFound(Sentence.of("thing.oneCheck"));
        }
        Map<UUID, String> instructions = draft.instructions() == null ? instructions(saved) : draft.instructions();
        if (instructions.values().stream().anyMatch(text -> text.strip().length() > LONGEST_INSTRUCTION)) {
            throw new DomainProblem.Invalid(
                    "instructions", Sentence.of("rounds.instructionTooLong", "most", LONGEST_INSTRUCTION));
        }
        Map<UUID, UUID> shown = draft.pictures() == null ? pictures(saved) : draft.pictures();
        if (shown.values().stream().distinct().anyMatch(picture -> !pictures.isThere(picture))) {
            throw new DomainProblem.NotFound(Sentence.of("thing.onePicture"));
        }
        return checks.stream()
                .map(check -> new RouteEntity.Stop(
                        check, instructions.getOrDefault(check, "").strip(), shown.get(check)))
                .toList();
    }

    private static Map<UUID, String> instructions(RouteEntity route) {
        Map<UUID, String> instructions = new HashMap<>();
        route.stops.stream()
                .filter(stop -> !stop.instruction().isBlank())
                .forEach(stop -> instructions.put(stop.checkId(), stop.instruction()));
        return instructions;
    }

    private static Map<UUID, UUID> pictures(RouteEntity route) {
        Map<UUID, UUID> shown = new HashMap<>();
        route.stops.stream()
                .filter(stop -> stop.pictureId() != null)
                .forEach(stop -> shown.put(stop.checkId(), stop.pictureId()));
        return shown;
    }

    private static void requireInterval(RouteDraft draft) {
        if (draft.everyDays() != null && (draft.everyDays() < 1 || draft.everyDays() > MOST_DAYS)) {
            throw new DomainProblem.Invalid("everyDays", Sentence.of("rounds.routeInterval", "most", MOST_DAYS));
        }
    }

    private static RouteDraft draft(RouteEntity route) {
        return new RouteDraft(
                route.name,
                route.stops.stream().map(RouteEntity.Stop::checkId).toList(),
                instructions(route),
                pictures(route),
                route.everyDays,
                route.firstDue,
                route.assignedTo,
                route.version == null ? 0 : route.version);
    }

    private LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
    }

    private static String requireName(String name) {
        String text = name == null ? "" : name.strip();
        if (text.isEmpty() || text.length() > LONGEST_NAME) {
            throw new DomainProblem.Invalid("name", Sentence.of("rounds.routeName", "most", LONGEST_NAME));
        }
        return text;
    }

    /** A route that is off the list. */
    public record RemovedRoute(UUID id, String name) {}

    @Transactional(readOnly = true)
    public List<RemovedRoute> removed() {
        return routes.findAllByRemovedTrueOrderByName().stream()
                .map(route -> new RemovedRoute(route.id, route.name))
                .toList();
    }

    /** Takes a route off the list. What was measured along it stays, and {@link #bringBack} brings it back. */
    @Transactional
    public void remove(UUID id) {
        turn(id, true, "remove");
    }

    @Transactional
    public void bringBack(UUID id) {
        turn(id, false, "bring back");
    }

    private void turn(UUID id, boolean removed, String action) {
        RouteEntity route = entity(id);
        if (route.removed != removed) {
            route.removed = removed;
            audit.note(action, "route", id, removed ? draft(route) : null, removed ? null : draft(route));
        }
    }

    /**
     * Whether an instrument can take a route.
     *
     * @param firstChecks what it takes in a first load; all where it fits whole
     */
    public record FitView(RouteFit.Outcome outcome, List<Sentence> reasons, List<UUID> firstChecks) {}

    @Transactional(readOnly = true)
    public FitView fit(UUID id, InstrumentProfile instrument) {
        PlantTree tree = plant.tree();
        RouteEntity route = entity(id);
        RouteFit fit = RouteFit.of(stops.planned(route, tree), instrument);
        return new FitView(fit.outcome(), fit.reasons(), chosen(stops.checks(route, tree), fit.first()));
    }

    private static List<UUID> chosen(List<UUID> checks, List<Integer> indexes) {
        return indexes.stream().map(checks::get).toList();
    }

    /**
     * How two instruments would share a route.
     *
     * @param left how many stops neither can take, for the {@code reasons}
     */
    public record ShareView(List<UUID> firstChecks, List<UUID> secondChecks, int left, List<Sentence> reasons) {}

    @Transactional(readOnly = true)
    public ShareView share(UUID id, InstrumentProfile one, InstrumentProfile other) {
        PlantTree tree = plant.tree();
        RouteEntity route = entity(id);
        List<UUID> checks = stops.checks(route, tree);
        RouteShare share = RouteShare.between(stops.planned(route, tree), one, other);
        return new ShareView(
                chosen(checks, share.first()),
                chosen(checks, share.second()),
                share.left().size(),
                share.reasons());
    }

    /** Both halves of a route that was split. */
    public record Halves(RouteView first, RouteView second) {}

    /**
     * How to split a route.
     *
     * @param firstChecks what it keeps
     * @param newId of the second route, chosen by the caller, so that a repeated request splits nothing twice
     */
    public record Split(List<UUID> firstChecks, UUID newId, int version) {}

    /** Splits a route: it keeps the given checks, and a new one with the same terms gets the rest. */
    @Transactional
    public Halves split(UUID id, Split wanted) {
        if (routes.findById(wanted.newId()).isPresent()) {
            return new Halves(get(id), get(wanted.newId()));
        }
        RouteDraft whole = draft(entity(id));
        List<UUID> first =
                whole.checkIds().stream().filter(wanted.firstChecks()::contains).toList();
        List<UUID> second = whole.checkIds().stream()
                .filter(check -> !wanted.firstChecks().contains(check))
                .toList();
        if (first.isEmpty() || second.isEmpty()) {
            throw new DomainProblem.Invalid("firstChecks", Sentence.of("rounds.halvesNeedStop"));
        }
        RouteView kept = put(
                id,
                half(
                        whole,
                        Wording.said(Sentence.of("rounds.partOf", "route", whole.name(), "part", 1)),
                        first,
                        wanted.version()));
        RouteView rest = put(
                wanted.newId(),
                half(whole, Wording.said(Sentence.of("rounds.partOf", "route", whole.name(), "part", 2)), second, 0));
        return new Halves(kept, rest);
    }

    private static RouteDraft half(RouteDraft whole, String name, List<UUID> checks, int version) {
        Map<UUID, String> instructions = new HashMap<>(whole.instructions());
        instructions.keySet().retainAll(checks);
        Map<UUID, UUID> shown = new HashMap<>(whole.pictures());
        shown.keySet().retainAll(checks);
        return new RouteDraft(
                name, checks, instructions, shown, whole.everyDays(), whole.firstDue(), whole.assignedTo(), version);
    }

    /**
     * The route as it is loaded, with all settings as they are now.
     *
     * @param techniques what the instrument measures; stops written down by hand that it does not know are left out
     */
    @Transactional(readOnly = true)
    public RoutePackage pack(UUID id, Set<String> techniques) {
        RouteEntity route = entity(id);
        PlantTree tree = plant.tree();
        List<RouteStop> loaded = stops.toLoad(route, tree, techniques);
        if (loaded.isEmpty()) {
            throw new DomainProblem.Conflict("empty-route", Sentence.of("rounds.noStops"));
        }
        return new RoutePackage(
                id,
                route.revision,
                route.name,
                clock.instant(),
                loaded,
                skipReasons.list(),
                stops.pictures(route, tree, techniques));
    }

    /** Remembers that an instrument holds a route as it was packed. Within the transaction of whoever loaded it. */
    @Transactional
    public void noteLoaded(RoutePackage route, UUID instrumentId) {
        loads.add(new RouteLoads.Load(
                route.id(),
                route.revision(),
                instrumentId,
                clock.instant(),
                AuditTrail.actor(),
                RouteStops.said(route.stops())));
    }

    private RouteEntity entity(UUID id) {
        return routes.findById(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.route")));
    }
}
