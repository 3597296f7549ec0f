package rovek.server.intake.live;

import java.time.Clock;
import java.time.Duration;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import rovek.core.live.LiveChannel;
import rovek.core.live.LiveSample;
import rovek.core.wording.Sentence;
import rovek.link.LinkException;
import rovek.link.packet.PackageException;
import rovek.server.base.problem.DomainProblem;
import rovek.server.instruments.instrument.LinkHold;

/**
 * Asks a source for as long as somebody wants to know and this server is the one that asks. It comes back by itself
 * after a lost link.
 */
final class LiveAsking implements Runnable {

    private static final Logger LOG = LoggerFactory.getLogger(LiveAsking.class);
    private static final Duration PERIOD = Duration.ofMillis(500);
    private static final Duration SHORTEST = Duration.ofMillis(100);
    private static final Duration TRY_AGAIN = Duration.ofSeconds(1);
    private static final Duration UNTIL_IT_IS_OURS = Duration.ofMillis(100);

    private final LiveSession session;
    private final LiveSharing sharing;
    private final Clock clock;

    LiveAsking(LiveSession session, LiveSharing sharing, Clock clock) {
        this.session = session;
        this.sharing = sharing;
        this.clock = clock;
    }

    private boolean isWanted() {
        return session.isWanted() && !Thread.currentThread().isInterrupted();
    }

    @Override
    public void run() {
        while (isWanted()) {
            if (!sharing.holds()) {
                pause(UNTIL_IT_IS_OURS);
                continue;
            }
            try {
                session.source().opening().open(this::ask);
            } catch (LinkException e) {
                lost(e.sentence());
            } catch (PackageException e) {
                lost(e.sentence());
            } catch (DomainProblem e) {
                lost(e.sentence());
            } catch (LinkHold.GaveWay e) {
                lost(e.sentence());
            } catch (RuntimeException e) {
                LOG.warn(
                        "Live values of {} could not be asked for.",
                        session.source().title(),
                        e);
                lost(Sentence.of("intake.liveAgain"));
            }
            pause(sharing.holds() ? TRY_AGAIN : UNTIL_IT_IS_OURS);
        }
    }

    private void lost(Sentence why) {
        if (sharing.holds()) {
            session.lost(why);
        }
    }

    private void ask(List<LiveChannel> shown, LiveSource.Fetch fetch, LinkHold hold) throws LinkException {
        session.shows(shown);
        Optional<Recorder> told = Optional.empty();
        while (isWanted() && sharing.holds()) {
            Optional<Recorder> recording = session.recorder();
            if (!recording.equals(told)) {
                // What is recorded gives way to nobody; what is only watched does.
                hold.doing(
                        recording
                                .map(one -> Sentence.of(
                                        "intake.purposeRecording",
                                        "person",
                                        one.begun().by()))
                                .orElse(Sentence.of("intake.purposeWatching")),
                        recording.isEmpty());
                told = recording;
            }
            if (recording.isEmpty()) {
                hold.giveWay();
            }
            long began = System.nanoTime();
            double[] values = fetch.now();
            if (values.length != shown.size()) {
                throw new LinkException.Garbled(
                        Sentence.of("intake.liveCount", "values", values.length, "channels", shown.size()));
            }
            if (sharing.holds()) {
                session.arrived(new LiveSample(clock.instant().truncatedTo(ChronoUnit.MILLIS), values), shown);
            }
            pause(period().minusNanos(System.nanoTime() - began));
        }
    }

    private Duration period() {
        Duration wanted = session.recorder()
                .map(Recorder::interval)
                .filter(interval -> interval.compareTo(PERIOD) < 0)
                .orElse(PERIOD);
        return wanted.compareTo(SHORTEST) < 0 ? SHORTEST : wanted;
    }

    private static void pause(Duration time) {
        try {
            Thread.sleep(Math.max(0, time.toMillis()));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
