package rovek.server.overview.today;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import rovek.core.limit.Verdict;
import rovek.core.plant.Node;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.follow.standing.Standing;
import rovek.server.follow.standing.Standings;
import rovek.server.follow.standing.Standings.Moment.AssetStanding;
import rovek.server.instruments.instrument.InstrumentView;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.instruments.sensor.Sensors;
import rovek.server.overview.schedule.Schedule;
import rovek.server.people.account.Accounts;
import rovek.server.reports.certificate.CertificateRegister;
import rovek.server.rounds.visit.VisitHistory;

/** What wants somebody now, the most pressing first. */
@Service
public class Today {

    private static final int MOST_OF_A_KIND = 40;
    private static final int WARN_DAYS_BEFORE_CALIBRATION = 30;

    private final Standings standings;
    private final VisitHistory visits;
    private final Instruments instruments;
    private final Sensors sensors;
    private final Schedule schedule;
    private final CertificateRegister certificates;
    private final Accounts accounts;
    private final Clock clock;

    Today(
            Standings standings,
            VisitHistory visits,
            Instruments instruments,
            Sensors sensors,
            Schedule schedule,
            CertificateRegister certificates,
            Accounts accounts,
            Clock clock) {
        this.standings = standings;
        this.visits = visits;
        this.instruments = instruments;
        this.sensors = sensors;
        this.schedule = schedule;
        this.certificates = certificates;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** What a line is about; the front end words and links it. */
    public enum Kind {
        FAIL,
        WATCH,
        WITHOUT_LIMIT,
        LOOSE_READINGS,
        CERTIFICATE_TO_SIGN,
        CALIBRATION_DUE,
        SENSOR_DUE,
        ROUTE_DUE,
        ROUTE_OVERDUE
    }

    /**
     * One thing that wants attention.
     *
     * @param subjectId node, visit, certificate, instrument or sensor, after the kind
     * @param count how many, where that says something; else 1
     * @param detail a few words more, e.g. a date
     * @param worse how many checks stand worse than one reading ago
     */
    public record Item(Kind kind, String subjectId, String tag, Sentence name, int count, String detail, int worse) {

        Item(Kind kind, String subjectId, String tag, String name, int count, String detail) {
            this(kind, subjectId, tag, Sentence.plain(name), count, detail, 0);
        }

        Item(Kind kind, String subjectId, String tag, Sentence name, int count, String detail) {
            this(kind, subjectId, tag, name, count, detail, 0);
        }
    }

    /** How far the first round has come, for an installation without history. */
    public record FirstRound(
            boolean plant, boolean checks, boolean instrument, boolean route, boolean readBack, boolean certificate) {}

    /** The page. */
    public record View(List<Item> items, FirstRound firstRound) {}

    public View view() {
        Standings.Moment moment = standings.now();
        List<AssetStanding> assets = moment.assets();
        List<Item> items = new ArrayList<>();
        addAssets(items, assets, Verdict.FAIL, Kind.FAIL);
        UnaryOperator<String> names = accounts.displayNames();
        List<Schedule.ScheduledRoute> routes =
                schedule.calendar(AuditTrail.actor(), moment.tree(), names).routes();
        routes.stream()
                .filter(Schedule.ScheduledRoute::isDue)
                .forEach(route -> items.add(new Item(
                        route.daysLate() > 0 ? Kind.ROUTE_OVERDUE : Kind.ROUTE_DUE,
                        route.routeId().toString(),
                        "",
                        route.name(),
                        (int) Math.max(1, route.daysLate()),
                        route.assignedTo())));
        certificates
                .waiting(MOST_OF_A_KIND)
                .forEach(certificate -> items.add(new Item(
                        Kind.CERTIFICATE_TO_SIGN,
                        certificate.id().toString(),
                        "",
                        certificate.title(),
                        1,
                        names.apply(certificate.preparedBy()))));
        visits.withLoose(MOST_OF_A_KIND)
                .forEach(visit -> items.add(new Item(
                        Kind.LOOSE_READINGS,
                        visit.id().toString(),
                        "",
                        visit.title(),
                        visit.readings(),
                        visit.beganAt().toString())));
        addAssets(items, assets, Verdict.WATCH, Kind.WATCH);
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        List<InstrumentView> shelf = instruments.list();
        shelf.stream()
                .filter(instrument -> instrument.calibratedUntil() == null
                        || instrument.calibratedUntil().isBefore(today.plusDays(WARN_DAYS_BEFORE_CALIBRATION)))
                .forEach(instrument -> items.add(new Item(
                        Kind.CALIBRATION_DUE,
                        instrument.id().toString(),
                        instrument.model(),
                        instrument.numbered(),
                        1,
                        instrument.calibratedUntil() == null
                                ? ""
                                : instrument.calibratedUntil().toString())));
        addSensors(items, today);
        addUnjudged(items, assets);
        Standing whole = moment.of(Node.PLANT);
        boolean anyCheck = whole.pass() + whole.watch() + whole.fail() + whole.notJudged() > 0;
        return new View(
                items,
                new FirstRound(
                        moment.tree().nodes().size() > 0,
                        anyCheck,
                        !shelf.isEmpty(),
                        !routes.isEmpty(),
                        visits.isAny(),
                        certificates.isAnyIssued()));
    }

    private void addSensors(List<Item> items, LocalDate today) {
        sensors.list().stream()
                .filter(sensor -> !sensor.retired() && sensor.calibrationMonths() != null)
                .filter(sensor ->
                        sensor.dueOn() == null || sensor.dueOn().isBefore(today.plusDays(WARN_DAYS_BEFORE_CALIBRATION)))
                .limit(MOST_OF_A_KIND)
                .forEach(sensor -> items.add(new Item(
                        Kind.SENSOR_DUE,
                        sensor.id().toString(),
                        sensor.tag(),
                        Sentence.of("overview.sensor", "serial", sensor.serial().isBlank() ? "none" : sensor.serial()),
                        1,
                        sensor.dueOn() == null ? "" : sensor.dueOn().toString())));
    }

    private static void addAssets(List<Item> items, List<AssetStanding> assets, Verdict verdict, Kind kind) {
        // What got worse since last time comes first: the rest was known already.
        assets.stream()
                .filter(standing -> standing.worst() == verdict)
                .sorted(Comparator.comparingInt(AssetStanding::worse).reversed())
                .limit(MOST_OF_A_KIND)
                .forEach(standing -> items.add(item(
                        kind,
                        standing,
                        verdict == Verdict.FAIL ? standing.fail() : standing.watch(),
                        standing.worse())));
    }

    /** Measured, but nothing says what is right. */
    private static void addUnjudged(List<Item> items, List<AssetStanding> assets) {
        assets.stream()
                .filter(standing -> standing.withoutLimit() > 0)
                .limit(MOST_OF_A_KIND)
                .forEach(standing -> items.add(item(Kind.WITHOUT_LIMIT, standing, standing.withoutLimit(), 0)));
    }

    private static Item item(Kind kind, AssetStanding standing, int count, int worse) {
        Node asset = standing.asset();
        return new Item(
                kind,
                asset.id().toString(),
                asset.tag(),
                Sentence.plain(asset.name()),
                count,
                standing.readAt().map(Instant::toString).orElse(null),
                worse);
    }
}
