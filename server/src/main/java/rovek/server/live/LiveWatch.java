package rovek.server.live;

import jakarta.annotation.Nullable;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Function;
import org.springframework.security.concurrent.DelegatingSecurityContextRunnable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.live.GoLimit;
import rovek.server.audit.AuditTrail;
import rovek.server.problem.DomainProblem;

/** Sessions under way on this server, one for each source however many watch it. */
@Service
public class LiveWatch {

    private final LiveSources sources;
    private final LiveRows rows;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Map<LiveTarget, LiveSession> sessions = new HashMap<>();
    private final ExecutorService asking = Executors.newCachedThreadPool();

    LiveWatch(LiveSources sources, LiveRows rows, AuditTrail audit, TransactionTemplate transaction, Clock clock) {
        this.sources = sources;
        this.rows = rows;
        this.audit = audit;
        this.transaction = transaction;
        this.clock = clock;
    }

    List<LiveSources.Watchable> sources() {
        return sources.list();
    }

    /** Joins the session of a source, or begins it in the name of whoever asks. The caller says when he looks away. */
    LiveSession watch(LiveTarget target) {
        LiveSource source = sources.of(target);
        synchronized (sessions) {
            LiveSession session = sessions.get(target);
            if (session == null) {
                session = new LiveSession(source, clock, rows.limits(target));
                sessions.put(target, session);
                LiveSession begun = session;
                asking.execute(new DelegatingSecurityContextRunnable(() -> {
                    do {
                        begun.run();
                    } while (!isOver(target, begun));
                }));
            }
            session.watched();
            return session;
        }
    }

    /** Hands a session on to somebody who says himself when he looks away. */
    <T> T streamed(LiveTarget target, Function<LiveSession, T> handOver) {
        LiveSession session = watch(target);
        try {
            return handOver.apply(session);
        } finally {
            session.unwatched();
        }
    }

    /** Somebody may have come just when it ended: then it goes on. */
    private boolean isOver(LiveTarget target, LiveSession session) {
        synchronized (sessions) {
            boolean isOver = !session.isWanted() || Thread.currentThread().isInterrupted();
            if (isOver) {
                sessions.remove(target, session);
            }
            return isOver;
        }
    }

    boolean isRecording(UUID recording) {
        synchronized (sessions) {
            return sessions.values().stream().flatMap(session -> session.recorder().stream()).anyMatch(recorder -> recorder.begun().id().equals(recording));
        }
    }

    /** The recordings here that take no more. */
    Map<LiveTarget, LiveRows.Begun> full() {
        Map<LiveTarget, LiveRows.Begun> full = new HashMap<>();
        synchronized (sessions) {
            sessions.forEach((target, session) -> session.recorder().filter(Recorder::isFull).ifPresent(recorder -> full.put(target, recorder.begun())));
        }
        return full;
    }

    Optional<LiveSession> running(LiveTarget target) {
        synchronized (sessions) {
            return Optional.ofNullable(sessions.get(target));
        }
    }

    /**
     * Sets what a channel must keep to.
     *
     * @param low null where nothing is too low; likewise {@code high}
     */
    public void limit(LiveTarget target, String channel, @Nullable Double low, @Nullable Double high) {
        GoLimit limit;
        try {
            limit = new GoLimit(boundary(low), boundary(high));
        } catch (IllegalArgumentException e) {
            throw new DomainProblem.Invalid("low", e.getMessage());
        }
        sources.of(target);
        transaction.executeWithoutResult(status -> {
            GoLimit before = rows.limits(target).get(channel);
            rows.limit(target, channel, low, high);
            audit.note("set live limit", "live channel", channel, before, limit);
        });
        running(target).ifPresent(session -> session.limit(channel, limit));
    }

    private static OptionalDouble boundary(@Nullable Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    @PreDestroy
    void close() {
        asking.shutdownNow();
    }
}
