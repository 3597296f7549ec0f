package rovek.fieldsim;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import rovek.core.reading.TableCapture;
import rovek.core.wording.Sentence;
import rovek.link.packet.Maker;
import rovek.link.packet.PackageException;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.RoutePackage.RouteStop;
import rovek.link.packet.SetupPackage;
import rovek.link.packet.Walk.Progress;
import tools.jackson.databind.json.JsonMapper;

/**
 * The stand-in for a vibration handheld: a route in memory, a walk in progress, readings kept one file each. What it
 * gives back is packed from these when it is asked for. Everything it knows survives being switched off.
 */
final class Handheld {

    private static final String ROUTE_FILE = "ROUTES/ROUTE.zip";
    private static final String STATE_FILE = "state/walk.json";
    private static final String COUNTERS_FILE = "state/counters.json";
    private static final Duration PACE = Duration.ofSeconds(45);

    private final HandheldModel model;
    private final HandheldMemory memory;
    private final SimulatedClock clock;
    private final Sensing sensing;
    private final LooseMemory loose;
    private final FirmwareSlot firmware;
    private final LivePart live;
    private final RunRecorder run;
    private final Faults faults;
    private final JsonMapper json = JsonMapper.builder().build();
    private int battery = 81;
    private Optional<Packed> lastPacked = Optional.empty();
    private Optional<UnpackedRoute> lastRoute = Optional.empty();

    Handheld(HandheldModel model, HandheldMemory memory, SimulatedClock clock, Sensing sensing, Faults faults) {
        this.model = model;
        this.memory = memory;
        this.clock = clock;
        this.sensing = sensing;
        this.loose = new LooseMemory(memory, maker(), model.hasNumberedMemories());
        this.firmware = new FirmwareSlot(model, memory, clock.real());
        this.faults = faults;
        this.live = new LivePart(model);
        this.run = new RunRecorder(memory, live, clock, this::keepRun);
        run.endWhatWasLeft();
    }

    /** A walk as it was packed last: asked for piece by piece, it need not be packed for every piece. */
    private record Packed(WalkState walk, byte[] bytes) {}

    /** A route as it was unpacked last: every stop of a walk asks for it. */
    private record UnpackedRoute(byte[] bytes, RoutePackage route) {}

    /**
     * The numbers that must never be given twice.
     *
     * @param memory drawn when the memory is first used: after it was wiped the numbers begin again, the ids do not
     */
    record Counters(String memory, int walks, int readings) {

        static Counters ofEmptyMemory() {
            return new Counters(UUID.randomUUID().toString().substring(0, 8), 0, 0);
        }

        Counters nextWalk() {
            return new Counters(memory, walks + 1, readings);
        }

        Counters nextReading() {
            return new Counters(memory, walks, readings + 1);
        }

        String readingId() {
            return "%s-%06d".formatted(memory, readings);
        }
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
        Counters counters = counters().nextReading();
        write(COUNTERS_FILE, counters);
        loose.keep(new PackedReading(
                counters.readingId(),
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
        RoutePackage route = route(bytes);
        finishWalk();
        memory.write(ROUTE_FILE, bytes);
        beginWalk(route);
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

    private void beginWalk(RoutePackage route) {
        Counters counters = counters().nextWalk();
        write(COUNTERS_FILE, counters);
        write(STATE_FILE, WalkState.begin(counters.walks(), route));
    }

    private void finishWalk() {
        walk().filter(WalkState::hasReadings).ifPresent(walk -> memory.write(walk.fileName(), pack(walk)));
        walk().ifPresent(walk ->
                walk.stops().forEach(stop -> stop.readingIds().forEach(id -> memory.delete(readingFile(id)))));
    }

    synchronized Optional<RoutePackage> route() {
        return memory.read(ROUTE_FILE).map(this::route);
    }

    synchronized Optional<WalkState> walk() {
        return memory.read(STATE_FILE).map(bytes -> json.readValue(bytes, WalkState.class));
    }

    /** The technician has put the sensor on. */
    synchronized void begin(UUID stopId) {
        WalkState walk = requireWalk();
        StopState stop = walk.stop(stopId);
        if (stop.progress() != Progress.DONE) {
            write(STATE_FILE, walk.with(stop.with(Progress.BEGUN)));
        }
    }

    /** As a memory does that is worn out: what lies there is not quite what was written. */
    synchronized void damage(String file) {
        byte[] kept = memory.read(file).orElseThrow();
        byte[] damaged = java.util.Arrays.copyOf(kept, kept.length + 1);
        memory.write(file, damaged);
    }

    synchronized void skip(UUID stopId, String note) {
        WalkState walk = requireWalk();
        write(STATE_FILE, walk.with(walk.stop(stopId).with(Progress.SKIPPED).withNote(note)));
    }

    synchronized void note(UUID stopId, String note) {
        WalkState walk = requireWalk();
        write(STATE_FILE, walk.with(walk.stop(stopId).withNote(note)));
    }

    /** Measures a stop, or repeats it: the new reading then says which one it replaces. */
    synchronized void measure(UUID stopId) {
        WalkState walk = requireWalk();
        StopState state = walk.stop(stopId);
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
        memory.write(
                readingFile(reading.id()),
                ReadingsPackage.pack(reading.takenAt(), maker(), Optional.empty(), List.of(reading)));
        write(STATE_FILE, walk.with(state.withReading(reading.id())));
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
        for (StopState stop : requireWalk().stops()) {
            if (stop.progress() == Progress.TO_DO || stop.progress() == Progress.BEGUN) {
                measure(stop.id());
            }
        }
    }

    private PackedReading reading(Sensing.Task task, Optional<UUID> stop, String label, Optional<String> replaces) {
        if (sensing.bytes(task) > freeBytes()) {
            throw new HandheldException(Sentence.of("handheld.memoryFullOnWalk"));
        }
        Counters counters = counters().nextReading();
        write(COUNTERS_FILE, counters);
        Sensing.Sensed sensed = sensing.sense(task);
        return new PackedReading(
                counters.readingId(),
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
        if (memory.read(ROUTE_FILE).isPresent()) {
            files.put(ROUTE_FILE, "ROUTE");
        }
        memory.list(SetupSlot.FILE).forEach(name -> files.put(name, "SETUP"));
        memory.list("RESULTS/").forEach(name -> files.put(name, "READINGS"));
        walk().filter(WalkState::hasReadings).ifPresent(walk -> files.put(walk.fileName(), "READINGS"));
        loose.addTo(files);
        return files;
    }

    /** A file's bytes; the current walk and the loose readings are packed as they stand. */
    synchronized Optional<byte[]> file(String name) {
        Optional<WalkState> walk = walk().filter(WalkState::hasReadings);
        if (walk.isPresent() && walk.get().fileName().equals(name)) {
            return Optional.of(pack(walk.get()));
        }
        Optional<byte[]> kept = loose.file(name);
        if (kept.isPresent()) {
            return kept;
        }
        return name.startsWith("RESULTS/") || name.equals(ROUTE_FILE) || name.equals(SetupSlot.FILE)
                ? memory.read(name)
                : Optional.empty();
    }

    /** A part of a file; what lies there as it is, is not read whole for it. */
    synchronized Optional<byte[]> slice(String name, long offset, int count) {
        if (name.startsWith("RESULTS/") && !memory.list(name).isEmpty()) {
            return memory.slice(name, offset, count);
        }
        return file(name)
                .map(whole -> Arrays.copyOfRange(
                        whole, (int) Math.min(whole.length, offset), (int) Math.min(whole.length, offset + count)));
    }

    /** How large a file is. */
    synchronized long size(String name) {
        return name.startsWith("RESULTS/") && !memory.list(name).isEmpty()
                ? memory.size(name)
                : file(name).map(bytes -> bytes.length).orElse(0);
    }

    /** Removes a file; results that were being walked begin again. */
    synchronized boolean delete(String name) {
        if (loose.delete(name)) {
            return true;
        }
        Optional<WalkState> walk = walk().filter(current -> current.fileName().equals(name));
        if (walk.isPresent()) {
            walk.get().stops().forEach(stop -> stop.readingIds().forEach(id -> memory.delete(readingFile(id))));
            route().ifPresent(this::beginWalk);
            return true;
        }
        return name.startsWith("RESULTS/") && memory.delete(name);
    }

    private byte[] pack(WalkState walk) {
        if (lastPacked.filter(packed -> packed.walk().equals(walk)).isEmpty()) {
            lastPacked = Optional.of(new Packed(walk, packAgain(walk)));
        }
        return lastPacked.orElseThrow().bytes();
    }

    private byte[] packAgain(WalkState walk) {
        List<PackedReading> readings = new ArrayList<>();
        for (StopState stop : walk.stops()) {
            stop.readingIds()
                    .forEach(id -> readings.add(reading(readingFile(id)).withNote(stop.note())));
        }
        return ReadingsPackage.pack(
                // never the present: the same walk must pack to the same bytes, whenever it is asked for
                readings.isEmpty()
                        ? route().orElseThrow().createdAt()
                        : readings.get(readings.size() - 1).takenAt(),
                maker(),
                Optional.of(walk.toWalk()),
                readings);
    }

    private PackedReading reading(String file) {
        try {
            return ReadingsPackage.unpack(memory.read(file).orElseThrow())
                    .readings()
                    .get(0)
                    .reading();
        } catch (PackageException e) {
            throw new IllegalStateException("The stand-in's own memory is damaged.", e);
        }
    }

    private RoutePackage route(byte[] bytes) {
        if (lastRoute.isPresent() && Arrays.equals(lastRoute.get().bytes(), bytes)) {
            return lastRoute.get().route();
        }
        try {
            RoutePackage route = RoutePackage.unpack(bytes);
            lastRoute = Optional.of(new UnpackedRoute(bytes, route));
            return route;
        } catch (PackageException e) {
            throw new HandheldException(e.sentence());
        }
    }

    private static String readingFile(String id) {
        return "measured/" + id + ".zip";
    }

    private Maker maker() {
        return new Maker(
                "Fieldsim",
                Optional.of(
                        new Maker.MakingInstrument(model.maker(), model.model(), model.serial(), model.firmware())));
    }

    private WalkState requireWalk() {
        return walk().orElseThrow(() -> new HandheldException(Sentence.of("handheld.noRoute")));
    }

    private Counters counters() {
        return memory.read(COUNTERS_FILE)
                .map(bytes -> json.readValue(bytes, Counters.class))
                .orElseGet(Counters::ofEmptyMemory);
    }

    private void write(String file, Object value) {
        memory.write(file, json.writeValueAsBytes(value));
    }
}
