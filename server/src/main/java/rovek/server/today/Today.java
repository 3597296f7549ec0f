package rovek.server.today;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Service;
import rovek.core.limit.Verdict;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.technique.Techniques;
import rovek.server.certificate.Certificates;
import rovek.server.certificate.Certificates.CertificateLine;
import rovek.server.follow.Standing;
import rovek.server.follow.Standings;
import rovek.server.instrument.InstrumentView;
import rovek.server.instrument.Instruments;
import rovek.server.audit.AuditTrail;
import rovek.server.route.Routes;
import rovek.server.schedule.Schedule;
import rovek.server.sensor.Sensors;
import rovek.server.visit.Visits;

/** What wants somebody now, the most pressing first. */
@Service
public class Today {

    private static final int MOST_OF_A_KIND = 40;
    private static final int WARN_DAYS_BEFORE_CALIBRATION = 30;

    private final Standings standings;
    private final Visits visits;
    private final Instruments instruments;
    private final Sensors sensors;
    private final Routes routes;
    private final Schedule schedule;
    private final Certificates certificates;
    private final Techniques techniques;
    private final Clock clock;

    Today(
            Standings standings,
            Visits visits,
            Instruments instruments,
            Sensors sensors,
            Routes routes,
            Schedule schedule,
            Certificates certificates,
            Techniques techniques,
            Clock clock) {
        this.standings = standings;
        this.visits = visits;
        this.instruments = instruments;
        this.sensors = sensors;
        this.routes = routes;
        this.schedule = schedule;
        this.certificates = certificates;
        this.techniques = techniques;
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
    public record Item(Kind kind, String subjectId, String tag, String name, int count, String detail, int worse) {

        Item(Kind kind, String subjectId, String tag, String name, int count, String detail) {
            this(kind, subjectId, tag, name, count, detail, 0);
        }
    }

    /** How far the first round has come, for an installation without history. */
    public record FirstRound(boolean plant, boolean checks, boolean instrument, boolean route, boolean readBack, boolean certificate) {}

    /** The page. */
    public record View(List<Item> items, FirstRound firstRound) {}

    public View view() {
        Standings.Moment moment = standings.now();
        NodeTree nodes = moment.tree().nodes();
        List<Standing> assets = nodes.beneath(Node.PLANT).stream()
                .filter(node -> node.level() == Level.ASSET)
                .map(node -> moment.of(node.id()))
                .toList();
        List<Item> items = new ArrayList<>();
        addAssets(items, nodes, assets, Verdict.FAIL, Kind.FAIL);
        schedule.calendar(AuditTrail.actor()).routes().stream()
                .filter(Schedule.ScheduledRoute::isDue)
                .forEach(route -> items.add(new Item(
                        route.daysLate() > 0 ? Kind.ROUTE_OVERDUE : Kind.ROUTE_DUE, route.routeId().toString(), "", route.name(),
                        (int) Math.max(1, route.daysLate()), route.assignedTo())));
        List<CertificateLine> register = certificates.register("");
        register.stream()
                .filter(line -> line.state().equals("PREPARED"))
                .forEach(line -> items.add(new Item(Kind.CERTIFICATE_TO_SIGN, line.id().toString(), "", line.title(), 1, line.preparedBy())));
        List<Visits.VisitLine> recent = visits.list();
        recent.stream()
                .filter(visit -> visit.loose() > 0)
                .forEach(visit -> items.add(new Item(Kind.LOOSE_READINGS, visit.id().toString(), "", visit.title(), visit.loose(), visit.beganAt())));
        addAssets(items, nodes, assets, Verdict.WATCH, Kind.WATCH);
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        List<InstrumentView> shelf = instruments.list();
        shelf.stream()
                .filter(instrument -> instrument.calibratedUntil() == null
                        || instrument.calibratedUntil().isBefore(today.plusDays(WARN_DAYS_BEFORE_CALIBRATION)))
                .forEach(instrument -> items.add(new Item(
                        Kind.CALIBRATION_DUE, instrument.id().toString(), instrument.model(), instrument.numbered(), 1,
                        instrument.calibratedUntil() == null ? "" : instrument.calibratedUntil().toString())));
        addSensors(items, today);
        addUnjudged(items, moment, assets);
        Standing whole = moment.of(Node.PLANT);
        boolean anyCheck = whole.pass() + whole.watch() + whole.fail() + whole.notJudged() > 0;
        return new View(items, new FirstRound(
                nodes.size() > 0, anyCheck, !shelf.isEmpty(), !routes.list().isEmpty(), !recent.isEmpty(),
                register.stream().anyMatch(line -> line.number() != null)));
    }

    private void addSensors(List<Item> items, LocalDate today) {
        sensors.list().stream()
                .filter(sensor -> !sensor.retired() && sensor.calibrationMonths() != null)
                .filter(sensor -> sensor.dueOn() == null || sensor.dueOn().isBefore(today.plusDays(WARN_DAYS_BEFORE_CALIBRATION)))
                .limit(MOST_OF_A_KIND)
                .forEach(sensor -> items.add(new Item(
                        Kind.SENSOR_DUE, sensor.id().toString(), sensor.tag(), sensor.serial().isBlank() ? "Sensor" : "Sensor no. " + sensor.serial(), 1,
                        sensor.dueOn() == null ? "" : sensor.dueOn().toString())));
    }

    private static void addAssets(List<Item> items, NodeTree nodes, List<Standing> assets, Verdict verdict, Kind kind) {
        // What got worse since last time comes first: the rest was known already.
        assets.stream().filter(standing -> standing.worst() == verdict).sorted(Comparator.comparingInt(Standing::worse).reversed()).limit(MOST_OF_A_KIND).forEach(standing -> {
            Node node = nodes.find(standing.nodeId()).orElseThrow();
            int count = verdict == Verdict.FAIL ? standing.fail() : standing.watch();
            items.add(new Item(kind, node.id().toString(), node.tag(), node.name(), count, standing.readAt(), standing.worse()));
        });
    }

    /** Measured, but nothing says what is right. */
    private void addUnjudged(List<Item> items, Standings.Moment moment, List<Standing> assets) {
        NodeTree nodes = moment.tree().nodes();
        assets.stream().filter(standing -> standing.readAt() != null && withoutLimit(standing, moment) > 0).limit(MOST_OF_A_KIND).forEach(standing -> {
            Node node = nodes.find(standing.nodeId()).orElseThrow();
            items.add(new Item(Kind.WITHOUT_LIMIT, node.id().toString(), node.tag(), node.name(), withoutLimit(standing, moment), standing.readAt()));
        });
    }

    /** What yields no numbers can have no limit, and of what was never measured nobody knows yet what would be right. */
    private int withoutLimit(Standing standing, Standings.Moment moment) {
        if (standing.notJudged() == 0) {
            return 0;
        }
        return (int) moment.tree().nodes().beneath(standing.nodeId()).stream()
                .filter(node -> node.level() == Level.CHECK && moment.isMeasured(node.id()) && moment.verdictOf(node.id()) == Verdict.NOT_JUDGED)
                .filter(check -> techniques.find(check.technique()).filter(technique -> !technique.everyResult().isEmpty()).isPresent())
                .count();
    }
}
