package rovek.fieldsim;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import rovek.core.wording.Sentence;
import rovek.link.packet.Maker;
import rovek.link.packet.PackageException;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.RoutePackage;
import tools.jackson.databind.json.JsonMapper;

/**
 * The route in a handheld's memory, how far it is walked, and what was measured on the way, a file each; and the
 * numbers that must never be given twice. Whoever calls holds the handheld's lock.
 */
final class WalkMemory {

    static final String ROUTE_FILE = "ROUTES/ROUTE.zip";
    private static final String RESULTS = "RESULTS/";
    private static final String STATE_FILE = "state/walk.json";
    private static final String COUNTERS_FILE = "state/counters.json";

    private final HandheldMemory memory;
    private final Maker maker;
    private final JsonMapper json = JsonMapper.builder().build();
    private Optional<Packed> lastPacked = Optional.empty();
    private Optional<UnpackedRoute> lastRoute = Optional.empty();

    WalkMemory(HandheldMemory memory, Maker maker) {
        this.memory = memory;
        this.maker = maker;
    }

    /** A walk as it was packed last: asked for piece by piece, it need not be packed for every piece. */
    private record Packed(WalkState walk, byte[] bytes) {}

    /** A route as it was unpacked last: every stop of a walk asks for it. */
    private record UnpackedRoute(byte[] bytes, RoutePackage route) {}

    /** @param memory drawn when the memory is first used: after it was wiped the numbers begin again, the ids do not */
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

    private Counters counters() {
        return memory.read(COUNTERS_FILE)
                .map(bytes -> json.readValue(bytes, Counters.class))
                .orElseGet(Counters::ofEmptyMemory);
    }

    private void write(String file, Object value) {
        memory.write(file, json.writeValueAsBytes(value));
    }

    String nextReadingId() {
        Counters counters = counters().nextReading();
        write(COUNTERS_FILE, counters);
        return counters.readingId();
    }

    /** Takes a route in and begins to walk it; the results of the walk before stay until they are deleted. */
    void load(byte[] bytes) {
        RoutePackage route = unpacked(bytes);
        walk().filter(WalkState::hasReadings).ifPresent(walk -> memory.write(walk.fileName(), pack(walk)));
        walk().ifPresent(this::forgetReadings);
        memory.write(ROUTE_FILE, bytes);
        begin(route);
    }

    private void begin(RoutePackage route) {
        Counters counters = counters().nextWalk();
        write(COUNTERS_FILE, counters);
        keep(WalkState.begin(counters.walks(), route));
    }

    Optional<RoutePackage> route() {
        return memory.read(ROUTE_FILE).map(this::unpacked);
    }

    private RoutePackage unpacked(byte[] bytes) {
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

    Optional<WalkState> walk() {
        return memory.read(STATE_FILE).map(bytes -> json.readValue(bytes, WalkState.class));
    }

    WalkState requireWalk() {
        return walk().orElseThrow(() -> new HandheldException(Sentence.of("handheld.noRoute")));
    }

    void keep(WalkState walk) {
        write(STATE_FILE, walk);
    }

    void keep(PackedReading reading) {
        memory.write(
                readingFile(reading.id()),
                ReadingsPackage.pack(reading.takenAt(), maker, Optional.empty(), List.of(reading)));
    }

    /** The files another program sees, name to type. */
    void addTo(Map<String, String> files) {
        memory.list(RESULTS).forEach(name -> files.put(name, "READINGS"));
        walk().filter(WalkState::hasReadings).ifPresent(walk -> files.put(walk.fileName(), "READINGS"));
    }

    /** Whether a file lies in the memory as it is, not to be packed when it is asked for. */
    boolean isKept(String name) {
        return name.startsWith(RESULTS) && !memory.list(name).isEmpty();
    }

    /** The route, results, or the current walk packed as it stands. */
    Optional<byte[]> file(String name) {
        Optional<WalkState> walk = walk().filter(
                        current -> current.hasReadings() && current.fileName().equals(name));
        if (walk.isPresent()) {
            return Optional.of(pack(walk.get()));
        }
        return name.startsWith(RESULTS) || name.equals(ROUTE_FILE) ? memory.read(name) : Optional.empty();
    }

    /** Removes results; those that were being walked begin again. */
    boolean delete(String name) {
        Optional<WalkState> walk = walk().filter(current -> current.fileName().equals(name));
        if (walk.isPresent()) {
            forgetReadings(walk.get());
            route().ifPresent(this::begin);
            return true;
        }
        return name.startsWith(RESULTS) && memory.delete(name);
    }

    private void forgetReadings(WalkState walk) {
        walk.stops().forEach(stop -> stop.readingIds().forEach(id -> memory.delete(readingFile(id))));
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
            stop.readingIds().forEach(id -> readings.add(reading(id).withNote(stop.note())));
        }
        return ReadingsPackage.pack(
                // never the present: the same walk must pack to the same bytes, whenever it is asked for
                readings.isEmpty()
                        ? route().orElseThrow().createdAt()
                        : readings.get(readings.size() - 1).takenAt(),
                maker,
                Optional.of(walk.toWalk()),
                readings);
    }

    private PackedReading reading(String id) {
        try {
            return ReadingsPackage.unpack(memory.read(readingFile(id)).orElseThrow())
                    .readings()
                    .get(0)
                    .reading();
        } catch (PackageException e) {
            throw new IllegalStateException("The stand-in's own memory is damaged.", e);
        }
    }

    private static String readingFile(String id) {
        return "measured/" + id + ".zip";
    }
}
