package rovek.server.instruments.instrument;

import jakarta.annotation.Nullable;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.wording.Sentence;
import rovek.link.Instrument;
import rovek.link.InstrumentIdentity;
import rovek.link.LinkException;
import rovek.server.base.problem.DomainProblem;

/**
 * Who is there now, by every connection and everywhere else an instrument might be. Many may ask at once and often: the
 * instruments are asked once in a while, never while somebody works with them, and nobody waits for the slowest.
 */
@Service
public class Presence {

    /** Fewer than there are connections to the database: others want to work meanwhile. */
    private static final int MOST_AT_ONCE = 6;

    private static final Duration PATIENCE = Duration.ofMillis(900);
    /** Whoever looks is told by then what is known; slow ones are told of at the next look. */
    private static final Duration LONGEST_LOOK = Duration.ofSeconds(2);
    /** No place is asked for longer, whatever it answers. */
    private static final Duration LONGEST_TALK = Duration.ofSeconds(4);

    private static final Duration FRESH = Duration.ofMillis(1_500);
    private static final Duration CANDIDATES_FRESH = Duration.ofSeconds(4);

    private final ConnectionRows rows;
    private final ConnectionPolicy policy;
    private final LinkDoor door;
    private final Instruments instruments;
    private final InstrumentClaims claims;
    private final TransactionTemplate transaction;
    private final ExecutorService asking = Executors.newFixedThreadPool(MOST_AT_ONCE);
    private final Sightings<UUID, ConnectionLine> connections = new Sightings<>(asking);
    private final Sightings<Reach, Optional<CandidateLine>> candidates = new Sightings<>(asking);

    Presence(
            ConnectionRows rows,
            ConnectionPolicy policy,
            LinkDoor door,
            Instruments instruments,
            InstrumentClaims claims,
            TransactionTemplate transaction) {
        this.rows = rows;
        this.policy = policy;
        this.door = door;
        this.instruments = instruments;
        this.claims = claims;
        this.transaction = transaction;
    }

    /** Whether an instrument answers by a connection. */
    public enum State {
        CONNECTED,
        IN_USE,
        SILENT
    }

    /**
     * A connection as it is now.
     *
     * @param instrumentId who answers, or answered last; null where nobody ever did
     * @param sentence what is the matter; blank where it is connected
     */
    public record ConnectionLine(
            UUID id,
            String name,
            Reach reach,
            String said,
            @Nullable UUID instrumentId,
            State state,
            Sentence sentence) {}

    /**
     * Somebody who answers where no connection leads yet.
     *
     * @param who model and serial, or that it asks for its pass code
     */
    public record CandidateLine(Reach reach, String said, Sentence who, boolean asksForPassCode) {}

    /** Everything that was found. */
    public record Findings(List<ConnectionLine> connections, List<CandidateLine> candidates, Set<String> lines) {}

    /** @param again whether to look once more, however short ago the last look was */
    public Findings look(boolean again) {
        List<ConnectionRows.Row> known = rows.all();
        Set<Reach> taken = new HashSet<>();
        known.forEach(row -> taken.add(row.reach()));
        List<Reach> elsewhere =
                policy.places().stream().filter(place -> !taken.contains(place)).toList();
        connections.keepOnly(known.stream().map(ConnectionRows.Row::id).toList());
        candidates.keepOnly(elsewhere);
        known.forEach(row -> connections.look(row.id(), again ? Duration.ZERO : FRESH, () -> line(row)));
        elsewhere.forEach(
                place -> candidates.look(place, again ? Duration.ZERO : CANDIDATES_FRESH, () -> candidate(place)));
        long until = System.nanoTime() + LONGEST_LOOK.toNanos();
        List<ConnectionLine> lines = known.stream()
                .map(row -> connections.within(row.id(), until).orElseGet(() -> notYet(row)))
                .toList();
        List<CandidateLine> found = elsewhere.stream()
                .flatMap(place -> candidates.within(place, until).flatMap(line -> line).stream())
                .toList();
        return new Findings(lines, found, policy.lines());
    }

    private static ConnectionLine notYet(ConnectionRows.Row row) {
        return said(row, row.instrumentId(), State.SILENT, Sentence.of("instruments.noAnswerYet"));
    }

    private ConnectionLine line(ConnectionRows.Row row) {
        if (row.instrumentId().flatMap(claims::purpose).isPresent()) {
            return said(
                    row,
                    row.instrumentId(),
                    State.IN_USE,
                    row.instrumentId().flatMap(claims::purpose).orElse(Sentence.NONE));
        }
        try (LinkDoor.Opened opened = door.peek(row, PATIENCE, LONGEST_TALK).orElse(null)) {
            if (opened == null) {
                return said(row, row.instrumentId(), State.IN_USE, Sentence.NONE);
            }
            InstrumentIdentity identity = opened.link().identity();
            UUID instrument = transaction.execute(status -> {
                UUID met = instruments.seenAgain(identity, row.reach());
                rows.noteAnswer(row.id(), met);
                return met;
            });
            return said(row, Optional.of(instrument), State.CONNECTED, Sentence.NONE);
        } catch (LinkException.Busy busy) {
            return said(row, row.instrumentId(), State.IN_USE, busy.sentence());
        } catch (LinkException e) {
            return said(row, row.instrumentId(), State.SILENT, e.sentence());
        } catch (DomainProblem.Invalid e) {
            return said(row, row.instrumentId(), State.SILENT, e.sentence());
        }
    }

    private static ConnectionLine said(
            ConnectionRows.Row row, Optional<UUID> instrument, State state, Sentence sentence) {
        return new ConnectionLine(
                row.id(),
                row.name(),
                row.reach(),
                row.reach().address().said(),
                instrument.orElse(null),
                state,
                sentence);
    }

    private Optional<CandidateLine> candidate(Reach reach) {
        String said = reach.address().said();
        try (Instrument link = policy.address(reach).connect(Optional.empty(), PATIENCE, LONGEST_TALK)) {
            InstrumentIdentity identity = link.identity();
            return Optional.of(new CandidateLine(reach, said, identity.said(), false));
        } catch (LinkException.PassCodeWanted wanted) {
            return Optional.of(new CandidateLine(reach, said, Sentence.NONE, true));
        } catch (LinkException | DomainProblem.Invalid nobody) {
            return Optional.empty();
        }
    }

    @PreDestroy
    void close() {
        asking.shutdownNow();
    }
}
