package rovek.server.instruments.instrument;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.stereotype.Service;
import rovek.core.wording.Sentence;
import rovek.link.Instrument;
import rovek.link.LinkException;
import rovek.link.scpi.ScpiSession;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.secret.Secrets;

/**
 * Opens links, one at a time by each connection: a serial line cannot be opened twice, and many instruments listen to
 * one caller only.
 */
@Service
class LinkDoor {

    private static final Duration LONGEST_LOOK = Duration.ofSeconds(5);

    private final Secrets secrets;
    private final ConnectionPolicy policy;
    private final Map<UUID, ReentrantLock> locks = new ConcurrentHashMap<>();

    LinkDoor(Secrets secrets, ConnectionPolicy policy) {
        this.secrets = secrets;
        this.policy = policy;
    }

    /** An open link that holds its connection until it is closed. */
    record Opened(Instrument link, ReentrantLock held) implements AutoCloseable {
        @Override
        public void close() {
            link.close();
            held.unlock();
        }
    }

    /**
     * Opens a link, after whoever is just looking who is there.
     *
     * @throws DomainProblem.Conflict while it is held for longer
     */
    Opened open(ConnectionRows.Row connection) throws LinkException {
        ReentrantLock lock = locks.computeIfAbsent(connection.id(), none -> new ReentrantLock());
        try {
            if (!lock.tryLock(LONGEST_LOOK.toMillis(), TimeUnit.MILLISECONDS)) {
                throw new DomainProblem.Conflict(
                        "instrument-claimed",
                        Sentence.of("instruments.connectionInUse", "connection", connection.name()));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new LinkException.Stopped();
        }
        return opened(connection, lock, Instrument.PATIENCE, ScpiSession.NO_END);
    }

    /**
     * Opens a link only where nobody else holds it; empty otherwise.
     *
     * @param longest how long it may be held
     */
    Optional<Opened> peek(ConnectionRows.Row connection, Duration patience, Duration longest) throws LinkException {
        ReentrantLock lock = locks.computeIfAbsent(connection.id(), none -> new ReentrantLock());
        return lock.tryLock() ? Optional.of(opened(connection, lock, patience, longest)) : Optional.empty();
    }

    private Opened opened(ConnectionRows.Row connection, ReentrantLock lock, Duration patience, Duration longest)
            throws LinkException {
        try {
            return new Opened(
                    policy.address(connection.reach()).connect(passCode(connection), patience, longest), lock);
        } catch (LinkException | RuntimeException e) {
            lock.unlock();
            throw e;
        }
    }

    private Optional<String> passCode(ConnectionRows.Row connection) throws LinkException {
        String code = secrets.open(connection.passCode()).orElseThrow(LinkException.PassCodeWanted::new);
        return Optional.of(code).filter(text -> !text.isBlank());
    }
}
