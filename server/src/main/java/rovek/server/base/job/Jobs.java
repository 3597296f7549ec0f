package rovek.server.base.job;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.concurrent.DelegatingSecurityContextRunnable;
import org.springframework.stereotype.Service;
import rovek.core.wording.Sentence;
import rovek.link.LinkException;
import rovek.link.packet.PackageException;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.job.JobView.State;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.problem.StorageTrouble;
import rovek.server.base.wording.Wording;

/**
 * Runs work in the background and keeps its state in the database, where every server sees it. Work whose server died
 * is found by its silence and ends in a clear state.
 */
@Service
public class Jobs {

    private static final Logger LOG = LoggerFactory.getLogger(Jobs.class);
    private static final Duration SILENCE = Duration.ofSeconds(12);
    private static final long HEARTBEAT_SECONDS = 3;
    private static final String STARTING = "Starting";
    private static final String STOPPED_IN_THE_MIDDLE =
            "The server stopped in the middle. What had arrived is kept; start again and it goes on from there.";
    private static final int MOST_ENDS = 60;
    private static final long BETWEEN_ENDS_MILLIS = 1_000;
    private static final long REPORT_EVERY_NANOS = 150_000_000;
    private static final long TELL_EVERY_MILLIS = 300;

    private final JobRepository jobs;
    private final Clock clock;
    private final ExecutorService workers = Executors.newFixedThreadPool(4);
    private final ScheduledExecutorService heart = Executors.newSingleThreadScheduledExecutor();
    private final Set<UUID> running = ConcurrentHashMap.newKeySet();
    private final Map<UUID, Told> told = new ConcurrentHashMap<>();

    Jobs(JobRepository jobs, Clock clock) {
        this.jobs = jobs;
        this.clock = clock;
        heart.scheduleAtFixedRate(this::beat, HEARTBEAT_SECONDS, HEARTBEAT_SECONDS, TimeUnit.SECONDS);
        heart.scheduleWithFixedDelay(this::tell, TELL_EVERY_MILLIS, TELL_EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** Starts work in the name of whoever is signed in. */
    public JobView start(String kind, String title, UUID subjectId, JobWork work) {
        UUID id = UUID.randomUUID();
        JobEntity job = new JobEntity();
        job.id = id;
        job.kind = kind;
        job.title = title;
        job.state = State.RUNNING;
        job.sentence = STARTING;
        job.subjectId = subjectId;
        job.actor = AuditTrail.actor();
        job.startedAt = clock.instant();
        job.heardAt = job.startedAt;
        jobs.add(job);
        running.add(id);
        workers.execute(new DelegatingSecurityContextRunnable(() -> run(id, work)));
        return get(id);
    }

    /**
     * Does work in its caller's thread, while others see how far it is and may stop it. What it reports is written by
     * another thread: within the work's own transaction nobody would see it before its end.
     *
     * @param id chosen by whoever follows it; the same work tried again goes by the same
     * @param said how it ended, as a sentence
     * @throws DomainProblem.Conflict where it was stopped, with the sentence of {@link JobStopped}
     */
    public <T> T accompany(
            UUID id, String kind, String title, Function<JobProgress, T> work, Function<T, String> said) {
        Instant now = clock.instant();
        int mine = jobs.begin(id, kind, title, STARTING, AuditTrail.actor(), now, now.minus(SILENCE));
        if (mine == 0) {
            throw new DomainProblem.Conflict("running", Sentence.of("base.underWay"));
        }
        running.add(id);
        try {
            T done = work.apply(new Accompanied(id));
            told.remove(id);
            end(id, State.DONE, said.apply(done));
            return done;
        } catch (JobStopped stopped) {
            told.remove(id);
            end(id, State.STOPPED, stopped.getMessage());
            throw new DomainProblem.Conflict("stopped", stopped.getMessage());
        } catch (RuntimeException fault) {
            told.remove(id);
            end(id, State.FAILED, fault instanceof DomainProblem ? fault.getMessage() : "It could not be done.");
            throw fault;
        } finally {
            running.remove(id);
        }
    }

    private void run(UUID id, JobWork work) {
        try {
            end(id, State.DONE, work.run(new Progress(id)));
        } catch (LinkException.Stopped | JobStopped stopped) {
            end(id, State.STOPPED, stopped.getMessage());
        } catch (LinkException | PackageException | DomainProblem expected) {
            end(id, State.FAILED, expected.getMessage());
        } catch (RuntimeException fault) {
            Optional<StorageTrouble> trouble = StorageTrouble.of(fault);
            LOG.error("A job failed.", fault);
            end(
                    id,
                    State.FAILED,
                    Wording.SHIPPED.of(
                            trouble.map(StorageTrouble::sentence).orElseGet(() -> Sentence.of("base.jobFault")),
                            Wording.USUAL));
        } finally {
            running.remove(id);
        }
    }

    /** A job's end must be known, also where the database is away for a while. */
    private void end(UUID id, State state, String sentence) {
        for (int attempt = 1; ; attempt++) {
            try {
                jobs.end(id, state, sentence, clock.instant());
                return;
            } catch (RuntimeException away) {
                if (attempt == MOST_ENDS || StorageTrouble.of(away).isEmpty()) {
                    LOG.error("The end of a job could not be written.", away);
                    return;
                }
            }
            try {
                Thread.sleep(BETWEEN_ENDS_MILLIS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }

    /** @throws DomainProblem.NotFound when there is no such job */
    public JobView get(UUID id) {
        endSilent();
        return jobs.view(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.job")));
    }

    /** The work still running on something, if any. */
    public Optional<JobView> runningOn(UUID subjectId) {
        endSilent();
        return jobs.runningOn(subjectId);
    }

    private void endSilent() {
        jobs.endSilent(STOPPED_IN_THE_MIDDLE, clock.instant().minus(SILENCE));
    }

    public void requestStop(UUID id) {
        jobs.requestStop(id);
    }

    /** What accompanied work has reported and nobody has written yet. */
    private record Told(long done, long total, String sentence) {}

    private void tell() {
        try {
            told.forEach((id, what) -> {
                if (told.remove(id, what)) {
                    jobs.report(id, what.done(), what.total(), what.sentence(), clock.instant());
                }
            });
        } catch (RuntimeException e) {
            LOG.warn("How far work is could not be written: {}", e.getMessage());
        }
    }

    private void beat() {
        try {
            if (!running.isEmpty()) {
                jobs.beat(Set.copyOf(running), clock.instant());
            }
        } catch (RuntimeException e) {
            LOG.warn("The jobs' heartbeat could not be written: {}", e.getMessage());
        }
    }

    @PreDestroy
    void close() {
        heart.shutdownNow();
        workers.shutdownNow();
    }

    private final class Accompanied implements JobProgress {

        private final UUID id;

        Accompanied(UUID id) {
            this.id = id;
        }

        @Override
        public void report(long done, long total, String sentence) {
            told.put(id, new Told(done, total, sentence));
        }

        @Override
        public boolean isStopRequested() {
            return jobs.isStopRequested(id);
        }
    }

    private final class Progress implements JobProgress {

        private final UUID id;
        private long lastReport;

        Progress(UUID id) {
            this.id = id;
        }

        @Override
        public void report(long done, long total, String sentence) {
            long now = System.nanoTime();
            if (now - lastReport < REPORT_EVERY_NANOS && done < total) {
                return;
            }
            lastReport = now;
            jobs.report(id, done, total, sentence, clock.instant());
        }

        @Override
        public boolean isStopRequested() {
            return jobs.isStopRequested(id);
        }
    }
}
