package rovek.server.transfer;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.reading.ClockCorrection;
import rovek.core.route.InstrumentProfile;
import rovek.link.Instrument;
import rovek.link.InstrumentFile;
import rovek.link.InstrumentIdentity;
import rovek.link.LinkException;
import rovek.link.MemoryCatalogue;
import rovek.link.Sha256;
import rovek.link.packet.PackageException;
import rovek.link.packet.RoutePackage;
import rovek.server.audit.AuditTrail;
import rovek.server.instrument.Instruments;
import rovek.server.job.JobProgress;
import rovek.server.job.JobView;
import rovek.server.job.Jobs;
import rovek.server.problem.DomainProblem;
import rovek.server.route.Routes;
import rovek.server.sensor.Sensors;
import rovek.server.transfer.ConnectionView.MemoryLine;

/** Looks into instruments, loads routes onto them, sets their clock and clears what is stored. */
@Service
public class Transfers {

    static final String ROUTE_FILE = "ROUTES/ROUTE.zip";
    private static final int LARGEST_ROUTE_LOOKED_INTO = 1 << 20;

    private final Instruments instruments;
    private final Originals originals;
    private final Routes routes;
    private final Sensors sensors;
    private final Jobs jobs;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Transfers(
            Instruments instruments,
            Originals originals,
            Routes routes,
            Sensors sensors,
            Jobs jobs,
            AuditTrail audit,
            TransactionTemplate transaction,
            Clock clock) {
        this.instruments = instruments;
        this.originals = originals;
        this.routes = routes;
        this.sensors = sensors;
        this.jobs = jobs;
        this.audit = audit;
        this.transaction = transaction;
        this.clock = clock;
    }

    private record Loaded(UUID route, String name, String sha256) {}

    private record ClockSet(long wasAheadSeconds) {}

    /** Connects and looks. */
    public ConnectionView look(UUID instrumentId) {
        return linked(instrumentId, "looking", (link, identity, renew) -> {
            ClockCorrection difference = ClockCorrection.between(link.clock(), clock.instant());
            MemoryCatalogue memory = link.catalogue();
            List<MemoryLine> files = new ArrayList<>();
            for (InstrumentFile file : memory.files()) {
                files.add(line(instrumentId, link, file));
            }
            return new ConnectionView(
                    instruments.get(instrumentId), link.batteryPercent(), difference.instrumentAhead().toSeconds(),
                    difference.isNeeded(), memory.usedBytes(), memory.freeBytes(), files);
        });
    }

    private MemoryLine line(UUID instrumentId, Instrument link, InstrumentFile file) throws LinkException {
        if (file.type().equals("ROUTE")) {
            return new MemoryLine(file.name(), routeInside(link, file), file.type(), file.bytes(), "LOADED", 0, null);
        }
        String digest = link.digest(file.name());
        Optional<Originals.Kept> kept = originals.find(instrumentId, digest).filter(Originals.Kept::taken);
        if (kept.isPresent()) {
            String at = kept.get().readBackAt().toInstant().toString();
            return new MemoryLine(file.name(), "", file.type(), file.bytes(), "STORED", file.bytes(), at);
        }
        long arrived = originals.arrived(instrumentId, digest);
        return new MemoryLine(file.name(), "", file.type(), file.bytes(), arrived > 0 ? "PART" : "NEW", arrived, null);
    }

    /** Routes are small: the name and the number of stops are worth the look. */
    private static String routeInside(Instrument link, InstrumentFile file) throws LinkException {
        if (file.bytes() > LARGEST_ROUTE_LOOKED_INTO) {
            return "";
        }
        try {
            RoutePackage route = RoutePackage.unpack(link.slice(file.name(), 0, (int) file.bytes()));
            return "%s, %d stops".formatted(route.name(), route.stops().size());
        } catch (PackageException e) {
            return "not a route that Rovek knows";
        }
    }

    /** Whether the connected instrument can take a route. */
    public Routes.FitView fit(UUID instrumentId, UUID routeId) {
        return routes.fit(routeId, profile(instrumentId));
    }

    private InstrumentProfile profile(UUID instrumentId, InstrumentIdentity identity, MemoryCatalogue memory) {
        Set<String> options = new HashSet<>(identity.options().keySet());
        return new InstrumentProfile(options, options, sensors.outFor(instrumentId), memory.freeBytes(), memory.freeBytes() + memory.usedBytes());
    }

    /** How this instrument and another would share a route; both are asked. */
    public Routes.ShareView share(UUID instrumentId, UUID otherId, UUID routeId) {
        if (instrumentId.equals(otherId)) {
            throw new DomainProblem.Invalid("with", "Choose another instrument to share the route with.");
        }
        return routes.share(routeId, profile(instrumentId), profile(otherId));
    }

    private InstrumentProfile profile(UUID instrumentId) {
        return linked(instrumentId, "looking", (link, identity, renew) -> profile(instrumentId, identity, link.catalogue()));
    }

    /** Loads a route: written, read back by its digest, and only then confirmed. */
    public JobView load(UUID instrumentId, UUID routeId) {
        String title = "Loading " + routes.get(routeId).name();
        instruments.get(instrumentId);
        return jobs.start("load", title, instrumentId, progress -> instruments.withLink(
                instrumentId, "loading a route",
                (link, identity, renew) -> load(instrumentId, routeId, link, identity, progress)));
    }

    private String load(UUID instrumentId, UUID routeId, Instrument link, InstrumentIdentity identity, JobProgress progress)
            throws LinkException {
        List<String> obstacles = routes.fit(routeId, profile(instrumentId, identity, link.catalogue())).reasons();
        if (!obstacles.isEmpty()) {
            throw new DomainProblem.Conflict("does-not-fit", "The route was not loaded. " + String.join(" ", obstacles));
        }
        var route = routes.pack(routeId);
        byte[] packed = route.pack();
        progress.report(0, packed.length, "Writing to the instrument");
        link.write(ROUTE_FILE, packed);
        progress.report(packed.length / 2, packed.length, "Comparing digests");
        String sha256 = Sha256.of(packed);
        if (!link.digest(ROUTE_FILE).equals(sha256)) {
            throw new LinkException.DigestDiffers("The route");
        }
        transaction.executeWithoutResult(status -> {
            routes.noteLoaded(route, instrumentId);
            audit.note("load", "instrument", instrumentId, null, new Loaded(routeId, route.name(), sha256));
        });
        progress.report(packed.length, packed.length, "Loaded");
        return "%s is on the instrument: %d stops, digest compared. You may unplug.".formatted(route.name(), route.stops().size());
    }

    /**
     * Sets the instrument's clock to the server's. Not while it holds readings dated by a wrong clock: once the clock is
     * right, nothing tells any more how wrong those are.
     */
    public void setClock(UUID instrumentId) {
        linked(instrumentId, "setting the clock", (link, identity, renew) -> {
            ClockSet was = new ClockSet(ClockCorrection.between(link.clock(), clock.instant()).instrumentAhead().toSeconds());
            for (InstrumentFile file : link.catalogue().files()) {
                String state = line(instrumentId, link, file).state();
                if (state.equals("NEW") || state.equals("PART")) {
                    throw new DomainProblem.Conflict(
                            "unread-readings",
                            "The clock was left as it is: the instrument holds readings dated by it. Read them back first, so that their times are corrected; then set the clock.");
                }
            }
            link.setClock(clock.instant());
            transaction.executeWithoutResult(status -> audit.note("set clock", "instrument", instrumentId, was, new ClockSet(0)));
            return was;
        });
    }

    /**
     * Removes files from the instrument, but only what is stored here whole as it is there now.
     *
     * @return how many were removed
     */
    public int clear(UUID instrumentId, List<String> names) {
        return linked(instrumentId, "clearing what is stored", (link, identity, renew) -> {
            int cleared = 0;
            for (String name : names) {
                boolean stored = originals.find(instrumentId, link.digest(name)).filter(Originals.Kept::taken).isPresent();
                if (!stored) {
                    throw new DomainProblem.Conflict(
                            "not-stored", name + " holds readings that are not stored here. It was left alone; read it back first.");
                }
                link.delete(name);
                cleared++;
                transaction.executeWithoutResult(status -> audit.note("clear " + name, "instrument", instrumentId, name, null));
            }
            return cleared;
        });
    }

    private <T> T linked(UUID instrumentId, String purpose, rovek.server.instrument.LinkWork<T> work) {
        try {
            return instruments.withLink(instrumentId, purpose, work);
        } catch (LinkException e) {
            throw new DomainProblem.LinkTrouble(e.code(), e.getMessage());
        } catch (PackageException e) {
            throw new DomainProblem.LinkTrouble(e.code(), e.getMessage());
        }
    }
}
