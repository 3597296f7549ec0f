package rovek.server.intake.transfer;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import rovek.core.reading.ClockCorrection;
import rovek.core.route.InstrumentProfile;
import rovek.core.route.LoadGate;
import rovek.core.wording.Sentence;
import rovek.link.Instrument;
import rovek.link.LinkException;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.instruments.setup.Setups;
import rovek.server.people.policy.Policies;
import rovek.server.rounds.route.RouteView;
import rovek.server.rounds.route.Routes;

/** What is looked at on a connected instrument before anything is loaded onto it. */
@Component
class LoadGates {

    private final Instruments instruments;
    private final Routes routes;
    private final Setups setups;
    private final Policies rules;
    private final Clock clock;

    LoadGates(Instruments instruments, Routes routes, Setups setups, Policies rules, Clock clock) {
        this.instruments = instruments;
        this.routes = routes;
        this.setups = setups;
        this.rules = rules;
        this.clock = clock;
    }

    /** @param holdsUnread whether it holds readings that are not stored yet */
    LoadGate ofRoute(UUID instrumentId, UUID routeId, Instrument link, InstrumentProfile profile, boolean holdsUnread)
            throws LinkException {
        RouteView route = routes.get(routeId);
        Routes.FitView fit = routes.fit(routeId, profile);
        Set<UUID> loaded = new HashSet<>(fit.firstChecks());
        List<RouteView.StopView> byHand = fit.reasons().isEmpty()
                ? route.stops().stream()
                        .filter(stop -> !loaded.contains(stop.checkId()))
                        .toList()
                : List.of();
        List<String> places = byHand.stream()
                .map(stop -> (stop.assetTag() + " " + stop.point()).strip())
                .toList();
        return gate(
                instrumentId,
                link,
                profile,
                holdsUnread,
                new Wanted(fit.reasons(), route.minutes(), route.stops().size(), places, route.memoryBytes()));
    }

    LoadGate ofSetup(UUID instrumentId, UUID setupId, Instrument link, InstrumentProfile profile, boolean holdsUnread)
            throws LinkException {
        return gate(
                instrumentId,
                link,
                profile,
                holdsUnread,
                new Wanted(setups.obstacles(setupId, profile), 0, 0, List.of(), 0));
    }

    private record Wanted(
            List<Sentence> obstacles, double minutes, int stops, List<String> byHand, long memoryNeeded) {}

    private LoadGate gate(
            UUID instrumentId, Instrument link, InstrumentProfile profile, boolean holdsUnread, Wanted wanted)
            throws LinkException {
        Optional<ClockCorrection> difference =
                link.clock().map(shown -> ClockCorrection.between(shown, clock.instant()));
        // What is measured after this look tells by it whether somebody has set the clock meanwhile.
        difference.ifPresent(seen -> instruments.noteClock(instrumentId, seen));
        return LoadGate.of(new LoadGate.Found(
                wanted.obstacles(),
                difference.map(ClockCorrection::instrumentAhead),
                holdsUnread,
                link.batteryPercent(),
                Optional.ofNullable(instruments.get(instrumentId).calibratedUntil()),
                rules.now().refuseOverdue(),
                LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC),
                wanted.minutes(),
                wanted.stops(),
                wanted.byHand(),
                wanted.memoryNeeded(),
                profile.freeBytes()));
    }
}
