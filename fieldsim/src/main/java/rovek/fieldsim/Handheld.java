package rovek.fieldsim;

import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import rovek.core.reading.TableCapture;
import rovek.core.wording.Sentence;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.RoutePackage.RouteStop;
import rovek.link.packet.SetupPackage;
import rovek.link.packet.Walk.Progress;

/**
 * The stand-in for a vibration handheld: a route in memory, a walk in progress, readings kept one file each. What it
 * gives back is packed from these when it is asked for. Everything it knows survives being switched off.
 */
final class Handheld {

    private static final Duration PACE = Duration.ofSeconds(45);

    private final HandheldModel model;
    private final HandheldMemory memory;
    private final SimulatedClock clock;
    private final Sensing sensing;
    private final WalkMemory walk;
    private final LooseMemory loose;
    private final FirmwareSlot firmware;
    private final LivePart live;
    private final RunRecorder run;
    private final Faults faults;
    private int battery = 81;

    Handheld(HandheldModel model, HandheldMemory memory, SimulatedClock clock, Sensing sensing, Faults faults) {
        this.model = model;
        this.memory = memory;
        this.clock = clock;
        this.sensing = sensing;
        this.walk = new WalkMemory(memory, maker());
        this.loose = new LooseMemory(memory, maker(), model.hasNumberedMemories());
        this.firmware = new FirmwareSlot(model, memory, clock.real());
        this.faults = faults;
        this.live = new LivePart(model);
        this.run = new RunRecorder(memory, live, clock, this::keepRun);
        run.endWhatWasLeft();
    }

    HandheldModel model() {
        return model;
    }

    SimulatedClock clock() {
        return clock;
    }

    LivePart live() {
        return live;
    }

    RunRecorder run() {
        return run;
    }

    private synchronized void keepRun(TableCapture capture) {
        loose.keep(new PackedReading(
                walk.nextReadingId(),
                clock.instrumentTime(),
                "run",
                Optional.empty(),
                loose.nextPlace("run"),
                "",
                Optional.empty(),
                Map.of(),
                new PackedCapture.Plain(capture)));
    }

    FirmwareSlot firmware() {
        return firmware;
    }

    /** Inside its case, in °C: warmer by day, and while it works. */
    double temperature() {
        double day = (clock.plantTime().getEpochSecond() % 86_400) / 86_400.0;
        return 24 + 3 * Math.sin(2 * Math.PI * (day - 0.3));
    }

    synchronized int battery() {
        return battery;
    }

    synchronized void setBattery(int percent) {
        battery = Math.max(0, Math.min(100, percent));
    }

    synchronized long freeBytes() {
        return faults.isMemoryFull() ? 0 : memory.freeBytes();
    }

    synchronized long usedBytes() {
        return memory.usedBytes();
    }

    /** Takes a loaded route in. A route that replaces one begins a new walk; results stay until they are deleted. */
    synchronized void load(byte[] bytes) {
        if (bytes.length > freeBytes()) {
            throw new HandheldException(Sentence.of("handheld.memoryFull"));
        }
        walk.load(bytes);
    }

    /** Takes a set-up in; the one before is gone. */
    synchronized void loadSetup(byte[] bytes) {
        if (bytes.length > freeBytes()) {
            throw new HandheldException(Sentence.of("handheld.memoryFull"));
        }
        new SetupSlot(model, memory).load(bytes);
    }

    synchronized Optional<SetupPackage> setup() {
        return new SetupSlot(model, memory).setup();
    }

    synchronized Optional<RoutePackage> route() {
        return walk.route();
    }

    synchronized Optional<WalkState> walk() {
        return walk.walk();
    }

    /** The technician has put the sensor on. */
    synchronized void begin(UUID stopId) {
        WalkState now = walk.requireWalk();
        StopState stop = now.stop(stopId);
        if (stop.progress() != Progress.DONE) {
            walk.keep(now.with(stop.with(Progress.BEGUN)));
        }
    }

    /** As a memory does that is worn out: what lies there is not quite what was written. */
    synchronized void damage(String file) {
        byte[] kept = memory.read(file).orElseThrow();
        byte[] damaged = java.util.Arrays.copyOf(kept, kept.length + 1);
        memory.write(file, damaged);
    }

    synchronized void skip(UUID stopId, String note) {
        WalkState now = walk.requireWalk();
        walk.keep(now.with(now.stop(stopId).with(Progress.SKIPPED).withNote(note)));
    }

    synchronized void note(UUID stopId, String note) {
        WalkState now = walk.requireWalk();
        walk.keep(now.with(now.stop(stopId).withNote(note)));
    }

    /** Measures a stop, or repeats it: the new reading then says which one it replaces. */
    synchronized void measure(UUID stopId) {
        WalkState now = walk.requireWalk();
        StopState state = now.stop(stopId);
        RouteStop stop = route().orElseThrow().stops().stream()
                .filter(candidate -> candidate.id().equals(stopId))
                .findFirst()
                .orElseThrow();
        List<String> before = state.readingIds();
        Optional<String> replaced = before.isEmpty() ? Optional.empty() : Optional.of(before.get(before.size() - 1));
        PackedReading reading = reading(
                task(
                        stop.technique(),
                        new SimulatedPlant.Place(stop.assetTag(), stop.point()),
                        before.size(),
                        stop.settings()),
                Optional.of(stopId),
                "",
                replaced);
        walk.keep(reading);
        walk.keep(now.with(state.withReading(reading.id())));
        if (clock.isShifted()) {
            clock.passTime(PACE);
        }
    }

    /**
     * A reading nobody planned. Where memories have numbers, the number is all that the instrument writes on it.
     *
     * @param technique blank for the instrument's first
     */
    synchronized void measureLoose(
            String technique, SimulatedPlant.Place place, String label, Map<String, String> settings) {
        String measured = technique.isBlank() ? model.techniques().get(0) : technique;
        PackedReading reading = reading(
                task(measured, place, loose.readings().size(), settings),
                Optional.empty(),
                label.isBlank() ? loose.nextPlace(measured) : label,
                Optional.empty());
        loose.keep(reading);
    }

    private Sensing.Task task(String technique, SimulatedPlant.Place place, int count, Map<String, String> settings) {
        if (!model.techniques().contains(technique)) {
            throw new HandheldException(Sentence.of("handheld.doesNotMeasure", "technique", technique));
        }
        return new Sensing.Task(technique, place, clock.plantTime(), count, settings, setup());
    }

    synchronized void walkAll() {
        for (StopState stop : walk.requireWalk().stops()) {
            if (stop.progress() == Progress.TO_DO || stop.progress() == Progress.BEGUN) {
                measure(stop.id());
            }
        }
    }

    private PackedReading reading(Sensing.Task task, Optional<UUID> stop, String label, Optional<String> replaces) {
        if (sensing.bytes(task) > freeBytes()) {
            throw new HandheldException(Sentence.of("handheld.memoryFullOnWalk"));
        }
        String id = walk.nextReadingId();
        Sensing.Sensed sensed = sensing.sense(task);
        return new PackedReading(
                id,
                clock.instrumentTime(),
                task.technique(),
                stop,
                label,
                "",
                replaces,
                task.settings(),
                sensed.capture(),
                sensed.photos());
    }

    synchronized List<PackedReading> looseReadings() {
        return loose.readings();
    }

    /** The files another program sees, name to type. */
    synchronized Map<String, String> files() {
        Map<String, String> files = new java.util.LinkedHashMap<>();
        if (memory.read(WalkMemory.ROUTE_FILE).isPresent()) {
            files.put(WalkMemory.ROUTE_FILE, "ROUTE");
        }
        memory.list(SetupSlot.FILE).forEach(name -> files.put(name, "SETUP"));
        walk.addTo(files);
        loose.addTo(files);
        return files;
    }

    /** A file's bytes; the current walk and the loose readings are packed as they stand. */
    synchronized Optional<byte[]> file(String name) {
        return walk.file(name)
                .or(() -> loose.file(name))
                .or(() -> name.equals(SetupSlot.FILE) ? memory.read(name) : Optional.empty());
    }

    /** A part of a file; what lies there as it is, is not read whole for it. */
    synchronized Optional<byte[]> slice(String name, long offset, int count) {
        if (walk.isKept(name)) {
            return memory.slice(name, offset, count);
        }
        return file(name)
                .map(whole -> Arrays.copyOfRange(
                        whole, (int) Math.min(whole.length, offset), (int) Math.min(whole.length, offset + count)));
    }

    /** How large a file is. */
    synchronized long size(String name) {
        return walk.isKept(name)
                ? memory.size(name)
                : file(name).map(bytes -> bytes.length).orElse(0);
    }

    /** Removes a file; results that were being walked begin again. */
    synchronized boolean delete(String name) {
        return loose.delete(name) || walk.delete(name);
    }

    private Maker maker() {
        return new Maker(
                "Fieldsim",
                Optional.of(
                        new Maker.MakingInstrument(model.maker(), model.model(), model.serial(), model.firmware())));
    }
}
