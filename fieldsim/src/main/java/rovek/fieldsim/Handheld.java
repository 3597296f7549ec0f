package rovek.fieldsim;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import rovek.core.unit.UnitCatalogue;
import rovek.link.packet.Maker;
import rovek.link.packet.PackageException;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.RoutePackage;
import rovek.link.packet.SetupPackage;
import rovek.link.packet.RoutePackage.RouteStop;
import rovek.link.packet.Walk.Progress;
import tools.jackson.databind.json.JsonMapper;

/**
 * The stand-in for a vibration handheld: a route in memory, a walk in progress, readings kept one file each. What it
 * gives back is packed from these when it is asked for. Everything it knows survives being switched off.
 */
final class Handheld {

    static final String LOOSE_FILE = "RESULTS/LOOSE.zip";
    private static final String ROUTE_FILE = "ROUTES/ROUTE.zip";
    private static final String STATE_FILE = "state/walk.json";
    private static final String COUNTERS_FILE = "state/counters.json";
    private static final Duration PACE = Duration.ofSeconds(45);

    private final HandheldModel model;
    private final HandheldMemory memory;
    private final SimulatedClock clock;
    private final SimulatedPlant plant;
    private final Faults faults;
    private final JsonMapper json = JsonMapper.builder().build();
    private int battery = 81;
    private Optional<Packed> lastPacked = Optional.empty();

    Handheld(HandheldModel model, HandheldMemory memory, SimulatedClock clock, SimulatedPlant plant, Faults faults) {
        this.model = model;
        this.memory = memory;
        this.clock = clock;
        this.plant = plant;
        this.faults = faults;
    }

    /** A walk as it was packed last: asked for piece by piece, it need not be packed for every piece. */
    private record Packed(WalkState walk, byte[] bytes) {}

    /**
     * The numbers that must never be given twice.
     *
     * @param memory drawn when the memory is first used: after it was wiped the numbers begin anew, the ids do not
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
            throw new HandheldException("Memory full.");
        }
        RoutePackage route = route(bytes);
        finishWalk();
        memory.write(ROUTE_FILE, bytes);
        beginWalk(route);
    }

    /** Takes a set-up in; the one before is gone. */
    synchronized void loadSetup(byte[] bytes) {
        if (bytes.length > freeBytes()) {
            throw new HandheldException("Memory full.");
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
        walk().ifPresent(walk -> walk.stops().forEach(stop -> stop.readingIds().forEach(id -> memory.delete(readingFile(id)))));
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
        String id = keep(
                new SimulatedPlant.Place(stop.assetTag(), stop.point()), stop.technique(), Optional.of(stopId), "",
                replaced, stop.settings(), before.size(), "measured/");
        write(STATE_FILE, walk.with(state.withReading(id)));
        if (clock.isShifted()) {
            clock.passTime(PACE);
        }
    }

    /** A reading nobody planned. */
    synchronized void measureLoose(SimulatedPlant.Place place, String label, Map<String, String> settings) {
        keep(place, "vibration", Optional.empty(), label, Optional.empty(), settings, looseReadings().size(), "loose/");
    }

    synchronized void walkAll() {
        for (StopState stop : requireWalk().stops()) {
            if (stop.progress() == Progress.TO_DO || stop.progress() == Progress.BEGUN) {
                measure(stop.id());
            }
        }
    }

    private String keep(
            SimulatedPlant.Place place,
            String technique,
            Optional<UUID> stop,
            String label,
            Optional<String> replaces,
            Map<String, String> settings,
            int count,
            String folder) {
        double sensitivity = Double.parseDouble(settings.getOrDefault("sensitivityMvPerG", "100"));
        int rate = (int) Double.parseDouble(settings.getOrDefault("rateHz", "25600"));
        int samples = (int) Math.round(Integer.parseInt(settings.getOrDefault("lines", "6400")) * 2.56);
        if (samples * 4L > freeBytes()) {
            throw new HandheldException("Memory full: read back and clear, then go on.");
        }
        Counters counters = counters().nextReading();
        String id = counters.readingId();
        write(COUNTERS_FILE, counters);
        float[] volts = plant.measure(place, clock.plantTime(), count, samples, rate, sensitivity);
        var waveform = new PackedReading.Waveform(
                volts, rate, UnitCatalogue.VOLT, 1, OptionalDouble.of(sensitivity),
                OptionalDouble.of(SimulatedPlant.FULL_SCALE_VOLTS));
        PackedReading reading = new PackedReading(
                id, clock.instrumentTime(), technique, stop, label, "", replaces, settings, waveform);
        memory.write(folder + id + ".zip", ReadingsPackage.pack(reading.takenAt(), maker(), Optional.empty(), List.of(reading)));
        return id;
    }

    synchronized List<PackedReading> looseReadings() {
        return memory.list("loose/").stream().map(this::reading).toList();
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
        if (!memory.list("loose/").isEmpty()) {
            files.put(LOOSE_FILE, "LOOSE");
        }
        return files;
    }

    /** A file's bytes; the current walk and the loose readings are packed as they stand. */
    synchronized Optional<byte[]> file(String name) {
        Optional<WalkState> walk = walk().filter(WalkState::hasReadings);
        if (walk.isPresent() && walk.get().fileName().equals(name)) {
            return Optional.of(pack(walk.get()));
        }
        if (name.equals(LOOSE_FILE)) {
            List<PackedReading> loose = looseReadings();
            return loose.isEmpty()
                    ? Optional.empty()
                    : Optional.of(ReadingsPackage.pack(
                            loose.get(loose.size() - 1).takenAt(), maker(), Optional.empty(), loose));
        }
        return name.startsWith("RESULTS/") || name.equals(ROUTE_FILE) || name.equals(SetupSlot.FILE) ? memory.read(name) : Optional.empty();
    }

    /** Removes a file; results that were being walked begin anew. */
    synchronized boolean delete(String name) {
        if (name.equals(LOOSE_FILE)) {
            List<String> loose = memory.list("loose/");
            loose.forEach(memory::delete);
            return !loose.isEmpty();
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
            lastPacked = Optional.of(new Packed(walk, packAnew(walk)));
        }
        return lastPacked.orElseThrow().bytes();
    }

    private byte[] packAnew(WalkState walk) {
        List<PackedReading> readings = new ArrayList<>();
        for (StopState stop : walk.stops()) {
            stop.readingIds().forEach(id -> readings.add(reading(readingFile(id)).withNote(stop.note())));
        }
        return ReadingsPackage.pack(
                // never the present: the same walk must pack to the same bytes, whenever it is asked for
                readings.isEmpty() ? route().orElseThrow().createdAt() : readings.get(readings.size() - 1).takenAt(),
                maker(), Optional.of(walk.toWalk()), readings);
    }

    private PackedReading reading(String file) {
        try {
            return ReadingsPackage.unpack(memory.read(file).orElseThrow()).readings().get(0).reading();
        } catch (PackageException e) {
            throw new IllegalStateException("The stand-in's own memory is damaged.", e);
        }
    }

    private RoutePackage route(byte[] bytes) {
        try {
            return RoutePackage.unpack(bytes);
        } catch (PackageException e) {
            throw new HandheldException(e.getMessage());
        }
    }

    private static String readingFile(String id) {
        return "measured/" + id + ".zip";
    }

    private Maker maker() {
        return new Maker(
                "Fieldsim",
                Optional.of(new Maker.MakingInstrument(model.model(), model.serial(), model.firmware())));
    }

    private WalkState requireWalk() {
        return walk().orElseThrow(() -> new HandheldException("No route is loaded."));
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
