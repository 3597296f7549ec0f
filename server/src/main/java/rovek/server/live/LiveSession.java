package rovek.server.live;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import rovek.core.live.GoLimit;
import rovek.core.live.LiveChannel;
import rovek.core.live.LiveSample;
import rovek.link.LinkException;
import rovek.link.packet.PackageException;
import rovek.server.instrument.LinkHold;
import rovek.server.problem.DomainProblem;

/**
 * One source being watched, by one or many. It asks as long as somebody watches or something is recorded, and comes back by
 * itself after a lost link.
 */
final class LiveSession implements Runnable {

    private static final Logger LOG = LoggerFactory.getLogger(LiveSession.class);
    private static final Duration PERIOD = Duration.ofMillis(500);
    private static final Duration SHORTEST = Duration.ofMillis(100);
    private static final Duration TRY_AGAIN = Duration.ofSeconds(1);
    private static final Duration LINGERS = Duration.ofSeconds(5);
    private static final int REMEMBERED = 1_200;

    private final LiveSource source;
    private final Clock clock;
    private final AtomicInteger watchers = new AtomicInteger();
    private final Map<String, GoLimit> limits = new ConcurrentHashMap<>();
    private final Deque<Numbered> recent = new ArrayDeque<>();
    private long count;
    private List<LiveChannel> channels = List.of();
    private boolean isConnected;
    private String sentence = "";
    private Optional<Recorder> recorder = Optional.empty();
    private Instant lastWanted;

    /** A sample and how manieth it is. */
    private record Numbered(long number, LiveSample sample) {}

    LiveSession(LiveSource source, Clock clock, Map<String, GoLimit> limits) {
        this.source = source;
        this.clock = clock;
        this.limits.putAll(limits);
        this.lastWanted = clock.instant();
    }

    LiveSource source() {
        return source;
    }

    void watched() {
        watchers.incrementAndGet();
    }

    synchronized void unwatched() {
        watchers.decrementAndGet();
        lastWanted = clock.instant();
    }

    void limit(String channel, GoLimit limit) {
        limits.put(channel, limit);
    }

    synchronized List<LiveChannel> channels() {
        return channels;
    }

    synchronized Optional<Recorder> recorder() {
        return recorder;
    }

    synchronized void record(Optional<Recorder> wanted) {
        recorder = wanted;
        lastWanted = clock.instant();
    }

    /** Whether somebody watches it, watched it a moment ago, or records it. */
    synchronized boolean isWanted() {
        return watchers.get() > 0 || recorder.isPresent() || clock.instant().isBefore(lastWanted.plus(LINGERS));
    }

    @Override
    public void run() {
        while (isWanted() && !Thread.currentThread().isInterrupted()) {
            try {
                source.opening().open(this::ask);
            } catch (LinkException | PackageException e) {
                lost(e.getMessage());
            } catch (DomainProblem | LinkHold.GaveWay e) {
                lost(e.getMessage());
            } catch (RuntimeException e) {
                LOG.warn("Live values of {} could not be asked for.", source.title(), e);
                lost("Live values cannot be asked for now; it is tried again.");
            }
            pause(TRY_AGAIN);
        }
    }

    private void ask(List<LiveChannel> shown, LiveSource.Fetch fetch, LinkHold hold) throws LinkException {
        synchronized (this) {
            if (!shown.equals(channels)) {
                // Other channels than before: what was shown of those means nothing now.
                recent.clear();
            }
            channels = List.copyOf(shown);
        }
        Optional<Recorder> told = Optional.empty();
        while (isWanted() && !Thread.currentThread().isInterrupted()) {
            Optional<Recorder> recording = recorder();
            if (!recording.equals(told)) {
                // What is recorded gives way to nobody; what is only watched does.
                hold.doing(recording.map(one -> "recorded live for " + one.begun().by()).orElse("watched live"), recording.isEmpty());
                told = recording;
            }
            if (recording.isEmpty()) {
                hold.giveWay();
            }
            long began = System.nanoTime();
            double[] values = fetch.now();
            if (values.length != shown.size()) {
                throw new LinkException.Garbled("%d live values for %d channels".formatted(values.length, shown.size()));
            }
            arrived(new LiveSample(clock.instant().truncatedTo(ChronoUnit.MILLIS), values), shown);
            pause(period().minusNanos(System.nanoTime() - began));
        }
    }

    private synchronized Duration period() {
        Duration wanted = recorder.map(Recorder::interval).filter(interval -> interval.compareTo(PERIOD) < 0).orElse(PERIOD);
        return wanted.compareTo(SHORTEST) < 0 ? SHORTEST : wanted;
    }

    private void arrived(LiveSample sample, List<LiveChannel> shown) {
        Optional<Recorder> recording;
        synchronized (this) {
            isConnected = true;
            sentence = "";
            recent.addLast(new Numbered(++count, sample));
            while (recent.size() > REMEMBERED) {
                recent.removeFirst();
            }
            recording = recorder;
        }
        recording.ifPresent(one -> {
            one.take(sample, shown);
            one.signOfLife();
            dropWhereOver(one);
        });
    }

    private synchronized void dropWhereOver(Recorder one) {
        if (one.isOver() && recorder.filter(one::equals).isPresent()) {
            recorder = Optional.empty();
        }
    }

    private void lost(String why) {
        Optional<Recorder> recording;
        synchronized (this) {
            isConnected = false;
            sentence = why;
            recording = recorder;
        }
        recording.ifPresent(Recorder::signOfLife);
    }

    private static void pause(Duration time) {
        try {
            Thread.sleep(Math.max(0, time.toMillis()));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** What a watcher who knows the samples up to a number is to be told. */
    synchronized LiveUpdate since(long known) {
        List<LiveUpdate.Sample> samples = new ArrayList<>();
        for (Numbered one : recent) {
            if (one.number() > known) {
                samples.add(sample(one.sample()));
            }
        }
        List<LiveUpdate.Channel> shown = channels.stream().map(channel -> {
            GoLimit limit = limits.getOrDefault(channel.name(), GoLimit.NONE);
            return new LiveUpdate.Channel(
                    channel.name(), channel.unit(), limit.low().isPresent() ? limit.low().getAsDouble() : null, limit.high().isPresent() ? limit.high().getAsDouble() : null);
        }).toList();
        return new LiveUpdate(source.title(), isConnected, sentence, shown, recorder.map(Recorder::view).orElse(null), samples, count);
    }

    private LiveUpdate.Sample sample(LiveSample sample) {
        List<Double> values = new ArrayList<>();
        List<GoLimit.Go> go = new ArrayList<>();
        for (int i = 0; i < sample.values().length; i++) {
            double value = sample.values()[i];
            values.add(Double.isFinite(value) ? value : null);
            go.add(limits.getOrDefault(channels.get(i).name(), GoLimit.NONE).judge(value));
        }
        return new LiveUpdate.Sample(sample.at().toString(), values, go);
    }
}
