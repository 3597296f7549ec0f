package rovek.server.intake.live;

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
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.concurrent.DelegatingSecurityContextRunnable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.live.GoLimit;
import rovek.core.wording.Refused;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;

/** Sessions under way on this server, one for each source however many watch it. */
@Service
public class LiveWatch {

    private static final Logger LOG = LoggerFactory.getLogger(LiveWatch.class);
    private static final int SHARING_AT_ONCE = 4;
    private static final long SHARED_EVERY_MILLIS = 500;

    private final LiveSources sources;
    private final LiveRows rows;
    private final SharedViews views;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final int mostValues;
    private final Map<LiveTarget, LiveSession> sessions = new HashMap<>();
    private final ExecutorService asking = Executors.newCachedThreadPool();
    private final ScheduledExecutorService sharing = Executors.newScheduledThreadPool(SHARING_AT_ONCE);

    LiveWatch(
            LiveSources sources,
            LiveRows rows,
            SharedViews views,
            AuditTrail audit,
            TransactionTemplate transaction,
            Clock clock,
            @Value("${rovek.live.most-values:2000000}") int mostValues) {
        this.sources = sources;
        this.rows = rows;
        this.views = views;
        this.mostValues = mostValues;
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
                session = new LiveSession(source, clock, this::recorder);
                sessions.put(target, session);
                begin(target, session);
            }
            session.watched();
            return session;
        }
    }

    private void begin(LiveTarget target, LiveSession session) {
        LiveSharing shared = new LiveSharing(target, session, views, rows);
        LiveAsking asked = new LiveAsking(session, shared, clock);
        ScheduledFuture<?> ticking =
                sharing.scheduleWithFixedDelay(shared, 0, SHARED_EVERY_MILLIS, TimeUnit.MILLISECONDS);
        asking.execute(new DelegatingSecurityContextRunnable(() -> {
            try {
                do {
                    asked.run();
                } while (!isOver(target, session));
            } finally {
                ticking.cancel(false);
                shared.end();
            }
        }));
    }

    /** Goes on with a recording, unless it was closed in the meantime. */
    private Optional<Recorder> recorder(LiveRows.Open open) {
        try {
            rows.alive(open.begun().id(), clock.instant());
            return Optional.of(new Recorder(open, rows, clock, mostValues));
        } catch (LiveRows.Closed closed) {
            return Optional.empty();
        }
    }

    /** Does something with the session of a source, which goes on for a moment afterwards. */
    <T> T watching(LiveTarget target, Function<LiveSession, T> work) {
        LiveSession session = watch(target);
        try {
            return work.apply(session);
        } finally {
            session.unwatched();
        }
    }

    /**
     * What is recorded of a source has changed: whoever watches it here is told at once, whoever watches elsewhere
     * soon.
     */
    void recordingChanged(LiveTarget target) {
        running(target).ifPresent(session -> session.recorded(rows.open(target)));
    }

    /** Ends a recording, with all that came in where it is recorded here. */
    void endRecording(LiveTarget target, UUID recording, Runnable close) {
        running(target).ifPresentOrElse(session -> session.endRecording(recording, close), close);
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
            return sessions.values().stream()
                    .flatMap(session -> session.recorder().stream())
                    .anyMatch(recorder -> recorder.begun().id().equals(recording));
        }
    }

    /** The recordings here that take no more. */
    Map<LiveTarget, LiveRows.Begun> full() {
        Map<LiveTarget, LiveRows.Begun> full = new HashMap<>();
        synchronized (sessions) {
            sessions.forEach((target, session) -> session.recorder()
                    .filter(Recorder::isFull)
                    .ifPresent(recorder -> full.put(target, recorder.begun())));
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
        } catch (Refused e) {
            throw new DomainProblem.Invalid("low", e.sentence());
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
        sharing.shutdownNow();
        asking.shutdownNow();
        try {
            // So that another server need not wait until what was asked for here runs out.
            if (!asking.awaitTermination(2, TimeUnit.SECONDS)) {
                LOG.warn("A live view is still being asked for.");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
