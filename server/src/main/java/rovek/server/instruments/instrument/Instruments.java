package rovek.server.instruments.instrument;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.reading.ClockCorrection;
import rovek.core.reading.ClockState;
import rovek.core.wording.Sentence;
import rovek.link.InstrumentIdentity;
import rovek.link.LinkException;
import rovek.link.packet.Maker;
import rovek.link.packet.PackageException;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Wording;

/** The handhelds, and the way to them. No transaction is held while an instrument is being spoken with. */
@Service
public class Instruments {

    private static final Duration SEEN_AGAIN = Duration.ofMinutes(1);

    private final InstrumentRepository instruments;
    private final Recognition recognition;
    private final InstrumentClaims claims;
    private final ConnectionRows connections;
    private final LinkDoor door;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Instruments(
            InstrumentRepository instruments,
            Recognition recognition,
            InstrumentClaims claims,
            ConnectionRows connections,
            LinkDoor door,
            AuditTrail audit,
            TransactionTemplate transaction,
            Clock clock) {
        this.instruments = instruments;
        this.recognition = recognition;
        this.claims = claims;
        this.connections = connections;
        this.door = door;
        this.audit = audit;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * Puts who answered on the shelf; what a known one reports otherwise than before is noted. In the caller's
     * transaction.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    InstrumentView meet(InstrumentIdentity identity, Reach by) {
        Recognition.Named named = named(identity, by);
        Optional<InstrumentEntity> known = recognition.knownForGood(named);
        if (known.isPresent()) {
            noteWhatChanged(known.get().id, identity);
            return known.get().view();
        }
        InstrumentEntity instrument = new InstrumentEntity();
        instrument.id = UUID.randomUUID();
        instrument.knownBy = named.knownBy();
        takeOver(instrument, identity);
        InstrumentView saved = instruments.save(instrument).view();
        audit.note("connect", "instrument", saved.id(), null, saved);
        return saved;
    }

    /** As {@link #meet}, for one who is asked often: having been seen again is written down once a minute. */
    @Transactional(propagation = Propagation.MANDATORY)
    UUID seenAgain(InstrumentIdentity identity, Reach by) {
        Optional<InstrumentEntity> known = recognition.known(named(identity, by));
        if (known.isEmpty()) {
            return meet(identity, by).id();
        }
        InstrumentEntity instrument = known.get();
        boolean isLongAgo = instrument.lastSeenAt.isBefore(clock.instant().minus(SEEN_AGAIN));
        if (isLongAgo || !instrument.knows(identity)) {
            noteWhatChanged(instrument.id, identity);
        }
        return instrument.id;
    }

    private static Recognition.Named named(InstrumentIdentity identity, Reach by) {
        return new Recognition.Named(
                identity.maker(),
                identity.model(),
                identity.serial(),
                by.address().said());
    }

    /** A new firmware or calibration is a change of the record; having been seen again is not. */
    private void noteWhatChanged(UUID id, InstrumentIdentity identity) {
        InstrumentEntity instrument = entity(id);
        InstrumentView before = instrument.view();
        takeOver(instrument, identity);
        if (!instrument.view().seenAt(before.lastSeenAt()).equals(before)) {
            audit.note("changed by what the instrument reports", "instrument", id, before, instrument.view());
        }
    }

    private void takeOver(InstrumentEntity instrument, InstrumentIdentity identity) {
        // Who leaves the maker out takes no known one away.
        instrument.maker = identity.maker().isBlank() && instrument.maker != null ? instrument.maker : identity.maker();
        instrument.model = identity.model();
        instrument.serial = identity.serial();
        instrument.firmware = identity.firmware();
        instrument.options = InstrumentEntity.names(identity);
        instrument.calibratedOn = identity.calibratedOn().orElse(null);
        instrument.calibratedUntil = identity.calibratedUntil().orElse(null);
        instrument.lastSeenAt = clock.instant();
    }

    /**
     * An instrument that is known from a file it wrote; one that was never met is put on the shelf without an address.
     */
    public InstrumentView metInAFile(Maker made) {
        Maker.MakingInstrument maker = made.instrument().orElseThrow();
        Recognition.Named named = named(maker);
        return transaction.execute(status -> recognition
                .knownForGood(named)
                .map(InstrumentEntity::view)
                .orElseGet(() -> {
                    InstrumentEntity instrument = new InstrumentEntity();
                    instrument.id = UUID.randomUUID();
                    instrument.maker = maker.maker();
                    instrument.knownBy = named.knownBy();
                    instrument.model = maker.model();
                    instrument.serial = maker.serial();
                    instrument.firmware = maker.firmware();
                    instrument.options = "";
                    instrument.byHand = made.isByHand();
                    instrument.lastSeenAt = clock.instant();
                    InstrumentView saved = instruments.save(instrument).view();
                    audit.note("met in a file", "instrument", saved.id(), null, saved);
                    return saved;
                }));
    }

    private static Recognition.Named named(Maker.MakingInstrument maker) {
        return new Recognition.Named(
                maker.maker(),
                maker.model(),
                maker.serial(),
                Wording.SHIPPED.of(Sentence.of("instruments.fileOf", "person", AuditTrail.actor()), Wording.USUAL));
    }

    /** The instrument that a package names, if it is known; the one it was read from where the package cannot tell. */
    @Transactional(readOnly = true)
    public Optional<UUID> knownWriter(Maker made, UUID readFrom) {
        Maker.MakingInstrument maker = made.instrument().orElseThrow();
        if (maker.serial().isEmpty() || Recognition.isSame(entity(readFrom), named(maker))) {
            return Optional.of(readFrom);
        }
        return recognition.known(named(maker)).map(instrument -> instrument.id);
    }

    /**
     * As {@link #knownWriter}; an instrument that was never met is put on the shelf: a memory card may come from
     * another one.
     */
    public UUID writer(Maker made, UUID readFrom) {
        return knownWriter(made, readFrom).orElseGet(() -> metInAFile(made).id());
    }

    /**
     * What somebody writes down of an instrument's calibration.
     *
     * @param calibratedOn counts only where the instrument does not tell; null for not known
     * @param months from one calibration to the next; null where none is asked for
     */
    public record WrittenCalibration(
            @Nullable LocalDate calibratedOn, @Nullable Integer months) {}

    @Transactional
    public InstrumentView write(UUID id, WrittenCalibration written) {
        if (written.months() != null && (written.months() < 1 || written.months() > 240)) {
            throw new DomainProblem.Invalid("months", Sentence.of("instruments.interval"));
        }
        if (written.calibratedOn() != null
                && written.calibratedOn().isAfter(LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC))) {
            throw new DomainProblem.Invalid(
                    "calibratedOn", Sentence.of("instruments.calibrationAhead", "day", written.calibratedOn()));
        }
        InstrumentEntity instrument = entity(id);
        InstrumentView before = instrument.view();
        instrument.writtenCalibratedOn = written.calibratedOn();
        instrument.calibrationMonths = written.months();
        InstrumentView after = instruments.save(instrument).view();
        audit.note("write calibration", "instrument", id, before, after);
        return after;
    }

    /**
     * How wrong its clock was before somebody set it, where its readings have not been read back since; empty where
     * nobody has.
     */
    @Transactional(readOnly = true)
    public Optional<ClockState.Earlier> clockBefore(UUID id) {
        InstrumentEntity instrument = entity(id);
        return Optional.ofNullable(instrument.clockAheadBeforeMillis)
                .map(ahead -> new ClockState.Earlier(
                        new ClockCorrection(Duration.ofMillis(ahead)), instrument.clockSeenBeforeAt));
    }

    /** Keeps how wrong its clock is now, and, where somebody has set it since the last look, how wrong it was. */
    public void noteClock(UUID id, ClockCorrection difference) {
        transaction.executeWithoutResult(status -> {
            InstrumentEntity was = entity(id);
            boolean isSet = was.clockAheadMillis != null
                    && ClockState.isSet(new ClockCorrection(Duration.ofMillis(was.clockAheadMillis)), difference);
            instruments.noteClock(
                    id,
                    difference.instrumentAhead().toMillis(),
                    clock.instant(),
                    isSet ? was.clockAheadMillis : was.clockAheadBeforeMillis,
                    isSet ? was.clockSeenAt : was.clockSeenBeforeAt);
        });
    }

    /**
     * Nothing on it is dated by an earlier state of its clock any more: all was read back, or what comes is measured
     * from now on.
     */
    public void forgetClockBefore(UUID id) {
        transaction.executeWithoutResult(status -> {
            InstrumentEntity was = entity(id);
            instruments.noteClock(id, was.clockAheadMillis, was.clockSeenAt, null, null);
        });
    }

    /** The instruments on the shelf. */
    public List<InstrumentView> list() {
        return all().stream().filter(instrument -> !instrument.isByHand()).toList();
    }

    /** Whatever readings come from: the instruments, and who writes by hand. */
    public List<InstrumentView> all() {
        return instruments.findAllByOrderByModelAscSerialAsc().stream()
                .map(InstrumentEntity::view)
                .toList();
    }

    public InstrumentView get(UUID id) {
        return entity(id).view();
    }

    private InstrumentEntity entity(UUID id) {
        return instruments.findById(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.instrument")));
    }

    /**
     * Claims the instrument, connects, makes sure that it is the one, and does the work.
     *
     * @param purpose as others read it who want the same instrument
     * @throws DomainProblem.Conflict when somebody else uses it, or another instrument answers at its address
     */
    public <T> T withLink(UUID id, Sentence purpose, LinkWork<T> work) throws LinkException, PackageException {
        return withLink(
                id, purpose, InstrumentClaims.Manner.WORKS, (link, identity, hold) -> work.with(link, identity));
    }

    /**
     * As {@link #withLink}, for who only looks: the work ends as soon as its hold says that somebody else wants the
     * instrument.
     */
    public <T> T lookingWithLink(UUID id, Sentence purpose, HeldLinkWork<T> work)
            throws LinkException, PackageException {
        return withLink(id, purpose, InstrumentClaims.Manner.LOOKS, work);
    }

    /**
     * As {@link #lookingWithLink}, for who comes again by himself: where the instrument is in use, he is told at once.
     */
    public <T> T watchingWithLink(UUID id, Sentence purpose, HeldLinkWork<T> work)
            throws LinkException, PackageException {
        return withLink(id, purpose, InstrumentClaims.Manner.WATCHES, work);
    }

    private static Sentence by(Sentence purpose) {
        return Sentence.of("instruments.purposeOf", "purpose", purpose, "person", AuditTrail.actor());
    }

    private <T> T withLink(UUID id, Sentence purpose, InstrumentClaims.Manner manner, HeldLinkWork<T> work)
            throws LinkException, PackageException {
        InstrumentEntity instrument = entity(id);
        List<ConnectionRows.Row> ways = connections.to(id);
        if (ways.isEmpty()) {
            throw new DomainProblem.Conflict(
                    "no-address",
                    Sentence.of(
                            "instruments.onlyFromFile",
                            "instrument",
                            instrument.view().said()));
        }
        try (InstrumentClaims.Claim claim = claims.claim(id, by(purpose), manner);
                LinkDoor.Opened opened = openAny(ways)) {
            InstrumentIdentity identity = opened.link().identity();
            if (!Recognition.isSame(instrument, named(identity, ways.get(0).reach()))) {
                throw new DomainProblem.Conflict(
                        "another-instrument",
                        Sentence.of(
                                "instruments.otherAnswers",
                                "address",
                                ways.get(0).reach().address().said(),
                                "found",
                                identity.said(),
                                "wanted",
                                instrument.view().said()));
            }
            transaction.executeWithoutResult(status -> noteWhatChanged(id, identity));
            return work.with(FencedLink.of(opened.link(), claim), identity, claim);
        }
    }

    /** By the way it answered last, else by any other; where none leads there, what the first one said. */
    private LinkDoor.Opened openAny(List<ConnectionRows.Row> ways) throws LinkException {
        LinkException.NotReachable first = null;
        for (ConnectionRows.Row way : ways) {
            try {
                return door.open(way);
            } catch (LinkException.NotReachable e) {
                first = first == null ? e : first;
            }
        }
        throw first;
    }
}
