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
import rovek.server.base.wording.StoredSentence;
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
    private static final Sentence STARTING = Sentence.of("base.jobStarting");
    private static final Sentence STOPPED_IN_THE_MIDDLE = Sentence.of("base.jobServerStopped");
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
    public JobView start(String kind, Sentence title, UUID subjectId, JobWork work) {
        UUID id = UUID.randomUUID();
        JobEntity job = new JobEntity();
        job.id = id;
        job.kind = kind;
        job.title = StoredSentence.write(title);
        job.state = State.RUNNING;
        job.sentence = StoredSentence.write(STARTING);
        job.subjectId = subjectId;
        job.actor = AuditTrail.actor();
        job.startedAt = clock.instant();
        job.heardAt = job.startedAt;
        jobs.add(job);
        running.add(id);
        workers.execute(new DelegatingSecurityContextRunnable(Wording.spoken(Wording.here(), () -> run(id, work))));
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
            UUID id, String kind, Sentence title, Function<JobProgress, T> work, Function<T, Sentence> said) {
        Instant now = clock.instant();
        int mine = jobs.begin(
                id,
                kind,
                StoredSentence.write(title),
                StoredSentence.write(STARTING),
                AuditTrail.actor(),
                now,
                now.minus(SILENCE));
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
            end(id, State.STOPPED, stopped.sentence());
            throw new DomainProblem.Conflict("stopped", stopped.sentence());
        } catch (RuntimeException fault) {
            told.remove(id);
            end(
                    id,
                    State.FAILED,
                    fault instanceof DomainProblem known ? known.sentence() : Sentence.of("base.jobFault"));
            throw fault;
        } finally {
            running.remove(id);
        }
    }

    private void run(UUID id, JobWork work) {
        try {
            end(id, State.DONE, work.run(new Progress(id)));
        } catch (LinkException.Stopped stopped) {
            end(id, State.STOPPED, stopped.sentence());
        } catch (JobStopped stopped) {
            end(id, State.STOPPED, stopped.sentence());
        } catch (LinkException expected) {
            end(id, State.FAILED, expected.sentence());
        } catch (PackageException expected) {
            end(id, State.FAILED, expected.sentence());
        } catch (DomainProblem expected) {
            end(id, State.FAILED, expected.sentence());
        } catch (RuntimeException fault) {
            Optional<StorageTrouble> trouble = StorageTrouble.of(fault);
            LOG.error("A job failed.", fault);
            end(id, State.FAILED, trouble.map(StorageTrouble::sentence).orElseGet(() -> Sentence.of("base.jobFault")));
        } finally {
            running.remove(id);
        }
    }

    /** A job's end must be known, also where the database is away for a while. */
    private void end(UUID id, State state, Sentence sentence) {
        for (int attempt = 1; ; attempt++) {
            try {
                jobs.end(id, state, StoredSentence.write(sentence), clock.instant());
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
        return jobs.found(id).map(Jobs::view).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.job")));
    }

    private static JobView view(JobEntity job) {
        return new JobView(
                job.id,
                job.kind,
                StoredSentence.read(job.title),
                job.state,
                job.done,
                job.total,
                StoredSentence.read(job.sentence),
                job.subjectId);
    }

    /** The work still running on something, if any. */
    public Optional<JobView> runningOn(UUID subjectId) {
        endSilent();
        return jobs.runningOn(subjectId).map(Jobs::view);
    }

    private void endSilent() {
        jobs.endSilent(
                StoredSentence.write(STOPPED_IN_THE_MIDDLE), clock.instant().minus(SILENCE));
    }

    public void requestStop(UUID id) {
        jobs.requestStop(id);
    }

    /** What accompanied work has reported and nobody has written yet. */
    private record Told(long done, long total, Sentence sentence) {}

    private void tell() {
        try {
            told.forEach((id, what) -> {
                if (told.remove(id, what)) {
                    jobs.report(id, what.done(), what.total(), StoredSentence.write(what.sentence()), clock.instant());
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
        public void report(long done, long total, Sentence sentence) {
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
        public void report(long done, long total, Sentence sentence) {
            long now = System.nanoTime();
            if (now - lastReport < REPORT_EVERY_NANOS && done < total) {
                return;
            }
            lastReport = now;
            jobs.report(id, done, total, StoredSentence.write(sentence), clock.instant());
        }

        @Override
        public boolean isStopRequested() {
            return jobs.isStopRequested(id);
        }
    }
}
