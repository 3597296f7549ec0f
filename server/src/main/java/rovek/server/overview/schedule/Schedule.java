package rovek.server.overview.schedule;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.route.DueDates;
import rovek.server.base.time.HomeZone;
import rovek.server.people.account.Account;
import rovek.server.people.account.Accounts;
import rovek.server.people.account.Role;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;
import rovek.server.rounds.route.RouteView;
import rovek.server.rounds.route.Routes;
import rovek.server.rounds.visit.VisitHistory;
import rovek.server.rounds.visit.VisitHistory.Walked;

/** When which route is due, for whom, and how long it takes. */
@Service
public class Schedule {

    /** The calendar's stretch: six weeks. */
    private static final int DAYS_SHOWN = 42;

    private final Plant plant;
    private final Routes routes;
    private final VisitHistory visits;
    private final Accounts accounts;
    private final Clock clock;
    private final ZoneId zone;

    Schedule(Plant plant, Routes routes, VisitHistory visits, Accounts accounts, Clock clock, HomeZone zone) {
        this.plant = plant;
        this.routes = routes;
        this.visits = visits;
        this.accounts = accounts;
        this.clock = clock;
        this.zone = zone.id();
    }

    /**
     * A route in the calendar.
     *
     * @param dueOn null where it has no interval
     * @param isDue today or earlier
     * @param daysLate 0 where it is not late
     * @param lastWalked null where it never was
     * @param assignedTo name of the person; blank where it is nobody's
     * @param isMine whether it is that of whoever asks
     * @param minutes how long one walk takes
     * @param isMeasured whether the minutes come from past walks rather than from usual times
     * @param dates the days of the next weeks it falls on, if each walk is done on its day
     */
    public record ScheduledRoute(
            UUID routeId,
            String name,
            int stops,
            @Nullable LocalDate dueOn,
            boolean isDue,
            long daysLate,
            @Nullable LocalDate lastWalked,
            String assignedTo,
            boolean isMine,
            double minutes,
            boolean isMeasured,
            List<LocalDate> dates) {}

    /** Somebody a route can be given to. */
    public record Person(String name, String displayName) {}

    /** The calendar: from {@code today} on. */
    public record Calendar(LocalDate today, int days, List<ScheduledRoute> routes) {}

    @Transactional(readOnly = true)
    public Calendar calendar(String asker) {
        return calendar(asker, plant.tree(), accounts.displayNames());
    }

    /**
     * The calendar of a plant that was read already, likewise the people in it.
     *
     * @param names sign-in name to the one that is shown
     */
    @Transactional(readOnly = true)
    public Calendar calendar(String asker, PlantTree tree, UnaryOperator<String> names) {
        LocalDate today = LocalDate.ofInstant(clock.instant(), zone);
        Map<UUID, Walked> walked = visits.walkedRoutes(zone);
        List<ScheduledRoute> scheduled = routes.in(tree).stream()
                .map(route -> scheduled(route, Optional.ofNullable(walked.get(route.id())), today, asker, names))
                .sorted(Comparator.comparing(
                                (ScheduledRoute route) -> route.dueOn() == null ? LocalDate.MAX : route.dueOn())
                        .thenComparing(ScheduledRoute::name))
                .toList();
        return new Calendar(today, DAYS_SHOWN, scheduled);
    }

    private static ScheduledRoute scheduled(
            RouteView route, Optional<Walked> walked, LocalDate today, String asker, UnaryOperator<String> names) {
        Optional<DueDates> due = Optional.ofNullable(route.everyDays())
                .map(days -> new DueDates(
                        days, route.firstDue() == null ? today : route.firstDue(), walked.map(Walked::lastDay)));
        Optional<Double> secondsAStop = walked.flatMap(Walked::secondsAStop);
        String person = route.assignedTo();
        return new ScheduledRoute(
                route.id(),
                route.name(),
                route.stops().size(),
                due.map(DueDates::next).orElse(null),
                due.filter(dates -> !dates.next().isAfter(today)).isPresent(),
                due.map(dates -> dates.daysLate(today)).orElse(0L),
                walked.map(Walked::lastDay).orElse(null),
                person == null ? "" : names.apply(person),
                asker.equals(person),
                secondsAStop.map(seconds -> seconds * route.stops().size() / 60).orElse(route.minutes()),
                secondsAStop.isPresent(),
                due.map(dates -> dates.within(today, DAYS_SHOWN)).orElse(List.of()));
    }

    /** Every check on a route that is to be walked today, or is late. */
    @Transactional(readOnly = true)
    public Set<UUID> dueChecks() {
        Set<UUID> due = new HashSet<>();
        PlantTree tree = plant.tree();
        Set<UUID> dueRoutes = new HashSet<>(calendar("", tree, UnaryOperator.identity()).routes().stream()
                .filter(ScheduledRoute::isDue)
                .map(ScheduledRoute::routeId)
                .toList());
        routes.in(tree).stream()
                .filter(route -> dueRoutes.contains(route.id()))
                .forEach(route -> route.stops().forEach(stop -> due.add(stop.checkId())));
        return due;
    }

    public List<Person> people() {
        return accounts.list().stream()
                .filter(account -> account.active() && account.role() != Role.VIEWER)
                .map((Account account) -> new Person(account.name(), account.displayName()))
                .toList();
    }
}
