package rovek.server.intake.live;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import rovek.core.live.GoLimit;
import rovek.core.live.LiveChannel;
import rovek.core.live.LiveSample;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.StoredSentence;

/**
 * What this server knows of one source that is watched, by one or many: asked by itself, or heard from the server that
 * asks.
 */
final class LiveSession {

    private static final Duration LINGERS = Duration.ofSeconds(5);
    private static final int REMEMBERED = 1_200;
    /** As many as come in while another server looks the other way for four seconds. */
    private static final int SHARED = 40;

    private final LiveSource source;
    private final Clock clock;
    private final Function<LiveRows.Open, Optional<Recorder>> recorders;
    private final Deque<SharedView.Numbered> recent = new ArrayDeque<>();
    private Map<String, GoLimit> limits = new HashMap<>();
    private int watchers;
    private boolean isFollowed;
    private long count;
    private long said;
    private List<LiveChannel> channels = List.of();
    private boolean isConnected;
    private Sentence sentence = Sentence.NONE;
    private Optional<LiveRows.Open> open = Optional.empty();
    private Optional<Recorder> recorder = Optional.empty();
    private Instant lastWanted;

    /** @param recorders goes on with a recording, unless it was closed in the meantime */
    LiveSession(LiveSource source, Clock clock, Function<LiveRows.Open, Optional<Recorder>> recorders) {
        this.source = source;
        this.clock = clock;
        this.recorders = recorders;
        this.lastWanted = clock.instant();
    }

    LiveSource source() {
        return source;
    }

    synchronized void watched() {
        watchers++;
    }

    synchronized void unwatched() {
        watchers--;
        lastWanted = clock.instant();
    }

    /** @param followed whether somebody watches it at another server */
    synchronized void followed(boolean followed) {
        isFollowed = followed;
    }

    /** Whether somebody watches it, watched it a moment ago, or records it. */
    synchronized boolean isWanted() {
        return watchers > 0
                || isFollowed
                || recorder.isPresent()
                || clock.instant().isBefore(lastWanted.plus(LINGERS));
    }

    synchronized List<LiveChannel> channels() {
        return channels;
    }

    /**
     * Waits a moment for what a source shows, which is known soon after somebody began to watch it here; none where
     * nothing comes.
     */
    synchronized List<LiveChannel> awaitChannels(Duration longest) {
        long until = System.nanoTime() + longest.toNanos();
        try {
            for (long left = longest.toMillis();
                    channels.isEmpty() && left > 0;
                    left = (until - System.nanoTime()) / 1_000_000) {
                wait(left);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return channels;
    }

    /** How often something was said here; what was looked up before that is no news. */
    synchronized long said() {
        return said;
    }

    synchronized void limit(String channel, GoLimit limit) {
        said++;
        limits.put(channel, limit);
    }

    /** What is recorded from now on, as it was said here. */
    synchronized void recorded(Optional<LiveRows.Open> now) {
        said++;
        open = now;
    }

    /** Takes what stands in the database, unless something was said here since it was looked up. */
    synchronized void learn(long whenLookedUp, Map<String, GoLimit> stored, Optional<LiveRows.Open> recorded) {
        if (said == whenLookedUp) {
            limits = new HashMap<>(stored);
            open = recorded;
        }
    }

    synchronized Optional<Recorder> recorder() {
        return recorder;
    }

    /** Begins to record what is to be recorded, and drops what another server has closed. */
    void recordWhatIsOpen() {
        Optional<LiveRows.Open> wanted;
        Optional<Recorder> here;
        long before;
        synchronized (this) {
            wanted = open;
            here = recorder;
            before = said;
        }
        if (wanted.map(one -> one.begun().id())
                .equals(here.map(one -> one.begun().id()))) {
            return;
        }
        here.ifPresent(one -> {
            one.check();
            dropWhereOver(one);
        });
        Optional<Recorder> next = recorder().isPresent() ? Optional.empty() : wanted.flatMap(recorders);
        synchronized (this) {
            if (recorder.isEmpty() && said == before) {
                recorder = next;
            }
        }
    }

    /** Ends what is recorded here, with all that came in. Where another server records it, it will hear of the end. */
    void endRecording(UUID recording, Runnable close) {
        recorder().filter(one -> one.begun().id().equals(recording)).ifPresent(Recorder::finish);
        close.run();
        synchronized (this) {
            recorder = recorder.filter(one -> !one.begun().id().equals(recording));
            lastWanted = clock.instant();
            recorded(Optional.empty());
        }
    }

    /** Another server asks from now on, and records what is to be recorded. */
    synchronized void leaveToAnother() {
        isFollowed = false;
        recorder = Optional.empty();
    }

    synchronized void shows(List<LiveChannel> shown) {
        if (!shown.equals(channels)) {
            // Other channels than before: what was shown of those means nothing now.
            recent.clear();
        }
        channels = List.copyOf(shown);
        notifyAll();
    }

    void arrived(LiveSample sample, List<LiveChannel> shown) {
        Optional<Recorder> recording;
        synchronized (this) {
            isConnected = true;
            sentence = Sentence.NONE;
            remember(sample);
            recording = recorder;
        }
        recording.ifPresent(one -> {
            one.take(sample, shown);
            one.signOfLife();
            dropWhereOver(one);
        });
    }

    private void remember(LiveSample sample) {
        recent.addLast(new SharedView.Numbered(++count, sample.at(), sample.values()));
        while (recent.size() > REMEMBERED) {
            recent.removeFirst();
        }
    }

    private synchronized void dropWhereOver(Recorder one) {
        if (one.isOver() && recorder.filter(one::equals).isPresent()) {
            recorder = Optional.empty();
        }
    }

    void lost(Sentence why) {
        Optional<Recorder> recording;
        synchronized (this) {
            isConnected = false;
            sentence = why;
            recording = recorder;
        }
        recording.ifPresent(Recorder::signOfLife);
    }

    synchronized SharedView shared() {
        return new SharedView(
                channels,
                isConnected,
                StoredSentence.write(sentence),
                recent.stream().skip(Math.max(0, recent.size() - SHARED)).toList());
    }

    /**
     * Takes what another server shows.
     *
     * @param heard the number of the last sample of it that was heard
     * @return likewise, from now on
     */
    synchronized long hear(SharedView view, long heard) {
        if (!view.channels().isEmpty()) {
            shows(view.channels());
        }
        isConnected = view.isConnected();
        sentence = StoredSentence.read(view.sentence());
        long last = heard;
        for (SharedView.Numbered one : view.samples()) {
            if (one.number() > heard) {
                remember(new LiveSample(one.at(), one.values()));
                last = one.number();
            }
        }
        return last;
    }

    /** What a watcher who knows the samples up to a number is to be told. */
    synchronized LiveUpdate since(long known) {
        List<LiveUpdate.Sample> samples = new ArrayList<>();
        for (SharedView.Numbered one : recent) {
            if (one.number() > known) {
                samples.add(sample(one));
            }
        }
        List<LiveUpdate.Channel> shown = channels.stream()
                .map(channel -> {
                    GoLimit limit = limits.getOrDefault(channel.name(), GoLimit.NONE);
                    return new LiveUpdate.Channel(
                            channel.name(),
                            channel.unit(),
                            limit.low().isPresent() ? limit.low().getAsDouble() : null,
                            limit.high().isPresent() ? limit.high().getAsDouble() : null);
                })
                .toList();
        return new LiveUpdate(
                source.title(),
                isConnected,
                sentence,
                shown,
                open.map(this::recording).orElse(null),
                samples,
                count);
    }

    private LiveUpdate.Recording recording(LiveRows.Open one) {
        LiveRows.Begun begun = one.begun();
        int taken = recorder.filter(here -> here.begun().id().equals(begun.id()))
                .map(Recorder::taken)
                .orElse(one.taken());
        return new LiveUpdate.Recording(
                begun.id(),
                begun.name(),
                begun.intervalMillis(),
                begun.beganAt().toString(),
                begun.by(),
                taken,
                one.marks().stream()
                        .map(mark -> new LiveUpdate.Mark(mark.at().toString(), mark.text()))
                        .toList());
    }

    private LiveUpdate.Sample sample(SharedView.Numbered sample) {
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
