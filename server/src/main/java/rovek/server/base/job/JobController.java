package rovek.server.base.job;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import rovek.server.base.wording.Wording;

@RestController
@RequestMapping("/api/jobs")
class JobController {

    private static final long LONGEST_MILLIS = 600_000;
    private static final long LOOK_EVERY_MILLIS = 250;

    private final Jobs jobs;
    private final ScheduledExecutorService watching = Executors.newScheduledThreadPool(2);

    JobController(Jobs jobs) {
        this.jobs = jobs;
    }

    @GetMapping("/{id}")
    JobView job(@PathVariable UUID id) {
        return jobs.get(id);
    }

    @PostMapping("/{id}/stop")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void stop(@PathVariable UUID id) {
        jobs.requestStop(id);
    }

    /** The job as it goes on; any server can tell, for the state lies in the database. */
    @GetMapping(path = "/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable UUID id) {
        jobs.get(id);
        SseEmitter emitter = new SseEmitter(LONGEST_MILLIS);
        Runnable send = Wording.spoken(Wording.here(), () -> send(emitter, id));
        ScheduledFuture<?> look = watching.scheduleWithFixedDelay(send, 0, LOOK_EVERY_MILLIS, TimeUnit.MILLISECONDS);
        emitter.onCompletion(() -> look.cancel(false));
        emitter.onTimeout(emitter::complete);
        emitter.onError(error -> look.cancel(false));
        return emitter;
    }

    private void send(SseEmitter emitter, UUID id) {
        try {
            JobView job = jobs.get(id);
            emitter.send(SseEmitter.event().name("job").data(job, MediaType.APPLICATION_JSON));
            if (job.state() != JobView.State.RUNNING) {
                emitter.complete();
            }
        } catch (IOException | IllegalStateException gone) {
            emitter.complete();
        } catch (RuntimeException fault) {
            emitter.completeWithError(fault);
        }
    }

    @PreDestroy
    void close() {
        watching.shutdownNow();
    }
}
