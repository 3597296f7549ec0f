package rovek.server.intake.entry;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.technique.ByHand;
import rovek.core.unit.Amount;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.verdict.Boundaries;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;
import rovek.server.rounds.route.RouteView;
import rovek.server.rounds.route.Routes;

/** What there is to be written down by hand: on a route, or at one check. */
@Service
public class HandRounds {

    private final Routes routes;
    private final Plant plant;
    private final Readings readings;
    private final Clock clock;

    HandRounds(Routes routes, Plant plant, Readings readings, Clock clock) {
        this.routes = routes;
        this.plant = plant;
        this.readings = readings;
        this.clock = clock;
    }

    /**
     * The stops of a round.
     *
     * @param routeId null for a check without a route
     */
    public record HandRound(@Nullable UUID routeId, String title, List<HandStop> stops) {}

    /**
     * One thing to write down.
     *
     * @param asked the question, or what the check is called
     * @param unit symbol; blank where no number is asked for
     * @param watch null where none is set; likewise {@code fail}
     * @param last what it was last; null where it was never written
     */
    public record HandStop(
            UUID checkId,
            String assetTag,
            String assetName,
            String point,
            String asked,
            ByHand.Form form,
            String unit,
            String instruction,
            @Nullable Double watch,
            @Nullable Double fail,
            boolean isLower,
            @Nullable Double last,
            @Nullable String lastAt) {}

    /** @throws DomainProblem.Conflict where nothing of the route is written by hand */
    @Transactional(readOnly = true)
    public HandRound ofRoute(UUID routeId) {
        RouteView route = routes.get(routeId);
        List<RouteView.StopView> byHand =
                route.stops().stream().filter(RouteView.StopView::isByHand).toList();
        if (byHand.isEmpty()) {
            throw new DomainProblem.Conflict(
                    "nothing-by-hand", Sentence.of("intake.nothingByHand", "route", route.name()));
        }
        PlantTree tree = plant.tree();
        Map<UUID, List<ReadingView>> newest =
                newest(byHand.stream().map(RouteView.StopView::checkId).toList());
        return new HandRound(
                routeId,
                route.name(),
                byHand.stream()
                        .map(stop -> stop(tree.check(stop.checkId()).orElseThrow(), stop.instruction(), newest))
                        .toList());
    }

    /** @throws DomainProblem.Conflict where the check takes an instrument */
    @Transactional(readOnly = true)
    public HandRound ofCheck(UUID checkId) {
        CheckView check = plant.check(checkId);
        if (check.technique().byHand().isEmpty()) {
            throw new DomainProblem.Conflict("not-by-hand", Sentence.of("intake.notByHand", "place", check.place()));
        }
        return new HandRound(null, check.place(), List.of(stop(check, "", newest(List.of(checkId)))));
    }

    private Map<UUID, List<ReadingView>> newest(List<UUID> checks) {
        return readings.newest(checks, 1);
    }

    private HandStop stop(CheckView check, String instruction, Map<UUID, List<ReadingView>> newest) {
        ByHand.Form form = check.technique().byHand().orElseThrow().form();
        Boundaries boundaries = Boundaries.standing(check.leadingLimit(clock.instant()), check.leadingResult());
        ReadingView last =
                newest.getOrDefault(check.id(), List.of()).stream().findFirst().orElse(null);
        return new HandStop(
                check.id(),
                check.asset().tag(),
                check.asset().name(),
                check.point().name(),
                check.node().name(),
                form,
                check.leadingResult().map(result -> result.unit().symbol()).orElse(""),
                instruction,
                boundaries.watch(),
                boundaries.fail(),
                boundaries.isLower(),
                last == null
                        ? null
                        : last.value(check.leadingResult()).map(Amount::value).orElse(null),
                last == null ? null : last.takenAt().toString());
    }
}
