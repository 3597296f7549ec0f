package rovek.server.instrument;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.link.Instrument;
import rovek.link.InstrumentIdentity;
import rovek.link.LinkException;
import rovek.link.TcpTransport;
import rovek.link.packet.Maker;
import rovek.link.packet.PackageException;
import rovek.server.audit.AuditTrail;
import rovek.server.problem.DomainProblem;

/** The handhelds, and the way to them. No transaction is held while an instrument is being spoken with. */
@Service
public class Instruments {

    private final InstrumentRepository instruments;
    private final InstrumentClaims claims;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Instruments(
            InstrumentRepository instruments,
            InstrumentClaims claims,
            AuditTrail audit,
            TransactionTemplate transaction,
            Clock clock) {
        this.instruments = instruments;
        this.claims = claims;
        this.audit = audit;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Where an instrument answers. */
    public record Address(String host, int port, String passCode) {}

    /** Asks who answers at an address and puts it on the shelf; one that is known already gets the new address. */
    public InstrumentView add(Address address) {
        InstrumentIdentity identity;
        try (Instrument link = Instrument.connect(transport(address.host(), address.port()), passCode(address.passCode()))) {
            identity = link.identity();
        } catch (LinkException e) {
            throw new DomainProblem.LinkTrouble(e.code(), e.getMessage());
        }
        return transaction.execute(status -> {
            InstrumentEntity instrument = instruments.findBySerial(identity.serial()).orElseGet(InstrumentEntity::new);
            InstrumentView before = instrument.id == null ? null : instrument.view();
            instrument.id = instrument.id == null ? UUID.randomUUID() : instrument.id;
            instrument.host = address.host().strip();
            instrument.port = address.port();
            instrument.passCode = address.passCode() == null ? "" : address.passCode();
            takeOver(instrument, identity);
            InstrumentView saved = instruments.save(instrument).view();
            audit.note("connect", "instrument", saved.id(), before, saved);
            return saved;
        });
    }

    private static TcpTransport transport(String host, int port) {
        try {
            return new TcpTransport(host == null ? "" : host.strip(), port);
        } catch (IllegalArgumentException e) {
            throw new DomainProblem.Invalid("host", e.getMessage());
        }
    }

    private static Optional<String> passCode(String code) {
        return Optional.ofNullable(code).filter(text -> !text.isBlank());
    }

    /** A new firmware or calibration is a change of the record; having been seen again is not. */
    private void noteWhatChanged(UUID id, InstrumentIdentity identity) {
        InstrumentEntity instrument = entity(id);
        InstrumentView before = instrument.view();
        takeOver(instrument, identity);
        if (!instrument.view().seenAt(before.lastSeenAt()).equals(before)) {
            audit.note("told anew by the instrument", "instrument", id, before, instrument.view());
        }
    }

    private void takeOver(InstrumentEntity instrument, InstrumentIdentity identity) {
        instrument.maker = identity.maker();
        instrument.model = identity.model();
        instrument.serial = identity.serial();
        instrument.firmware = identity.firmware();
        instrument.options = String.join(",", new TreeSet<>(identity.options().keySet()));
        instrument.calibratedOn = identity.calibratedOn().orElse(null);
        instrument.calibratedUntil = identity.calibratedUntil().orElse(null);
        instrument.lastSeenAt = clock.instant();
    }

    /** An instrument that is known from a file it wrote; one that was never met is put on the shelf without an address. */
    public InstrumentView metInAFile(Maker.MakingInstrument maker) {
        return transaction.execute(status -> instruments.findBySerial(maker.serial())
                .map(InstrumentEntity::view)
                .orElseGet(() -> {
                    InstrumentEntity instrument = new InstrumentEntity();
                    instrument.id = UUID.randomUUID();
                    instrument.maker = "";
                    instrument.model = maker.model();
                    instrument.serial = maker.serial();
                    instrument.firmware = maker.firmware();
                    instrument.options = "";
                    instrument.host = "";
                    instrument.passCode = "";
                    instrument.lastSeenAt = clock.instant();
                    InstrumentView saved = instruments.save(instrument).view();
                    audit.note("met in a file", "instrument", saved.id(), null, saved);
                    return saved;
                }));
    }

    public List<InstrumentView> list() {
        return instruments.findAllByOrderByModelAscSerialAsc().stream().map(InstrumentEntity::view).toList();
    }

    public InstrumentView get(UUID id) {
        return entity(id).view();
    }

    private InstrumentEntity entity(UUID id) {
        return instruments.findById(id).orElseThrow(() -> new DomainProblem.NotFound("The instrument"));
    }

    /**
     * Claims the instrument, connects, makes sure that it is the one, and does the work.
     *
     * @param purpose as others read it who want the same instrument
     * @throws DomainProblem.Conflict when somebody else uses it, or another instrument answers at its address
     */
    public <T> T withLink(UUID id, String purpose, LinkWork<T> work) throws LinkException, PackageException {
        InstrumentEntity instrument = entity(id);
        if (instrument.host.isBlank()) {
            throw new DomainProblem.Conflict(
                    "no-address",
                    "%s no. %s is known from a file only. Connect it once by its address, then it can be spoken with.".formatted(instrument.model, instrument.serial));
        }
        UUID holder = claims.claim(id, purpose + " for " + AuditTrail.actor());
        try (Instrument link =
                Instrument.connect(transport(instrument.host, instrument.port), passCode(instrument.passCode))) {
            InstrumentIdentity identity = link.identity();
            if (!identity.serial().equals(instrument.serial)) {
                throw new DomainProblem.Conflict(
                        "another-instrument",
                        "At %s port %d now answers %s no. %s, not no. %s. Nothing was done; check the connection."
                                .formatted(instrument.host, instrument.port, identity.model(), identity.serial(), instrument.serial));
            }
            transaction.executeWithoutResult(status -> noteWhatChanged(id, identity));
            return work.with(link, identity, () -> claims.renew(id, holder));
        } finally {
            claims.release(id, holder);
        }
    }
}
