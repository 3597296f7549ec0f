package rovek.server.live;

import jakarta.annotation.Nullable;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import rovek.server.visit.VisitIntake;

@RestController
@RequestMapping("/api/live")
class LiveController {

    /** A browser comes back by itself when a stream ends. */
    private static final long LONGEST_MILLIS = 3_600_000;
    private static final long TELL_EVERY_MILLIS = 250;
    private static final int AT_ONCE = 4;

    private final LiveWatch watch;
    private final LiveRecordings recordings;
    private final ScheduledExecutorService telling = Executors.newScheduledThreadPool(AT_ONCE);

    LiveController(LiveWatch watch, LiveRecordings recordings) {
        this.watch = watch;
        this.recordings = recordings;
    }

    record LimitDraft(String channel, @Nullable Double low, @Nullable Double high) {}

    record MarkDraft(String text) {}

    /** What is told over the stream, so that the description of this interface names it. */
    @GetMapping("/{kind}/{id}")
    LiveUpdate now(@PathVariable LiveTarget.Kind kind, @PathVariable UUID id) {
        LiveSession session = watch.watch(new LiveTarget(kind, id));
        try {
            return session.since(0);
        } finally {
            session.unwatched();
        }
    }

    @GetMapping
    List<LiveSources.Watchable> sources() {
        return watch.sources();
    }

    @GetMapping(path = "/{kind}/{id}/stream", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter stream(@PathVariable LiveTarget.Kind kind, @PathVariable UUID id) {
        LiveSession session = watch.watch(new LiveTarget(kind, id));
        SseEmitter emitter = new SseEmitter(LONGEST_MILLIS);
        AtomicLong told = new AtomicLong();
        AtomicBoolean isWatching = new AtomicBoolean(true);
        ScheduledFuture<?> tell = telling.scheduleWithFixedDelay(() -> tell(emitter, session, told), 0, TELL_EVERY_MILLIS, TimeUnit.MILLISECONDS);
        Runnable lookAway = () -> {
            tell.cancel(false);
            if (isWatching.compareAndSet(true, false)) {
                session.unwatched();
            }
        };
        emitter.onCompletion(lookAway);
        emitter.onTimeout(emitter::complete);
        emitter.onError(error -> lookAway.run());
        return emitter;
    }

    private static void tell(SseEmitter emitter, LiveSession session, AtomicLong told) {
        try {
            LiveUpdate update = session.since(told.get());
            emitter.send(SseEmitter.event().name("live").data(update, MediaType.APPLICATION_JSON));
            told.set(update.newest());
        } catch (IOException | IllegalStateException gone) {
            emitter.complete();
        } catch (RuntimeException fault) {
            emitter.completeWithError(fault);
        }
    }

    @PutMapping("/{kind}/{id}/limits")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void limit(@PathVariable LiveTarget.Kind kind, @PathVariable UUID id, @RequestBody LimitDraft limit) {
        watch.limit(new LiveTarget(kind, id), limit.channel(), limit.low(), limit.high());
    }

    @PostMapping("/{kind}/{id}/recording")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void begin(@PathVariable LiveTarget.Kind kind, @PathVariable UUID id, @RequestBody LiveRecordings.RecordingDraft wanted) {
        recordings.begin(new LiveTarget(kind, id), wanted);
    }

    @PostMapping("/{kind}/{id}/marks")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void mark(@PathVariable LiveTarget.Kind kind, @PathVariable UUID id, @RequestBody MarkDraft mark) {
        recordings.mark(new LiveTarget(kind, id), mark.text());
    }

    @PostMapping("/{kind}/{id}/recording/end")
    VisitIntake.Outcome end(@PathVariable LiveTarget.Kind kind, @PathVariable UUID id) {
        return recordings.end(new LiveTarget(kind, id));
    }

    @PreDestroy
    void close() {
        telling.shutdownNow();
    }
}
