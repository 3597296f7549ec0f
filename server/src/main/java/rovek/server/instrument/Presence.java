package rovek.server.instrument;

import jakarta.annotation.Nullable;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.link.Instrument;
import rovek.link.InstrumentIdentity;
import rovek.link.LinkException;

/**
 * Who is there now, by every connection and everywhere else an instrument might be. Many may ask at once and often: the
 * instruments are asked once in a while and never while somebody works with them.
 */
@Service
public class Presence {

    /** Fewer than there are connections to the database: others want to work meanwhile. */
    private static final int MOST_AT_ONCE = 4;

    private static final Duration PATIENCE = Duration.ofMillis(900);
    private static final Duration FRESH = Duration.ofMillis(1_500);
    private static final Duration CANDIDATES_FRESH = Duration.ofSeconds(4);

    private final ConnectionRows rows;
    private final ConnectionPolicy policy;
    private final LinkDoor door;
    private final Instruments instruments;
    private final InstrumentClaims claims;
    private final TransactionTemplate transaction;
    private final ExecutorService asking = Executors.newFixedThreadPool(MOST_AT_ONCE);
    private final Seen<ConnectionLine> connections = new Seen<>();
    private final Seen<CandidateLine> candidates = new Seen<>();

    Presence(
            ConnectionRows rows, ConnectionPolicy policy, LinkDoor door, Instruments instruments, InstrumentClaims claims, TransactionTemplate transaction) {
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
    public record ConnectionLine(UUID id, String name, Reach reach, String said, @Nullable UUID instrumentId, State state, String sentence) {}

    /**
     * Somebody who answers where no connection leads yet.
     *
     * @param who model and serial, or that it asks for its pass code
     */
    public record CandidateLine(Reach reach, String said, String who, boolean asksForPassCode) {}

    /** Everything that was found. */
    public record Findings(List<ConnectionLine> connections, List<CandidateLine> candidates, Set<String> lines) {}

    private static final class Seen<T> {
        private List<T> lines = List.of();
        private long at = Long.MIN_VALUE;

        boolean isFresh(Duration span) {
            return at != Long.MIN_VALUE && System.nanoTime() - at < span.toNanos();
        }
    }

    /** @param anew whether what was found a moment ago will not do */
    public Findings look(boolean anew) {
        List<ConnectionLine> known;
        synchronized (connections) {
            if (anew || !connections.isFresh(FRESH)) {
                connections.lines = together(rows.all(), this::line);
                connections.at = System.nanoTime();
            }
            known = connections.lines;
        }
        synchronized (candidates) {
            if (anew || !candidates.isFresh(CANDIDATES_FRESH)) {
                Set<Reach> taken = new HashSet<>();
                rows.all().forEach(row -> taken.add(row.reach()));
                candidates.lines = together(policy.places().stream().filter(place -> !taken.contains(place)).toList(), this::candidate)
                        .stream().flatMap(Optional::stream).toList();
                candidates.at = System.nanoTime();
            }
            return new Findings(known, candidates.lines, policy.lines());
        }
    }

    private interface Look<A, B> {
        B at(A place);
    }

    private <A, B> List<B> together(List<A> places, Look<A, B> look) {
        List<Callable<B>> calls = new ArrayList<>();
        places.forEach(place -> calls.add(() -> look.at(place)));
        List<B> seen = new ArrayList<>();
        try {
            for (Future<B> future : asking.invokeAll(calls)) {
                seen.add(future.get());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException e) {
            throw new IllegalStateException("Looking for instruments failed.", e.getCause());
        }
        return seen;
    }

    private ConnectionLine line(ConnectionRows.Row row) {
        if (row.instrumentId().flatMap(claims::purpose).isPresent()) {
            return said(row, row.instrumentId(), State.IN_USE, row.instrumentId().flatMap(claims::purpose).orElse(""));
        }
        try (LinkDoor.Opened opened = door.peek(row, PATIENCE).orElse(null)) {
            if (opened == null) {
                return said(row, row.instrumentId(), State.IN_USE, "");
            }
            InstrumentIdentity identity = opened.link().identity();
            UUID instrument = transaction.execute(status -> {
                UUID met = instruments.seenAgain(identity, row.reach());
                rows.noteAnswer(row.id(), met);
                return met;
            });
            return said(row, Optional.of(instrument), State.CONNECTED, "");
        } catch (LinkException.Busy busy) {
            return said(row, row.instrumentId(), State.IN_USE, busy.getMessage());
        } catch (LinkException e) {
            return said(row, row.instrumentId(), State.SILENT, e.getMessage());
        }
    }

    private static ConnectionLine said(ConnectionRows.Row row, Optional<UUID> instrument, State state, String sentence) {
        return new ConnectionLine(row.id(), row.name(), row.reach(), row.reach().address().said(), instrument.orElse(null), state, sentence);
    }

    private Optional<CandidateLine> candidate(Reach reach) {
        String said = reach.address().said();
        try (Instrument link = reach.address().connect(Optional.empty(), PATIENCE)) {
            InstrumentIdentity identity = link.identity();
            return Optional.of(new CandidateLine(reach, said, identity.said(), false));
        } catch (LinkException.PassCodeWanted wanted) {
            return Optional.of(new CandidateLine(reach, said, "", true));
        } catch (LinkException nobody) {
            return Optional.empty();
        }
    }

    @PreDestroy
    void close() {
        asking.shutdownNow();
    }
}
