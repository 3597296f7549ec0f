package rovek.server.intake.live;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import rovek.core.live.LiveChannel;
import rovek.core.live.LiveSample;

/** Writes a row at every interval. While the database is away rows wait here and follow later. */
final class Recorder {

    private static final Logger LOG = LoggerFactory.getLogger(Recorder.class);
    private static final Duration SIGN_OF_LIFE = Duration.ofSeconds(10);
    /** A timer is never exact: a sample this much early is on time. */
    private static final Duration EARLY = Duration.ofMillis(40);

    private final LiveRows.Begun begun;
    private final LiveRows rows;
    private final Clock clock;
    private final int mostRows;
    private final Deque<LiveSample> waiting = new ArrayDeque<>();
    private Instant next;
    private Instant lastSign;
    // Asked for by who shows the recording, who must not wait for the database.
    private volatile int taken;
    private volatile boolean isOver;

    /**
     * Begins with a recording, or goes on with one.
     *
     * @param mostValues of all channels together; then it takes no more, and is to be ended
     */
    Recorder(LiveRows.Open open, LiveRows rows, Clock clock, int mostValues) {
        this.begun = open.begun();
        this.taken = open.taken();
        this.rows = rows;
        this.clock = clock;
        this.mostRows = Math.max(1, mostValues / Math.max(1, begun.channels().size()));
        this.next = taken == 0 ? begun.beganAt() : clock.instant();
        this.lastSign = begun.beganAt();
    }

    LiveRows.Begun begun() {
        return begun;
    }

    Duration interval() {
        return Duration.ofMillis(begun.intervalMillis());
    }

    /**
     * Takes what is due. Values of other channels than it began with, as after another set-up was loaded, are none of
     * its.
     */
    synchronized void take(LiveSample sample, List<LiveChannel> channels) {
        if (isOver || isFull() || sample.at().plus(EARLY).isBefore(next) || !channels.equals(begun.channels())) {
            return;
        }
        while (!sample.at().plus(EARLY).isBefore(next)) {
            next = next.plus(interval());
        }
        taken++;
        waiting.addLast(sample);
        store();
    }

    boolean isFull() {
        return taken >= mostRows;
    }

    /** Stores what waits. */
    private void store() {
        try {
            while (!waiting.isEmpty()) {
                rows.add(begun.id(), waiting.peekFirst());
                waiting.removeFirst();
            }
            lastSign = clock.instant();
        } catch (LiveRows.Closed closed) {
            over();
        } catch (RuntimeException e) {
            LOG.warn(
                    "{} rows of the recording {} wait for the database: {}",
                    waiting.size(),
                    begun.name(),
                    e.getMessage());
        }
    }

    private void over() {
        LOG.info("The recording {} was ended at another server; {} rows came too late.", begun.name(), waiting.size());
        waiting.clear();
        isOver = true;
    }

    /** Whether it takes no more: it was ended, here or at another server. */
    boolean isOver() {
        return isOver;
    }

    /** The recording goes on, though the next row may be long to come. */
    synchronized void signOfLife() {
        if (lastSign.plus(SIGN_OF_LIFE).isBefore(clock.instant())) {
            check();
        }
    }

    /** Hears whether somebody has closed it, and says that it goes on. */
    synchronized void check() {
        try {
            rows.alive(begun.id(), clock.instant());
            lastSign = clock.instant();
        } catch (LiveRows.Closed closed) {
            over();
        } catch (RuntimeException e) {
            LOG.warn("The recording {} cannot be kept alive: {}", begun.name(), e.getMessage());
        }
    }

    /**
     * Stores what waits, and takes no more.
     *
     * @throws RuntimeException where rows still cannot be stored; they still wait, and it goes on
     */
    synchronized void finish() {
        while (!waiting.isEmpty()) {
            rows.add(begun.id(), waiting.peekFirst());
            waiting.removeFirst();
        }
        isOver = true;
    }

    int taken() {
        return taken;
    }
}
