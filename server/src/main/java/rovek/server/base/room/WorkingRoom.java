package rovek.server.base.room;

import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;
import rovek.server.base.problem.DomainProblem;

/**
 * The memory that is set aside for files under way. Whoever unpacks, decodes or parses what came from outside takes as
 * much of it as that may cost at most, and waits where others have it: a crowd of large files takes longer, and ends no
 * server. Bodies that are being received have a part of their own: whoever holds some of that and waits for room to
 * work keeps nobody from working.
 */
@Component
public class WorkingRoom {

    private static final int MEGABYTE = 1 << 20;
    /** The rest is the plant's, and everybody's who only reads. */
    private static final int WORK_PERCENT = 35;

    private static final int BODIES_PERCENT = 15;
    private static final Duration PATIENCE = Duration.ofSeconds(20);

    private final Part work;
    private final Part bodies;

    WorkingRoom() {
        this(megabytes(WORK_PERCENT), megabytes(BODIES_PERCENT));
    }

    WorkingRoom(int work, int bodies) {
        this.work = new Part(work);
        this.bodies = new Part(bodies);
    }

    private static int megabytes(int percent) {
        return (int) Math.max(16, Runtime.getRuntime().maxMemory() / 100 * percent / MEGABYTE);
    }

    /** Room that was taken, until it is closed. */
    public interface Taken extends AutoCloseable {
        @Override
        void close();
    }

    private static final class Part {

        private final int megabytes;
        private final Semaphore free;

        Part(int megabytes) {
            this.megabytes = megabytes;
            this.free = new Semaphore(megabytes, true);
        }

        int of(long bytes) {
            return (int) Math.max(1, Math.min(megabytes, (bytes + MEGABYTE - 1) / MEGABYTE));
        }

        Taken take(long bytes, Duration patience) {
            int wanted = of(bytes);
            try {
                if (!free.tryAcquire(wanted, patience.toMillis(), TimeUnit.MILLISECONDS)) {
                    throw new DomainProblem.Busy();
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new DomainProblem.Busy();
            }
            return () -> free.release(wanted);
        }
    }

    /**
     * Takes room to work in. Not to be asked for by who has some already: two who each held a part and waited for more
     * would wait for ever.
     *
     * @param bytes what the work may need at most; more than there is in all is taken as all of it
     * @throws DomainProblem.Busy where none becomes free within 20 s
     */
    public Taken take(long bytes) {
        return take(bytes, PATIENCE);
    }

    Taken take(long bytes, Duration patience) {
        return work.take(bytes, patience);
    }

    /** As {@link #take}, for work in the background, which nobody waits for: it waits for as long as it takes. */
    public Taken await(long bytes) throws InterruptedException {
        int wanted = work.of(bytes);
        work.free.acquire(wanted);
        return () -> work.free.release(wanted);
    }

    /** Takes room for a body while it is received and answered. */
    Taken takeForBody(long bytes) {
        return bodies.take(bytes, PATIENCE);
    }
}
