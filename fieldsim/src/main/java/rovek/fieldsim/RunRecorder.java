package rovek.fieldsim;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import rovek.core.live.LiveChannel;
import rovek.core.live.LiveRecord;
import rovek.core.live.LiveSample;
import rovek.core.reading.TableCapture;
import rovek.core.wording.Sentence;
import rovek.link.packet.SetupPackage;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * A run as it goes on: a row at every interval of the set-up, written into memory as it is taken, so that what was
 * recorded before the instrument went off is a run too.
 */
final class RunRecorder implements AutoCloseable {

    private static final String FILE = "state/run.json";
    private static final TypeReference<Running> RUNNING = new TypeReference<>() {};

    private final HandheldMemory memory;
    private final LivePart live;
    private final SimulatedClock clock;
    private final Consumer<TableCapture> keep;
    private final JsonMapper json = JsonMapper.builder().build();
    private final ScheduledExecutorService ticking = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "run");
        thread.setDaemon(true);
        return thread;
    });
    private Optional<ScheduledFuture<?>> tick = Optional.empty();

    /** @param keep takes a run that ended */
    RunRecorder(HandheldMemory memory, LivePart live, SimulatedClock clock, Consumer<TableCapture> keep) {
        this.memory = memory;
        this.live = live;
        this.clock = clock;
        this.keep = keep;
    }

    /** A run under way, as it lies in memory. */
    private record Running(List<LiveChannel> channels, List<Row> rows) {}

    private record Row(String at, double[] values) {}

    synchronized boolean isRunning() {
        return memory.read(FILE).isPresent();
    }

    /** Whatever was under way when the instrument went off ends there. */
    synchronized void endWhatWasLeft() {
        end();
    }

    synchronized void start(Optional<SetupPackage> setup) {
        if (!live.recordsRuns()) {
            throw new HandheldException(Sentence.of("handheld.noRuns"));
        }
        if (isRunning()) {
            throw new HandheldException(Sentence.of("handheld.runGoesOn"));
        }
        Map<String, String> values = setup.map(held -> held.content().values()).orElse(Map.of());
        Duration interval =
                Duration.ofMillis(Math.round(1000 * Double.parseDouble(values.getOrDefault("intervalSeconds", "1"))));
        long most = mostRows(values, interval);
        write(new Running(live.channels(setup), new ArrayList<>()));
        tick = Optional.of(
                ticking.scheduleAtFixedRate(() -> take(setup, most), 0, interval.toMillis(), TimeUnit.MILLISECONDS));
    }

    /** How long it goes on, as far as the set-up says so by itself. */
    private static long mostRows(Map<String, String> values, Duration interval) {
        if (values.containsKey("stopAfterMinutes")) {
            return (long) Math.floor(60_000 * Double.parseDouble(values.get("stopAfterMinutes")) / interval.toMillis())
                    + 1;
        }
        return values.containsKey("stopAfterSamples")
                ? (long) Double.parseDouble(values.get("stopAfterSamples"))
                : Long.MAX_VALUE;
    }

    private synchronized void take(Optional<SetupPackage> setup, long most) {
        Running running = read().orElse(null);
        if (running == null) {
            return;
        }
        Instant at = clock.instrumentTime();
        running.rows().add(new Row(at.toString(), live.values(setup, clock.plantTime())));
        write(running);
        if (running.rows().size() >= most) {
            end();
        }
    }

    /** Ends the run; one without a row leaves nothing. */
    synchronized void end() {
        tick.ifPresent(one -> one.cancel(false));
        tick = Optional.empty();
        Optional<Running> ended = read();
        ended.filter(running -> !running.rows().isEmpty())
                .ifPresent(running -> keep.accept(LiveRecord.of(
                        running.channels(),
                        running.rows().stream()
                                .map(row -> new LiveSample(Instant.parse(row.at()), row.values()))
                                .toList(),
                        List.of())));
        memory.delete(FILE);
    }

    private Optional<Running> read() {
        return memory.read(FILE).map(bytes -> json.readValue(bytes, RUNNING));
    }

    private void write(Running running) {
        memory.write(FILE, json.writeValueAsBytes(running));
    }

    @Override
    public void close() {
        ticking.shutdownNow();
    }
}
