package rovek.server.today;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import rovek.core.limit.Verdict;
import rovek.core.plant.Level;
import rovek.server.certificate.Certificates;
import rovek.server.certificate.Certificates.CertificateLine;
import rovek.server.follow.Follow;
import rovek.server.follow.Follow.Standing;
import rovek.server.instrument.InstrumentView;
import rovek.server.instrument.Instruments;
import rovek.server.plant.Plant;
import rovek.server.plant.PlantNode;
import rovek.server.plant.PlantTree;
import rovek.server.route.Routes;
import rovek.server.visit.Visits;

/** What wants somebody now, the most pressing first. */
@Service
public class Today {

    private static final int WARN_DAYS_BEFORE_CALIBRATION = 30;

    private final Plant plant;
    private final Follow follow;
    private final Visits visits;
    private final Instruments instruments;
    private final Routes routes;
    private final Certificates certificates;
    private final Clock clock;

    Today(
            Plant plant,
            Follow follow,
            Visits visits,
            Instruments instruments,
            Routes routes,
            Certificates certificates,
            Clock clock) {
        this.plant = plant;
        this.follow = follow;
        this.visits = visits;
        this.instruments = instruments;
        this.routes = routes;
        this.certificates = certificates;
        this.clock = clock;
    }

    /** What a line is about; the front end words and links it. */
    public enum Kind {
        FAIL,
        WATCH,
        WITHOUT_LIMIT,
        LOOSE_READINGS,
        CERTIFICATE_TO_SIGN,
        CALIBRATION_DUE
    }

    /**
     * One thing that wants attention.
     *
     * @param subjectId node, visit, certificate or instrument, after the kind
     * @param count how many, where that says something; else 1
     * @param detail a few words more, e.g. a date
     */
    public record Item(Kind kind, String subjectId, String tag, String name, int count, String detail) {}

    /** How far the first round has come, for an installation without history. */
    public record FirstRound(boolean plant, boolean checks, boolean instrument, boolean route, boolean readBack, boolean certificate) {}

    /** The page. */
    public record View(List<Item> items, FirstRound firstRound) {}

    public View view() {
        PlantTree tree = plant.tree();
        List<Item> items = new ArrayList<>();
        List<Standing> standings = follow.overview();
        addAssets(items, tree, standings, Verdict.FAIL, Kind.FAIL);
        List<CertificateLine> register = certificates.register("");
        register.stream()
                .filter(line -> line.state().equals("PREPARED"))
                .forEach(line -> items.add(new Item(Kind.CERTIFICATE_TO_SIGN, line.id().toString(), "", line.title(), 1, line.preparedBy())));
        List<Visits.VisitLine> recent = visits.list();
        recent.stream()
                .filter(visit -> visit.loose() > 0)
                .forEach(visit -> items.add(new Item(Kind.LOOSE_READINGS, visit.id().toString(), "", visit.title(), visit.loose(), visit.beganAt())));
        addAssets(items, tree, standings, Verdict.WATCH, Kind.WATCH);
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        List<InstrumentView> shelf = instruments.list();
        shelf.stream()
                .filter(instrument -> instrument.calibratedUntil() == null
                        || instrument.calibratedUntil().isBefore(today.plusDays(WARN_DAYS_BEFORE_CALIBRATION)))
                .forEach(instrument -> items.add(new Item(
                        Kind.CALIBRATION_DUE, instrument.id().toString(), instrument.model(), "no. " + instrument.serial(), 1,
                        instrument.calibratedUntil() == null ? "" : instrument.calibratedUntil().toString())));
        addUnjudged(items, tree, standings);
        boolean anyCheck = tree.inOrder().stream().anyMatch(node -> node.level() == Level.CHECK);
        return new View(items, new FirstRound(
                !tree.inOrder().isEmpty(), anyCheck, !shelf.isEmpty(), !routes.list().isEmpty(), !recent.isEmpty(),
                register.stream().anyMatch(line -> line.number() != null)));
    }

    private static void addAssets(List<Item> items, PlantTree tree, List<Standing> standings, Verdict verdict, Kind kind) {
        for (Standing standing : standings) {
            PlantNode node = tree.find(standing.nodeId()).orElseThrow();
            if (node.level() == Level.ASSET && standing.worst() == verdict) {
                int count = verdict == Verdict.FAIL ? standing.fail() : standing.watch();
                items.add(new Item(kind, node.id().toString(), node.tag(), node.name(), count, standing.readAt()));
            }
        }
    }

    /** Measured, but nothing says what is right. */
    private static void addUnjudged(List<Item> items, PlantTree tree, List<Standing> standings) {
        for (Standing standing : standings) {
            PlantNode node = tree.find(standing.nodeId()).orElseThrow();
            if (node.level() == Level.ASSET && standing.notJudged() > 0 && standing.readAt() != null) {
                items.add(new Item(Kind.WITHOUT_LIMIT, node.id().toString(), node.tag(), node.name(), standing.notJudged(), standing.readAt()));
            }
        }
    }
}
