package rovek.server.intake.live;

import java.io.IOException;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.http.MediaType;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Wording;

/** What is told over open connections: to so many at once, and for as long as whoever listens is signed in. */
@Component
class Streams implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(Streams.class);
    /** A browser comes back by itself when a stream ends. */
    private static final long LONGEST_MILLIS = 3_600_000;

    private static final long TELL_EVERY_MILLIS = 250;
    private static final int TELLS_BETWEEN_CHECKS = 8;
    private static final int AT_ONCE = 8;
    private static final int MOST_OF_ONE_SESSION = 8;

    private final SessionRepository<? extends Session> sessions;
    private final Map<String, Integer> open = new ConcurrentHashMap<>();
    private final Set<SseEmitter> emitters = ConcurrentHashMap.newKeySet();
    private volatile boolean isRunning;
    private final ScheduledExecutorService telling = Executors.newScheduledThreadPool(AT_ONCE);

    Streams(SessionRepository<? extends Session> sessions) {
        this.sessions = sessions;
    }

    /**
     * Tells of a session until it ends, or until who listens hangs up or is signed out.
     *
     * @param listener id of the listener's own session
     * @param language of what is told
     * @throws DomainProblem.Conflict where the listener has too many open already
     */
    SseEmitter of(LiveSession session, String listener, Locale language) {
        if (open.merge(listener, 1, Integer::sum) > MOST_OF_ONE_SESSION) {
            closed(listener);
            throw new DomainProblem.Conflict(
                    "too-many-streams", Sentence.of("intake.mostLiveViews", "most", MOST_OF_ONE_SESSION));
        }
        session.watched();
        SseEmitter emitter = new SseEmitter(LONGEST_MILLIS);
        emitters.add(emitter);
        Telling told = new Telling(emitter, session, listener);
        ScheduledFuture<?> ticking = telling.scheduleWithFixedDelay(
                Wording.spoken(language, told::tell), 0, TELL_EVERY_MILLIS, TimeUnit.MILLISECONDS);
        AtomicBoolean isOpen = new AtomicBoolean(true);
        Runnable over = () -> {
            ticking.cancel(false);
            emitters.remove(emitter);
            if (isOpen.compareAndSet(true, false)) {
                session.unwatched();
                closed(listener);
            }
        };
        emitter.onCompletion(over);
        emitter.onTimeout(emitter::complete);
        emitter.onError(error -> over.run());
        return emitter;
    }

    private void closed(String listener) {
        open.computeIfPresent(listener, (same, count) -> count == 1 ? null : count - 1);
    }

    private final class Telling {

        private final SseEmitter emitter;
        private final LiveSession session;
        private final String listener;
        private final AtomicLong newest = new AtomicLong();
        private int tells;

        Telling(SseEmitter emitter, LiveSession session, String listener) {
            this.emitter = emitter;
            this.session = session;
            this.listener = listener;
        }

        void tell() {
            try {
                if (tells++ % TELLS_BETWEEN_CHECKS == 0 && isSignedOut()) {
                    emitter.complete();
                    return;
                }
                LiveUpdate update = session.since(newest.get());
                emitter.send(SseEmitter.event().name("live").data(update, MediaType.APPLICATION_JSON));
                newest.set(update.newest());
            } catch (IOException | IllegalStateException gone) {
                emitter.complete();
            } catch (RuntimeException fault) {
                emitter.completeWithError(fault);
            }
        }

        private boolean isSignedOut() {
            try {
                return sessions.findById(listener) == null;
            } catch (RuntimeException away) {
                LOG.debug("Who listens cannot be asked for now; it is asked again.", away);
                return false;
            }
        }
    }

    @Override
    public void start() {
        isRunning = true;
    }

    /** Before the web server waits for its last answers: a stream would keep it waiting for as long as it may. */
    @Override
    public void stop() {
        isRunning = false;
        telling.shutdownNow();
        emitters.forEach(SseEmitter::complete);
    }

    @Override
    public boolean isRunning() {
        return isRunning;
    }

    @Override
    public int getPhase() {
        return Integer.MAX_VALUE;
    }
}
