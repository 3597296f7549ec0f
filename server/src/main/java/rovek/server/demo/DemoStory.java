package rovek.server.demo;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import rovek.core.route.LoadGate;
import rovek.core.wording.Sentence;
import rovek.link.LinkException;
import rovek.link.packet.PackageException;
import rovek.server.base.job.JobProgress;
import rovek.server.instruments.instrument.Connections;
import rovek.server.instruments.instrument.Connections.ConnectionDraft;
import rovek.server.instruments.setup.Setups;
import rovek.server.intake.transfer.ConnectionView;
import rovek.server.intake.transfer.Loading;
import rovek.server.intake.transfer.ReadBack;
import rovek.server.intake.transfer.Transfers;
import rovek.server.people.account.Accounts;
import rovek.server.people.account.Role;
import rovek.server.plant.picture.Pictures;
import rovek.server.plant.tree.Plant;
import rovek.server.reports.certificate.CertificateRegister;
import rovek.server.reports.certificate.CertificateSigning;
import rovek.server.reports.certificate.Certificates;
import rovek.server.rounds.route.RouteDraft;
import rovek.server.rounds.route.Routes;
import rovek.server.rounds.visit.VisitHistory;
import rovek.server.rounds.visit.VisitRow;
import rovek.server.rounds.visit.Visits;

/**
 * Lives two years of the demonstration plant through the real pipeline: routes loaded, walked on the stand-in at past
 * dates, read back over the link, judged, certified. Runs once, in an empty installation, and only where it is asked
 * for.
 */
@Component
@Order(2)
@ConditionalOnProperty("rovek.demo.panel")
class DemoStory implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(DemoStory.class);
    private static final String PASSWORD = "marrowdale-demo";
    private static final String PASS_CODE = "4711";
    private static final int MONTHS = 24;
    private static final Setups.SetupDraft RESERVOIR = new Setups.SetupDraft(
            "Reservoir over a day",
            "logger",
            Map.of("intervalSeconds", "60", "stop", "after a time", "stopAfterMinutes", "1440"),
            List.of(
                    Map.of("name", "Reservoir level", "unit", "m", "low", "0", "high", "6"),
                    Map.of("name", "Booster outlet pressure", "unit", "bar", "low", "0", "high", "10"),
                    Map.of("name", "Water temperature", "input", "Pt100")),
            0);

    private final Accounts accounts;
    private final Plant plant;
    private final DemoPlant demoPlant;
    private final Connections connections;
    private final Routes routes;
    private final Transfers transfers;
    private final Loading loading;
    private final ReadBack readBack;
    private final Setups setups;
    private final Pictures pictures;
    private final DemoJobs jobs;
    private final Visits visits;
    private final VisitHistory history;
    private final Certificates certificates;
    private final CertificateSigning signing;
    private final Clock clock;
    private final DemoPanel panel;
    private final int instrumentPort;
    private final DemoInstruments others;
    private final DemoHandRounds byHand;
    private final DemoPast past;

    DemoStory(
            Accounts accounts,
            Plant plant,
            DemoPlant demoPlant,
            Connections connections,
            Routes routes,
            Transfers transfers,
            Loading loading,
            ReadBack readBack,
            Setups setups,
            Pictures pictures,
            DemoJobs jobs,
            Visits visits,
            VisitHistory history,
            Certificates certificates,
            CertificateSigning signing,
            Clock clock,
            @Value("${rovek.demo.panel}") String panelAddress,
            @Value("${rovek.demo.instrument-port}") int instrumentPort,
            DemoInstruments others,
            DemoHandRounds byHand,
            DemoPast past) {
        this.accounts = accounts;
        this.plant = plant;
        this.demoPlant = demoPlant;
        this.connections = connections;
        this.routes = routes;
        this.transfers = transfers;
        this.loading = loading;
        this.readBack = readBack;
        this.setups = setups;
        this.pictures = pictures;
        this.jobs = jobs;
        this.visits = visits;
        this.history = history;
        this.certificates = certificates;
        this.signing = signing;
        this.clock = clock;
        this.panel = new DemoPanel(panelAddress);
        this.instrumentPort = instrumentPort;
        this.others = others;
        this.byHand = byHand;
        this.past = past;
    }

    @Override
    public void run(ApplicationArguments args) throws Exception {
        if (accounts.isEmpty()) {
            accounts.add(new Accounts.NewAccount("viewer", "Vale Winter", Role.VIEWER, PASSWORD));
            accounts.add(new Accounts.NewAccount("technician", "Tarn Hollin", Role.TECHNICIAN, PASSWORD));
            accounts.add(new Accounts.NewAccount("reviewer", "Rhea Oakley", Role.REVIEWER, PASSWORD));
            accounts.add(new Accounts.NewAccount("administrator", "Ash Dunmore", Role.ADMINISTRATOR, PASSWORD));
        }
        actAs("technician");
        try {
            UUID instrument = connections
                    .connect(ConnectionDraft.network("Vibration handheld", "127.0.0.1", instrumentPort, PASS_CODE))
                    .id();
            if (plant.tree().nodes().size() == 0) {
                live(instrument);
                UUID reservoir = UUID.randomUUID();
                setups.put(reservoir, RESERVOIR);
                if (others.areThere()) {
                    demoPlant.planUtilities();
                    others.live(PASS_CODE, reservoir);
                    others.readTransmitter();
                    byHand.live();
                }
            }
            others.connect(PASS_CODE);
            LOG.info("The demonstration is ready.");
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    private void live(UUID instrument) throws LinkException, PackageException, InterruptedException {
        List<UUID> checks = demoPlant.plan();
        past.note();
        UUID route = UUID.randomUUID();
        List<UUID> points =
                checks.stream().map(check -> plant.check(check).point().id()).toList();
        Map<UUID, UUID> shown = pictures.showing(points);
        Map<UUID, UUID> atStops = new HashMap<>();
        for (int i = 0; i < checks.size(); i += 2) {
            atStops.put(checks.get(i), shown.get(points.get(i)));
        }
        routes.put(
                route,
                new RouteDraft(
                        "Wells and water treatment, monthly walk",
                        checks,
                        Map.of(checks.get(0), "Measure at full flow, outlet valve open"),
                        atStops,
                        30,
                        null,
                        "technician",
                        0));
        LocalDate newest = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC).minusDays(1);
        for (int back = MONTHS - 1; back >= 0; back--) {
            Instant morning = newest.minusMonths(back).atTime(9, 12).toInstant(ZoneOffset.UTC);
            panel.moveTimeTo(morning);
            jobs.await(loading.loadRoute(instrument, route, Set.of(LoadGate.Kind.CLOCK, LoadGate.Kind.CALIBRATION)));
            panel.walkAll();
            if (back == 0) {
                panel.takeLooseReading("P-102", "Coupling");
            }
            readBack.run(instrument, List.of(), false, new Silent());
            transfers.clear(instrument, results(instrument));
            LOG.info("Month {} of {} walked and read back.", MONTHS - back, MONTHS);
        }
        panel.backToRealTime();
        certify();
        actAs("technician");
    }

    private List<String> results(UUID instrument) {
        return transfers.look(instrument).files().stream()
                .filter(file -> file.state().equals("STORED"))
                .map(ConnectionView.MemoryLine::name)
                .toList();
    }

    /** The month before last was signed; last month's waits for the reviewer. */
    private void certify() {
        List<VisitHistory.VisitLine> newestFirst = history.list();
        CertificateRegister.CertificateLine signed = prepare(newestFirst.get(1).id());
        prepare(newestFirst.get(0).id());
        actAs("reviewer");
        String seen = certificates.preview(signed.id()).digest();
        signing.sign(signed.id(), new CertificateSigning.Signature(PASSWORD, seen));
    }

    private CertificateRegister.CertificateLine prepare(UUID visit) {
        List<UUID> all =
                visits.sheet(visit).rows().stream().map(VisitRow::checkId).toList();
        return certificates.prepare(new Certificates.Choice(visit, all));
    }

    private static void actAs(String name) {
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(name, null, List.of()));
    }

    static final class Silent implements JobProgress {
        @Override
        public void report(long done, long total, Sentence sentence) {
            // nobody watches the demonstration being made
        }

        @Override
        public boolean isStopRequested() {
            return false;
        }
    }
}
