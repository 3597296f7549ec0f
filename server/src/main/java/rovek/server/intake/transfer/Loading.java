package rovek.server.intake.transfer;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.route.InstrumentProfile;
import rovek.core.route.LoadGate;
import rovek.core.wording.Sentence;
import rovek.link.Instrument;
import rovek.link.InstrumentFile;
import rovek.link.LinkException;
import rovek.link.MemoryCatalogue;
import rovek.link.Sha256;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.SetupPackage;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.job.JobProgress;
import rovek.server.base.job.JobView;
import rovek.server.base.job.Jobs;
import rovek.server.base.problem.DomainProblem;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.instruments.setup.Setups;
import rovek.server.rounds.route.Routes;

/** Loads routes and set-ups onto instruments: written, compared by digest, and only then confirmed. */
@Service
public class Loading {

    static final String ROUTE_FILE = "ROUTES/ROUTE.zip";
    static final String SETUP_FILE = "SETUPS/SETUP.zip";

    private static final Set<String> LOADED = Set.of("ROUTE", "SETUP");

    private final Instruments instruments;
    private final Transfers transfers;
    private final LoadGates gates;
    private final Routes routes;
    private final Setups setups;
    private final Jobs jobs;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;

    Loading(
            Instruments instruments,
            Transfers transfers,
            LoadGates gates,
            Routes routes,
            Setups setups,
            Jobs jobs,
            AuditTrail audit,
            TransactionTemplate transaction) {
        this.instruments = instruments;
        this.transfers = transfers;
        this.gates = gates;
        this.routes = routes;
        this.setups = setups;
        this.jobs = jobs;
        this.audit = audit;
        this.transaction = transaction;
    }

    /** Whether a file in an instrument's memory is what was loaded onto it, rather than what it measured. */
    static boolean isLoaded(InstrumentFile file) {
        return LOADED.contains(file.type());
    }

    private record Loaded(UUID id, String name, int revision, String sha256) {}

    /** Whether the connected instrument can take a route. */
    public Routes.FitView fit(UUID instrumentId, UUID routeId) {
        return routes.fit(routeId, transfers.profile(instrumentId));
    }

    /** How this instrument and another would share a route; both are asked. */
    public Routes.ShareView share(UUID instrumentId, UUID otherId, UUID routeId) {
        if (instrumentId.equals(otherId)) {
            throw new DomainProblem.Invalid("with", Sentence.of("intake.shareWithOther"));
        }
        return routes.share(routeId, transfers.profile(instrumentId), transfers.profile(otherId));
    }

    /** Why the connected instrument cannot take a set-up; empty where it can. */
    public List<Sentence> setupObstacles(UUID instrumentId, UUID setupId) {
        return setups.obstacles(setupId, transfers.profile(instrumentId));
    }

    /**
     * What is to be looked at before loading.
     *
     * @param routeId null where a set-up is wanted; likewise {@code setupId}
     */
    public LoadGate gate(UUID instrumentId, @Nullable UUID routeId, @Nullable UUID setupId) {
        if (routeId == null && setupId == null) {
            throw new DomainProblem.Invalid("routeId", Sentence.of("intake.whatToLoad"));
        }
        return transfers.linked(instrumentId, Sentence.of("intake.purposeLooking"), (link, identity) -> {
            MemoryCatalogue memory = link.catalogue();
            InstrumentProfile profile = transfers.profile(instrumentId, identity, memory);
            boolean holdsUnread = transfers.holdsUnread(instrumentId, link, memory);
            return routeId != null
                    ? gates.ofRoute(instrumentId, routeId, link, profile, holdsUnread)
                    : gates.ofSetup(instrumentId, setupId, link, profile, holdsUnread);
        });
    }

    /** @param accepted what somebody has seen at the gate and loads over */
    public JobView loadRoute(UUID instrumentId, UUID routeId, Set<LoadGate.Kind> accepted) {
        return start(instrumentId, routes.get(routeId).name(), (link, profile, progress) -> {
            requireOpen(
                    Sentence.of("intake.theRoute"),
                    gates.ofRoute(instrumentId, routeId, link, profile, false),
                    accepted);
            RoutePackage route = routes.pack(routeId, profile.techniques());
            String sha256 = write(link, Sentence.of("intake.theRoute"), ROUTE_FILE, route.pack(), progress);
            transaction.executeWithoutResult(status -> {
                routes.noteLoaded(route, instrumentId);
                audit.note(
                        "load",
                        "instrument",
                        instrumentId,
                        null,
                        new Loaded(routeId, route.name(), route.revision(), sha256));
            });
            return Sentence.of(
                    "intake.routeLoaded",
                    "route",
                    route.name(),
                    "stops",
                    route.stops().size());
        });
    }

    public JobView loadSetup(UUID instrumentId, UUID setupId, Set<LoadGate.Kind> accepted) {
        return start(instrumentId, setups.get(setupId).name(), (link, profile, progress) -> {
            requireOpen(
                    Sentence.of("intake.theSetup"),
                    gates.ofSetup(instrumentId, setupId, link, profile, false),
                    accepted);
            SetupPackage setup = setups.pack(setupId);
            String sha256 = write(link, Sentence.of("intake.theSetup"), SETUP_FILE, setup.pack(), progress);
            transaction.executeWithoutResult(status -> {
                setups.noteLoaded(setup, instrumentId);
                audit.note(
                        "load",
                        "instrument",
                        instrumentId,
                        null,
                        new Loaded(setupId, setup.name(), setup.revision(), sha256));
            });
            return Sentence.of("intake.setupLoaded", "setup", setup.name(), "revision", setup.revision());
        });
    }

    @FunctionalInterface
    private interface Work {
        Sentence with(Instrument link, InstrumentProfile profile, JobProgress progress) throws LinkException;
    }

    private JobView start(UUID instrumentId, String name, Work work) {
        instruments.get(instrumentId);
        return jobs.start(
                "load",
                Sentence.of("intake.jobLoading", "name", name),
                instrumentId,
                progress -> instruments.withLink(
                        instrumentId, Sentence.of("intake.purposeLoading", "name", name), (link, identity) -> {
                            Sentence said = work.with(
                                    link, transfers.profile(instrumentId, identity, link.catalogue()), progress);
                            transfers.settleClock(instrumentId, link);
                            return said;
                        }));
    }

    private static void requireOpen(Sentence what, LoadGate gate, Set<LoadGate.Kind> accepted) {
        gate.refusal(accepted).ifPresent(why -> {
            throw new DomainProblem.Conflict("does-not-fit", Sentence.of("intake.notLoaded", "what", what, "why", why));
        });
    }

    private static String write(Instrument link, Sentence what, String file, byte[] packed, JobProgress progress)
            throws LinkException {
        progress.report(0, packed.length, Sentence.of("intake.writing"));
        link.write(file, packed);
        progress.report(packed.length / 2, packed.length, Sentence.of("intake.comparing"));
        String sha256 = Sha256.of(packed);
        if (!link.digest(file).equals(sha256)) {
            throw new LinkException.DigestDiffers(what);
        }
        progress.report(packed.length, packed.length, Sentence.of("intake.loaded"));
        return sha256;
    }
}
