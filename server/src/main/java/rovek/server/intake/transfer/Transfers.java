package rovek.server.intake.transfer;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.reading.ClockCorrection;
import rovek.core.route.InstrumentProfile;
import rovek.core.wording.Sentence;
import rovek.link.Instrument;
import rovek.link.InstrumentFile;
import rovek.link.InstrumentIdentity;
import rovek.link.LinkException;
import rovek.link.MemoryCatalogue;
import rovek.link.packet.PackageException;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.SetupPackage;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.instruments.instrument.HeldLinkWork;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.instruments.instrument.LinkHold;
import rovek.server.instruments.instrument.LinkWork;
import rovek.server.instruments.sensor.Sensors;
import rovek.server.intake.transfer.ConnectionView.MemoryLine;
import rovek.server.judging.original.Originals;
import rovek.server.judging.original.Pieces;

/** Looks into instruments, sets their clock and clears what is stored. */
@Service
public class Transfers {

    private static final Logger LOG = LoggerFactory.getLogger(Transfers.class);

    private static final int LARGEST_LOOKED_INTO = 1 << 20;
    private static final int MOST_CLEARED = 10_000;
    private static final int MOST_LOOKS = 3;

    private final Instruments instruments;
    private final Originals originals;
    private final Pieces pieces;
    private final Sensors sensors;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Transfers(
            Instruments instruments,
            Originals originals,
            Pieces pieces,
            Sensors sensors,
            AuditTrail audit,
            TransactionTemplate transaction,
            Clock clock) {
        this.instruments = instruments;
        this.originals = originals;
        this.pieces = pieces;
        this.sensors = sensors;
        this.audit = audit;
        this.transaction = transaction;
        this.clock = clock;
    }

    private record ClockSet(long wasAheadSeconds) {}

    /** Connects and looks. */
    public ConnectionView look(UUID instrumentId) {
        return looked(instrumentId, Sentence.of("intake.purposeLooking"), (link, identity, hold) -> {
            Optional<ClockCorrection> difference =
                    link.clock().map(shown -> ClockCorrection.between(shown, clock.instant()));
            difference.ifPresent(seen -> instruments.noteClock(instrumentId, seen));
            MemoryCatalogue memory = link.catalogue();
            List<MemoryLine> files = new ArrayList<>();
            for (InstrumentFile file : memory.files()) {
                hold.giveWay();
                files.add(line(instrumentId, link, file));
            }
            return new ConnectionView(
                    instruments.get(instrumentId),
                    boxed(link.batteryPercent()),
                    boxed(link.temperatureCelsius()),
                    difference.map(one -> one.instrumentAhead().toSeconds()).orElse(null),
                    difference.filter(ClockCorrection::isNeeded).isPresent(),
                    link.availableOptions(),
                    identity.options().containsKey("run")
                                    && !link.liveChannels().isEmpty()
                            ? link.isRunning()
                            : null,
                    memory.usedBytes(),
                    memory.freeBytes(),
                    files);
        });
    }

    /**
     * Begins or ends a run on the instrument itself, as its set-up has it; what it records stays in its memory until it
     * is read back.
     */
    public void run(UUID instrumentId, boolean begin) {
        linked(instrumentId, Sentence.of("intake.purposeRun", "begin", begin ? "yes" : "no"), (link, identity) -> {
            if (begin) {
                link.startRun();
            } else {
                link.endRun();
            }
            transaction.executeWithoutResult(
                    status -> audit.note(begin ? "start run" : "end run", "instrument", instrumentId, null, null));
            return null;
        });
    }

    private static @Nullable Integer boxed(OptionalInt value) {
        return value.isPresent() ? value.getAsInt() : null;
    }

    private static @Nullable Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private MemoryLine line(UUID instrumentId, Instrument link, InstrumentFile file) throws LinkException {
        if (Loading.isLoaded(file)) {
            return new MemoryLine(file.name(), inside(link, file), file.type(), file.bytes(), "LOADED", 0, null);
        }
        String digest = link.digest(file.name());
        Optional<Originals.Kept> kept = originals.find(instrumentId, digest).filter(Originals.Kept::taken);
        if (kept.isPresent()) {
            String at = kept.get().readBackAt().toString();
            return new MemoryLine(file.name(), Sentence.NONE, file.type(), file.bytes(), "STORED", file.bytes(), at);
        }
        // What was fetched to be looked into is no transfer that was interrupted.
        long arrived = pieces.leftHalfWay(instrumentId, digest);
        return new MemoryLine(
                file.name(), Sentence.NONE, file.type(), file.bytes(), arrived > 0 ? "PART" : "NEW", arrived, null);
    }

    /** What was loaded is small: its name and size are worth the look. */
    private static Sentence inside(Instrument link, InstrumentFile file) throws LinkException {
        if (file.bytes() > LARGEST_LOOKED_INTO) {
            return Sentence.NONE;
        }
        byte[] bytes = link.slice(file.name(), 0, (int) file.bytes());
        try {
            if (file.type().equals("SETUP")) {
                SetupPackage setup = SetupPackage.unpack(bytes);
                return Sentence.of("intake.setupInside", "setup", setup.name(), "revision", setup.revision());
            }
            RoutePackage route = RoutePackage.unpack(bytes);
            return Sentence.of(
                    "intake.routeInside",
                    "route",
                    route.name(),
                    "stops",
                    route.stops().size());
        } catch (PackageException e) {
            return Sentence.of("intake.unknownInside");
        }
    }

    /** What the connected instrument can do, and the room it has. */
    InstrumentProfile profile(UUID instrumentId) {
        return looked(
                instrumentId,
                Sentence.of("intake.purposeLooking"),
                (link, identity, hold) -> profile(instrumentId, identity, link.catalogue()));
    }

    InstrumentProfile profile(UUID instrumentId, InstrumentIdentity identity, MemoryCatalogue memory) {
        Set<String> options = new HashSet<>(identity.options().keySet());
        return new InstrumentProfile(
                options,
                options,
                sensors.outFor(instrumentId),
                memory.freeBytes(),
                memory.freeBytes() + memory.usedBytes());
    }

    /**
     * Sets the instrument's clock to the server's. Not while it holds readings dated by a wrong clock: once the clock
     * is right, nothing tells any more how wrong those are.
     */
    public void setClock(UUID instrumentId) {
        linked(instrumentId, Sentence.of("intake.purposeClock"), (link, identity) -> {
            Instant shown =
                    link.clock().orElseThrow(() -> new LinkException.NotByThisWay(Sentence.of("link.itsClock")));
            ClockSet was = new ClockSet(ClockCorrection.between(shown, clock.instant())
                    .instrumentAhead()
                    .toSeconds());
            if (holdsUnread(instrumentId, link, link.catalogue())) {
                throw new DomainProblem.Conflict("unread-readings", Sentence.of("intake.clockKept"));
            }
            link.setClock(clock.instant());
            instruments.noteClock(instrumentId, ClockCorrection.NONE);
            instruments.forgetClockBefore(instrumentId);
            transaction.executeWithoutResult(
                    status -> audit.note("set clock", "instrument", instrumentId, was, new ClockSet(0)));
            return was;
        });
    }

    /** Once everything on it is stored, nothing is dated any more by what its clock was before somebody set it. */
    void settleClock(UUID instrumentId, Instrument link) {
        try {
            if (instruments.clockBefore(instrumentId).isPresent()
                    && !holdsUnread(instrumentId, link, link.catalogue())) {
                instruments.forgetClockBefore(instrumentId);
            }
        } catch (LinkException unplugged) {
            // What was asked for is done: the next look settles it.
            LOG.debug("The link ended before the clock was settled.", unplugged);
        }
    }

    /** Whether it holds readings that are not stored here. */
    boolean holdsUnread(UUID instrumentId, Instrument link, MemoryCatalogue memory) throws LinkException {
        for (InstrumentFile file : memory.files()) {
            String state = line(instrumentId, link, file).state();
            if (state.equals("NEW") || state.equals("PART")) {
                return true;
            }
        }
        return false;
    }

    /** A file that was left on the instrument, and why. */
    public record Stays(String name, Sentence why) {}

    /**
     * What clearing did.
     *
     * @param files how many were removed
     */
    public record Cleared(int files, List<Stays> stays) {}

    /**
     * Removes files from the instrument, but only what is stored here whole as it is there now, its digest asked once
     * more. What is not stays, each with its reason.
     */
    public Cleared clear(UUID instrumentId, List<String> names) {
        if (names.size() > MOST_CLEARED) {
            throw new DomainProblem.Invalid("files", Sentence.of("intake.mostCleared", "most", MOST_CLEARED));
        }
        return linked(instrumentId, Sentence.of("intake.purposeClearing"), (link, identity) -> {
            int cleared = 0;
            List<Stays> stays = new ArrayList<>();
            // Only what the instrument itself lists is a file of its: a name that somebody made up is never sent to it.
            Set<String> listed = new HashSet<>(
                    link.catalogue().files().stream().map(InstrumentFile::name).toList());
            for (String name : names) {
                if (!listed.remove(name)) {
                    stays.add(new Stays(name, Sentence.of("intake.staysGone")));
                    continue;
                }
                String digest = link.digest(name);
                Optional<Sentence> reason = reasonToStay(instrumentId, digest);
                if (reason.isPresent()) {
                    stays.add(new Stays(name, reason.get()));
                    continue;
                }
                // Before it is done: nothing disappears from an instrument without a trace, whatever fails in between.
                transaction.executeWithoutResult(status ->
                        audit.note("clear file", "instrument", instrumentId, new ClearedFile(name, digest), null));
                link.delete(name);
                cleared++;
            }
            return new Cleared(cleared, stays);
        });
    }

    /** What stands in the audit trail. */
    private record ClearedFile(String file, String sha256) {}

    private Optional<Sentence> reasonToStay(UUID instrumentId, String digest) {
        Optional<Originals.Kept> kept = originals.find(instrumentId, digest);
        if (kept.isEmpty()) {
            return Optional.of(Sentence.of("intake.staysUnread"));
        }
        return kept.get().taken() ? Optional.empty() : Optional.of(Sentence.of("intake.staysNotUnderstood"));
    }

    /** Looks as long as nobody works with the instrument, and again once that is over. */
    <T> T looked(UUID instrumentId, Sentence purpose, HeldLinkWork<T> work) {
        for (int look = 1; ; look++) {
            try {
                return instruments.lookingWithLink(instrumentId, purpose, work);
            } catch (LinkHold.GaveWay wanted) {
                if (look == MOST_LOOKS) {
                    throw new DomainProblem.Conflict("gave-way", wanted.sentence());
                }
            } catch (LinkException e) {
                throw new DomainProblem.LinkTrouble(e.code(), e.sentence());
            } catch (PackageException e) {
                throw new DomainProblem.LinkTrouble(e.code(), e.sentence());
            }
        }
    }

    <T> T linked(UUID instrumentId, Sentence purpose, LinkWork<T> work) {
        try {
            return instruments.withLink(instrumentId, purpose, work);
        } catch (LinkException e) {
            throw new DomainProblem.LinkTrouble(e.code(), e.sentence());
        } catch (PackageException e) {
            throw new DomainProblem.LinkTrouble(e.code(), e.sentence());
        }
    }
}
