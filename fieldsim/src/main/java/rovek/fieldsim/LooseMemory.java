package rovek.fieldsim;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rovek.link.packet.Maker;
import rovek.link.packet.PackageException;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;

/**
 * What was measured without a stop that asked for it. Some instruments keep it in one heap, others in numbered places
 * of the kind it is of, the lowest free number first.
 */
final class LooseMemory {

    static final String HEAP = "RESULTS/LOOSE.zip";

    private static final String HEAPED = "loose/";
    private static final Map<String, Group> GROUPS = Map.of(
            "run", new Group("RUNS/R", "RUN"),
            "screen", new Group("SCREENS/S", "SCREEN"),
            "codes", new Group("LISTS/L", "LIST"),
            "sheet", new Group("SHEETS/P", "SHEET"));
    private static final Group MEMORIES = new Group("MEMORY/M", "MEMORY");

    private final HandheldMemory memory;
    private final Maker maker;
    private final boolean isNumbered;

    LooseMemory(HandheldMemory memory, Maker maker, boolean isNumbered) {
        this.memory = memory;
        this.maker = maker;
        this.isNumbered = isNumbered;
    }

    private record Group(String prefix, String type) {}

    private static Group groupOf(String technique) {
        return GROUPS.getOrDefault(technique, MEMORIES);
    }

    /**
     * What the instrument calls the place that the next one of a technique goes to; blank where places have no numbers.
     */
    String nextPlace(String technique) {
        return isNumbered ? nextFile(technique).replaceAll("^.*/|[.]zip$", "") : "";
    }

    private String nextFile(String technique) {
        String prefix = groupOf(technique).prefix();
        for (int number = 1; ; number++) {
            String file = "%s%03d.zip".formatted(prefix, number);
            if (memory.read(file).isEmpty()) {
                return file;
            }
        }
    }

    void keep(PackedReading reading) {
        byte[] packed = ReadingsPackage.pack(reading.takenAt(), maker, Optional.empty(), List.of(reading));
        memory.write(isNumbered ? nextFile(reading.technique()) : HEAPED + reading.id() + ".zip", packed);
    }

    List<PackedReading> readings() {
        return (isNumbered ? numbered() : memory.list(HEAPED))
                .stream().map(this::reading).toList();
    }

    private List<String> numbered() {
        return memory.list().stream().filter(LooseMemory::isNumbered).toList();
    }

    private static boolean isNumbered(String file) {
        return file.startsWith(MEMORIES.prefix())
                || GROUPS.values().stream().anyMatch(group -> file.startsWith(group.prefix()));
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

    /** The files another program sees, name to type. */
    void addTo(Map<String, String> files) {
        if (!memory.list(HEAPED).isEmpty()) {
            files.put(HEAP, "LOOSE");
        }
        for (String file : numbered()) {
            files.put(
                    file,
                    GROUPS.values().stream()
                            .filter(group -> file.startsWith(group.prefix()))
                            .findFirst()
                            .orElse(MEMORIES)
                            .type());
        }
    }

    /** Empty where it is no file of loose readings. */
    Optional<byte[]> file(String name) {
        if (name.equals(HEAP)) {
            List<PackedReading> heap =
                    memory.list(HEAPED).stream().map(this::reading).toList();
            Instant newest =
                    heap.isEmpty() ? Instant.EPOCH : heap.get(heap.size() - 1).takenAt();
            return heap.isEmpty()
                    ? Optional.empty()
                    : Optional.of(ReadingsPackage.pack(newest, maker, Optional.empty(), heap));
        }
        return isNumbered(name) ? memory.read(name) : Optional.empty();
    }

    /** @return whether it was a file of loose readings, which is gone now */
    boolean delete(String name) {
        if (name.equals(HEAP)) {
            List<String> heap = memory.list(HEAPED);
            heap.forEach(memory::delete);
            return !heap.isEmpty();
        }
        return isNumbered(name) && memory.delete(name);
    }
}
