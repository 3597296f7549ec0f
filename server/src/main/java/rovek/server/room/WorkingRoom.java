package rovek.server.room;

import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;
import rovek.server.problem.DomainProblem;

/**
 * The memory that is set aside for files under way. Whoever unpacks, decodes or parses what came from outside takes as much of it as that may
 * cost at most, and waits where others have it: a crowd of large files takes longer, and ends no server.
 */
@Component
public class WorkingRoom {

    private static final int MEGABYTE = 1 << 20;
    /** The rest is the plant's, and everybody's who only reads. */
    private static final int SHARE_PERCENT = 40;
    private static final Duration PATIENCE = Duration.ofSeconds(20);

    private final int megabytes;
    private final Semaphore free;
    /** How many rooms this thread has. */
    private final ThreadLocal<Integer> takenHere = ThreadLocal.withInitial(() -> 0);

    WorkingRoom() {
        this((int) Math.max(16, Runtime.getRuntime().maxMemory() / 100 * SHARE_PERCENT / MEGABYTE));
    }

    WorkingRoom(int megabytes) {
        this.megabytes = megabytes;
        this.free = new Semaphore(megabytes, true);
    }

    /** Room that was taken, until it is closed. */
    public interface Taken extends AutoCloseable {
        @Override
        void close();
    }

    /**
     * Takes room for a request.
     *
     * @param bytes what the work may need at most; more than there is in all is taken as all of it
     * @throws DomainProblem.Busy where none becomes free within 20 s
     */
    public Taken take(long bytes) {
        return take(bytes, PATIENCE);
    }

    Taken take(long bytes, Duration patience) {
        int wanted = megabytesOf(bytes);
        try {
            if (!free.tryAcquire(wanted, patience.toMillis(), TimeUnit.MILLISECONDS)) {
                throw new DomainProblem.Busy();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new DomainProblem.Busy();
        }
        return taken(wanted);
    }

    private Taken taken(int wanted) {
        takenHere.set(takenHere.get() + 1);
        return () -> {
            takenHere.set(takenHere.get() - 1);
            free.release(wanted);
        };
    }

    /**
     * Room for work that may have been given some already, by whoever asked for it; else it waits for as long as it takes. Two who each hold a part and
     * wait for more would wait for ever.
     */
    public Taken await(long bytes) throws InterruptedException {
        if (takenHere.get() > 0) {
            return () -> { };
        }
        int wanted = megabytesOf(bytes);
        free.acquire(wanted);
        return taken(wanted);
    }

    private int megabytesOf(long bytes) {
        return (int) Math.max(1, Math.min(megabytes, (bytes + MEGABYTE - 1) / MEGABYTE));
    }
}
