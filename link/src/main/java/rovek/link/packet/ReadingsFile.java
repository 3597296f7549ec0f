package rovek.link.packet;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import rovek.core.wording.Sentence;
import rovek.link.packet.ReadingsPackage.LeftOut;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * Readings as an instrument gives them, in a package that lies in a file: what it lists is in memory, what was recorded
 * stays in the file until it is asked for, so that a package of any size up to the bounds is taken in little memory.
 * Opened, all of it has been looked at once: every digest agrees, and each listed reading can be taken. Several threads
 * may ask at once. To be closed; the file is not deleted.
 */
public final class ReadingsFile implements AutoCloseable {

    /** A package's size, in bytes. */
    public static final long LARGEST = PackageArchive.MOST_PACKED;

    /** What a glance at any package costs at most, in bytes: its directory, and its manifest as it is read. */
    public static final long GLANCE_BYTES = 64L << 20;

    /** Readings of one package. */
    static final int MOST_READINGS = 200_000;

    private static final String WALK = "walk.json";
    private static final int LARGEST_LINES = 64 << 20;
    private static final int LARGEST_WALK = 16 << 20;
    private static final int LINES_AT_A_TIME = 2_000;
    private static final int READINGS_AT_A_TIME = 2_000;
    private static final long BYTES_AT_A_TIME = 8L << 20;
    private static final int MOST_LEFT_OUT = 10_000;

    private final PackageArchive archive;
    private final ReadingLine line;
    private final Optional<Walk> walk;
    private final List<ListedReading> readings;
    private final List<LeftOut> leftOut;

    private ReadingsFile(
            PackageArchive archive,
            ReadingLine line,
            Optional<Walk> walk,
            List<ListedReading> readings,
            List<LeftOut> leftOut) {
        this.archive = archive;
        this.line = line;
        this.walk = walk;
        this.readings = readings;
        this.leftOut = leftOut;
    }

    /**
     * What a package costs to be taken.
     *
     * @param maker of its readings, an instrument
     * @param memory in bytes, at most about
     */
    public record Glance(Maker maker, long memory) {}

    /**
     * Who made a package of readings, and how much is in it. Its readings are not looked at, its digests not compared.
     *
     * @throws PackageException where it is none
     */
    public static Glance glance(Path file) throws PackageException {
        return Understanding.of(() -> {
            try (PackageArchive archive = readingsArchive(file)) {
                long lines = archive.listed(ReadingLine.READINGS).orElseThrow().size();
                long largest = archive.manifest().entries().values().stream()
                        .mapToLong(Manifest.Listed::size)
                        .max()
                        .orElse(0);
                // A line that is read takes a few times its length; of a capture there are its bytes, its samples, and
                // what is calculated of them.
                return new Glance(
                        archive.manifest().maker(),
                        4 * BYTES_AT_A_TIME + 3 * lines + 6 * Math.min(largest, ReadingLine.LARGEST));
            }
        });
    }

    /** As {@link #glance}, every digest compared. */
    public static Maker verified(Path file) throws PackageException {
        return Understanding.of(() -> {
            try (PackageArchive archive = readingsArchive(file)) {
                walk(archive);
                for (String path : archive.manifest().entries().keySet()) {
                    archive.requireAsListed(path);
                }
                return archive.manifest().maker();
            }
        });
    }

    /** @throws PackageException where nothing of it can be taken; what of it cannot be taken alone is left out */
    public static ReadingsFile open(Path file, UnitReading units) throws PackageException {
        return Understanding.of(() -> opened(readingsArchive(file), units));
    }

    private static PackageArchive readingsArchive(Path file) throws PackageException {
        PackageArchive archive = PackageArchive.open(file);
        try {
            Optional<Manifest.Listed> lines = archive.listed(ReadingLine.READINGS);
            if (!archive.manifest().kind().equals("readings") || lines.isEmpty()) {
                throw PackageException.foreign(Sentence.of("packet.noReadings"));
            }
            if (archive.manifest().maker().instrument().isEmpty()) {
                throw PackageException.invalid(Manifest.PATH, Sentence.of("packet.noInstrument"));
            }
            if (lines.get().size() > LARGEST_LINES) {
                throw PackageException.tooLarge(
                        Sentence.of("packet.fileTooLarge", "path", ReadingLine.READINGS, "most", LARGEST_LINES >> 20));
            }
            return archive;
        } catch (PackageException | RuntimeException refused) {
            archive.close();
            throw refused;
        }
    }

    private static ReadingsFile opened(PackageArchive archive, UnitReading units) throws PackageException {
        try {
            Optional<Walk> walk = walk(archive);
            archive.requireAsListed(ReadingLine.READINGS);
            ReadingLine line = new ReadingLine(archive, units);
            List<LeftOut> leftOut = new ArrayList<>();
            List<ListedReading> listed = listed(archive, line, leftOut);
            List<ListedReading> sound = sound(line, listed, leftOut);
            Set<String> seen = new HashSet<>(Set.of(ReadingLine.READINGS));
            listed.forEach(reading -> seen.addAll(reading.paths()));
            for (String path : archive.manifest().entries().keySet()) {
                if (!seen.contains(path)) {
                    archive.requireAsListed(path);
                }
            }
            leftOut.sort(Comparator.comparingInt(LeftOut::line));
            return new ReadingsFile(archive, line, walk, List.copyOf(sound), List.copyOf(leftOut));
        } catch (PackageException | RuntimeException refused) {
            archive.close();
            throw refused;
        }
    }

    private static Optional<Walk> walk(PackageArchive archive) throws PackageException {
        if (archive.listed(WALK).isEmpty()) {
            return Optional.empty();
        }
        JsonNode node = Schemas.PUBLISHED.walk(archive.bytes(WALK, LARGEST_WALK));
        List<Walk.WalkedStop> stops = new ArrayList<>();
        for (JsonNode stop : node.get("stops")) {
            stops.add(new Walk.WalkedStop(
                    JsonMaps.uuid(stop, "id", WALK),
                    Walk.Progress.of(stop.get("progress").stringValue()),
                    JsonMaps.plain(stop, "note")));
        }
        return Optional.of(new Walk(
                JsonMaps.uuid(node, "id", WALK),
                JsonMaps.uuid(node, "route", WALK),
                JsonMaps.plain(node, "name"),
                stops));
    }

    private static List<ListedReading> listed(PackageArchive archive, ReadingLine line, List<LeftOut> leftOut)
            throws PackageException {
        List<ListedReading> listed = new ArrayList<>();
        try (BufferedReader lines = new BufferedReader(
                new InputStreamReader(archive.stream(ReadingLine.READINGS), StandardCharsets.UTF_8))) {
            int number = 0;
            for (List<String> some = some(lines); !some.isEmpty(); some = some(lines)) {
                for (Tried tried : tried(line, some, number + 1)) {
                    tried.into(listed, leftOut);
                }
                number += some.size();
                if (listed.size() > MOST_READINGS || leftOut.size() > MOST_LEFT_OUT) {
                    throw PackageException.tooLarge(
                            leftOut.size() > MOST_LEFT_OUT
                                    ? Sentence.of("packet.tooManyLeftOut", "most", MOST_LEFT_OUT)
                                    : Sentence.of("packet.tooManyReadings", "most", MOST_READINGS));
                }
            }
        } catch (IOException | UncheckedIOException e) {
            throw PackageException.damaged(Sentence.of("packet.notUnpacked"));
        }
        return listed;
    }

    /** Lines have nothing to do with each other: they are read many at a time. */
    private static List<Tried> tried(ReadingLine line, List<String> some, int first) {
        return IntStream.range(0, some.size())
                .parallel()
                .filter(i -> !some.get(i).isBlank())
                .mapToObj(i -> Tried.of(first + i, () -> line.listed(some.get(i), first + i)))
                .toList();
    }

    private static List<String> some(BufferedReader lines) throws IOException {
        List<String> some = new ArrayList<>();
        long length = 0;
        while (some.size() < LINES_AT_A_TIME && length < BYTES_AT_A_TIME) {
            String line = lines.readLine();
            if (line == null) {
                break;
            }
            some.add(line);
            length += line.length();
        }
        return some;
    }

    /** Looks once at everything that was recorded. */
    private static List<ListedReading> sound(ReadingLine line, List<ListedReading> listed, List<LeftOut> leftOut)
            throws PackageException {
        List<ListedReading> sound = new ArrayList<>(listed.size());
        for (List<ListedReading> part : parts(listed)) {
            List<Tried> all = part.parallelStream()
                    .map(reading -> Tried.of(reading.line(), () -> {
                        line.checked(reading);
                        return reading;
                    }))
                    .toList();
            for (Tried tried : all) {
                tried.into(sound, leftOut);
            }
        }
        return sound;
    }

    /** A reading, or why it is none. */
    private record Tried(
            Optional<ListedReading> reading, Optional<LeftOut> leftOut, Optional<PackageException> spoilsAll) {

        private interface Step {
            ListedReading take() throws PackageException;
        }

        static Tried of(int number, Step step) {
            try {
                return new Tried(Optional.of(step.take()), Optional.empty(), Optional.empty());
            } catch (PackageException e) {
                return e.spoilsAll()
                        ? new Tried(Optional.empty(), Optional.empty(), Optional.of(e))
                        : leftOut(number, e.reason(), e.unknownUnit());
            } catch (IllegalArgumentException | JacksonException e) {
                Sentence reason = PackageException.invalid(ReadingLine.where(number), Understanding.why(e))
                        .reason();
                return leftOut(number, reason, "");
            }
        }

        private static Tried leftOut(int number, Sentence reason, String unknownUnit) {
            return new Tried(Optional.empty(), Optional.of(new LeftOut(number, reason, unknownUnit)), Optional.empty());
        }

        void into(List<ListedReading> readings, List<LeftOut> others) throws PackageException {
            if (spoilsAll.isPresent()) {
                throw spoilsAll.get();
            }
            reading.ifPresent(readings::add);
            leftOut.ifPresent(others::add);
        }
    }

    /** Readings in parts of as many as may be in memory at once, in their order. */
    public static List<List<ListedReading>> parts(List<ListedReading> readings) {
        List<List<ListedReading>> parts = new ArrayList<>();
        int from = 0;
        long bytes = 0;
        for (int i = 0; i < readings.size(); i++) {
            if (i > from && (bytes + readings.get(i).bytes() > BYTES_AT_A_TIME || i - from == READINGS_AT_A_TIME)) {
                parts.add(readings.subList(from, i));
                from = i;
                bytes = 0;
            }
            bytes += readings.get(i).bytes();
        }
        if (from < readings.size()) {
            parts.add(readings.subList(from, readings.size()));
        }
        return parts;
    }

    /** By the maker's clock. */
    public Instant createdAt() {
        return archive.manifest().createdAt();
    }

    public Maker maker() {
        return archive.manifest().maker();
    }

    /** The route they belong to; empty for loose readings alone. */
    public Optional<Walk> walk() {
        return walk;
    }

    public List<ListedReading> readings() {
        return readings;
    }

    /** What of it could not be understood: one bad reading keeps nobody from the others. */
    public List<LeftOut> leftOut() {
        return leftOut;
    }

    /** A listed reading with what was recorded. */
    public PackedReading whole(ListedReading listed) {
        try {
            return line.whole(listed);
        } catch (PackageException e) {
            throw new IllegalStateException("A file that was looked at whole has changed since.", e);
        }
    }

    @Override
    public void close() {
        archive.close();
    }
}
