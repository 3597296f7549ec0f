package rovek.server.demo;

import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import rovek.server.base.job.JobView;
import rovek.server.base.job.Jobs;
import rovek.server.base.problem.DomainProblem;

/** Waits for jobs: the story goes on when one has ended well. */
@Component
@ConditionalOnProperty("rovek.demo.panel")
class DemoJobs {

    private static final long LOOK_EVERY_MILLIS = 20;

    private final Jobs jobs;

    DemoJobs(Jobs jobs) {
        this.jobs = jobs;
    }

    /** @throws DomainProblem.Conflict with what the job said, where it did not end well */
    void await(JobView job) throws InterruptedException {
        JobView now = job;
        while (now.state() == JobView.State.RUNNING) {
            Thread.sleep(LOOK_EVERY_MILLIS);
            now = jobs.get(job.id());
        }
        if (now.state() != JobView.State.DONE) {
            throw new DomainProblem.Conflict("demo", now.sentence());
        }
    }
}
