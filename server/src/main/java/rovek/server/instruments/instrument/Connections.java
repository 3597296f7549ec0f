package rovek.server.instruments.instrument;

import jakarta.annotation.Nullable;
import java.util.Optional;
import java.util.UUID;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.wording.Sentence;
import rovek.link.InstrumentIdentity;
import rovek.link.LinkException;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.secret.Secrets;
import rovek.server.base.wording.Wording;

/** The named ways to instruments: kept, changed, tried. */
@Service
public class Connections {

    private final ConnectionRows rows;
    private final ConnectionPolicy policy;
    private final LinkDoor door;
    private final Instruments instruments;
    private final Secrets secrets;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;

    Connections(
            ConnectionRows rows,
            ConnectionPolicy policy,
            LinkDoor door,
            Instruments instruments,
            Secrets secrets,
            AuditTrail audit,
            TransactionTemplate transaction) {
        this.rows = rows;
        this.policy = policy;
        this.door = door;
        this.instruments = instruments;
        this.secrets = secrets;
        this.audit = audit;
        this.transaction = transaction;
    }

    /**
     * A connection as somebody wants it.
     *
     * @param name null or blank to be called after the instrument that answers
     * @param kind null for the network
     * @param host where it is on the network; likewise {@code port}
     * @param place device of a line, or folder
     * @param baud of a line
     * @param passCode null keeps the one there is
     */
    public record ConnectionDraft(
            @Nullable String name,
            @Nullable Reach.Kind kind,
            @Nullable String host,
            @Nullable Integer port,
            @Nullable String place,
            @Nullable Integer baud,
            @Nullable String passCode) {

        Reach reach() {
            Reach.Kind wanted = kind == null ? Reach.Kind.NETWORK : kind;
            return switch (wanted) {
                case NETWORK -> new Reach(wanted, text(host), number(port));
                case LINE -> new Reach(wanted, text(place), number(baud));
                case FOLDER -> new Reach(wanted, text(place), 0);
            };
        }

        private static String text(@Nullable String given) {
            return given == null ? "" : given;
        }

        private static int number(@Nullable Integer given) {
            return given == null ? 0 : given;
        }

        public static ConnectionDraft network(String name, String host, int port, String passCode) {
            return new ConnectionDraft(name, Reach.Kind.NETWORK, host, port, null, null, passCode);
        }

        public static ConnectionDraft line(String name, String device, int baud, String passCode) {
            return new ConnectionDraft(name, Reach.Kind.LINE, null, null, device, baud, passCode);
        }

        public static ConnectionDraft folder(String name, String folder) {
            return new ConnectionDraft(name, Reach.Kind.FOLDER, null, null, folder, null, null);
        }
    }

    /** What stands in the audit trail: never the pass code. */
    private record Noted(String name, Reach reach) {}

    /**
     * Asks who answers there; only then is the connection kept, and the instrument put on the shelf. A place that is
     * known already gets the new name and pass code.
     */
    public InstrumentView connect(ConnectionDraft draft) {
        Reach reach = draft.reach();
        policy.address(reach);
        Optional<ConnectionRows.Row> known = rows.at(reach);
        UUID id = known.map(ConnectionRows.Row::id).orElseGet(UUID::randomUUID);
        ConnectionRows.Row wanted =
                new ConnectionRows.Row(id, name(draft, known), reach, sealed(draft, known), Optional.empty());
        InstrumentIdentity identity = whoAnswers(wanted);
        return transaction.execute(status -> {
            InstrumentView instrument = instruments.meet(identity, reach);
            String name = wanted.name().isBlank() ? Wording.said(instrument.said()) : wanted.name();
            rows.put(new ConnectionRows.Row(id, name, reach, wanted.passCode(), Optional.empty()));
            rows.noteAnswer(id, instrument.id());
            audit.note(
                    "connect",
                    "connection",
                    id,
                    known.map(row -> new Noted(row.name(), row.reach())).orElse(null),
                    new Noted(name, reach));
            return instruments.get(instrument.id());
        });
    }

    private static String name(ConnectionDraft draft, Optional<ConnectionRows.Row> known) {
        return draft.name() == null || draft.name().isBlank()
                ? known.map(ConnectionRows.Row::name).orElse("")
                : draft.name().strip();
    }

    private String sealed(ConnectionDraft draft, Optional<ConnectionRows.Row> known) {
        return draft.passCode() == null
                ? known.map(ConnectionRows.Row::passCode).orElse("")
                : secrets.seal(draft.passCode());
    }

    private InstrumentIdentity whoAnswers(ConnectionRows.Row connection) {
        try (LinkDoor.Opened opened = door.open(connection)) {
            return opened.link().identity();
        } catch (LinkException e) {
            throw new DomainProblem.LinkTrouble(e.code(), e.sentence());
        }
    }

    /** Tries a connection that is kept: who answers there now. */
    public InstrumentView tried(UUID id) {
        ConnectionRows.Row connection = require(id);
        InstrumentIdentity identity = whoAnswers(connection);
        return transaction.execute(status -> {
            InstrumentView instrument = instruments.meet(identity, connection.reach());
            rows.noteAnswer(id, instrument.id());
            return instruments.get(instrument.id());
        });
    }

    public void rename(UUID id, String name) {
        if (name.isBlank()) {
            throw new DomainProblem.Invalid("name", Sentence.of("instruments.nameConnection"));
        }
        transaction.executeWithoutResult(status -> {
            ConnectionRows.Row row = require(id);
            rows.put(new ConnectionRows.Row(id, name.strip(), row.reach(), row.passCode(), row.instrumentId()));
            audit.note(
                    "rename connection",
                    "connection",
                    id,
                    new Noted(row.name(), row.reach()),
                    new Noted(name.strip(), row.reach()));
        });
    }

    /** The way is forgotten; the instrument and all it measured stay. */
    public void remove(UUID id) {
        transaction.executeWithoutResult(status -> {
            ConnectionRows.Row row = require(id);
            rows.remove(id);
            audit.note("remove connection", "connection", id, new Noted(row.name(), row.reach()), null);
        });
    }

    private ConnectionRows.Row require(UUID id) {
        return rows.find(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.connection")));
    }

    /** Pass codes of a version that kept them plain. */
    @EventListener(ApplicationReadyEvent.class)
    void sealPlainPassCodes() {
        rows.all().stream()
                .filter(row -> !row.passCode().isEmpty() && !secrets.isSealed(row.passCode()))
                .forEach(row -> rows.put(new ConnectionRows.Row(
                        row.id(), row.name(), row.reach(), secrets.seal(row.passCode()), row.instrumentId())));
    }
}
