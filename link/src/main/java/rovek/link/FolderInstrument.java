package rovek.link;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.SeekableByteChannel;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import rovek.core.live.LiveChannel;
import rovek.core.wording.Sentence;
import rovek.link.scpi.ScpiText;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * An instrument that shows itself as a drive: the same files lie in folders of the same names, and
 * {@code instrument.json} says who it is. There is nobody to talk to, so it has no clock, no battery and no firmware
 * that could be asked for.
 */
final class FolderInstrument implements Instrument {

    static final String IDENTITY = "instrument.json";

    private static final int LARGEST_IDENTITY = 64 << 10;
    private static final int MOST_FILES = 10_000;

    private static final Map<String, String> TYPES = Map.of(
            "ROUTES",
            "ROUTE",
            "SETUPS",
            "SETUP",
            "RESULTS",
            "READINGS",
            "MEMORY",
            "MEMORY",
            "RUNS",
            "RUN",
            "SCREENS",
            "SCREEN",
            "LISTS",
            "LIST",
            "SHEETS",
            "SHEET");

    private final Path folder;
    private final JsonMapper json = JsonMapper.builder().build();

    private FolderInstrument(Path folder) {
        this.folder = folder;
    }

    static FolderInstrument open(Path folder) throws LinkException {
        if (!Files.isRegularFile(folder.resolve(IDENTITY), LinkOption.NOFOLLOW_LINKS)) {
            throw new LinkException.NotReachable(Sentence.of("link.theFolder", "folder", folder.toString()), null);
        }
        try {
            return new FolderInstrument(folder.toRealPath());
        } catch (IOException e) {
            throw new LinkException.NotReachable(Sentence.of("link.theFolder", "folder", folder.toString()), e);
        }
    }

    @Override
    public InstrumentIdentity identity() throws LinkException {
        try {
            JsonNode said = json.readTree(identityBytes());
            Map<String, String> options = new LinkedHashMap<>();
            said.path("options")
                    .properties()
                    .forEach(option -> options.put(
                            option.getKey().toLowerCase(Locale.ROOT),
                            option.getValue().asString("")));
            // A list is read as well as a map: it is what one writes who has no revisions.
            said.path("options")
                    .valueStream()
                    .filter(JsonNode::isString)
                    .filter(word -> said.path("options").isArray())
                    .forEach(word -> options.put(word.asString().toLowerCase(Locale.ROOT), ""));
            if (said.path("model").asString("").isBlank()) {
                throw new LinkException.Garbled(Sentence.of("link.identityNoModel", "file", IDENTITY));
            }
            String[] names = {
                said.path("maker").asString(""),
                said.path("model").asString(""),
                said.path("serial").asString(""),
                said.path("firmware").asString("")
            };
            if (InstrumentIdentity.isTooLong(names)) {
                throw new LinkException.Garbled(Sentence.of("link.identityLong", "file", IDENTITY));
            }
            return new InstrumentIdentity(
                    names[0],
                    names[1],
                    names[2],
                    names[3],
                    options,
                    date(said, "calibratedOn"),
                    date(said, "calibratedUntil"));
        } catch (IOException e) {
            throw gone(e);
        } catch (JacksonException e) {
            throw new LinkException.Garbled(Sentence.of("link.identityUnreadable", "file", IDENTITY));
        }
    }

    private byte[] identityBytes() throws IOException, LinkException {
        try (InputStream in = Files.newInputStream(folder.resolve(IDENTITY), LinkOption.NOFOLLOW_LINKS)) {
            byte[] bytes = in.readNBytes(LARGEST_IDENTITY + 1);
            if (bytes.length > LARGEST_IDENTITY) {
                throw new LinkException.Garbled(Sentence.of("link.identityLarge", "file", IDENTITY));
            }
            return bytes;
        }
    }

    private static Optional<LocalDate> date(JsonNode said, String field) throws LinkException {
        String text = said.path(field).asString("");
        try {
            return text.isBlank() ? Optional.empty() : Optional.of(LocalDate.parse(text));
        } catch (java.time.DateTimeException e) {
            throw new LinkException.Garbled(Sentence.of("link.notADate"));
        }
    }

    @Override
    public OptionalInt batteryPercent() {
        return OptionalInt.empty();
    }

    @Override
    public OptionalDouble temperatureCelsius() {
        return OptionalDouble.empty();
    }

    @Override
    public Optional<Instant> clock() {
        return Optional.empty();
    }

    @Override
    public void setClock(Instant to) throws LinkException {
        throw new LinkException.NotByThisWay(Sentence.of("link.itsClock"));
    }

    @Override
    public MemoryCatalogue catalogue() throws LinkException {
        List<InstrumentFile> files = new ArrayList<>();
        long used = 0;
        try (Stream<Path> all = Files.walk(folder, 2)) {
            for (Path file : all.filter(one -> Files.isRegularFile(one, LinkOption.NOFOLLOW_LINKS))
                    .limit(MOST_FILES)
                    .sorted()
                    .toList()) {
                String name = folder.relativize(file).toString().replace('\\', '/');
                String type = TYPES.get(name.contains("/") ? name.substring(0, name.indexOf('/')) : "");
                if (type != null && name.endsWith(".zip") && !ScpiText.hasControlCharacter(name)) {
                    files.add(new InstrumentFile(name, type, Files.size(file)));
                    used += Files.size(file);
                }
            }
            return new MemoryCatalogue(used, Files.getFileStore(folder).getUsableSpace(), files);
        } catch (IOException | java.io.UncheckedIOException e) {
            throw gone(e);
        }
    }

    @Override
    public String digest(String file) throws LinkException {
        try (InputStream in = Files.newInputStream(path(file), LinkOption.NOFOLLOW_LINKS)) {
            return Sha256.of(in);
        } catch (NoSuchFileException e) {
            throw missing(file, e);
        } catch (IOException e) {
            throw gone(e);
        }
    }

    @Override
    public byte[] slice(String file, long offset, int count) throws LinkException {
        return read(file, offset, count);
    }

    private byte[] read(String file, long offset, int count) throws LinkException {
        try (SeekableByteChannel open =
                Files.newByteChannel(path(file), StandardOpenOption.READ, LinkOption.NOFOLLOW_LINKS)) {
            int length = (int) Math.max(0, Math.min(count, open.size() - offset));
            ByteBuffer bytes = ByteBuffer.allocate(length);
            open.position(Math.min(offset, open.size()));
            while (bytes.hasRemaining() && open.read(bytes) >= 0) {
                // until as much is there as was asked for
            }
            return Arrays.copyOf(bytes.array(), bytes.position());
        } catch (NoSuchFileException e) {
            throw missing(file, e);
        } catch (IOException e) {
            throw gone(e);
        }
    }

    private LinkException missing(String file, IOException cause) {
        return Files.isRegularFile(folder.resolve(IDENTITY), LinkOption.NOFOLLOW_LINKS)
                ? new LinkException.NoSuchFile(file)
                : gone(cause);
    }

    @Override
    public void write(String file, byte[] bytes) throws LinkException {
        Path target = path(file);
        Path part = target.resolveSibling(target.getFileName() + ".part");
        try {
            Files.createDirectories(target.getParent());
            path(file);
            if (Files.getFileStore(folder).getUsableSpace() < bytes.length) {
                throw new LinkException.MemoryFull();
            }
            Files.deleteIfExists(part);
            try (FileChannel channel =
                    FileChannel.open(part, StandardOpenOption.WRITE, StandardOpenOption.CREATE_NEW)) {
                ByteBuffer left = ByteBuffer.wrap(bytes);
                while (left.hasRemaining()) {
                    channel.write(left);
                }
                // A drive may be pulled out at any time: what was confirmed must be on it.
                channel.force(true);
            }
            Files.move(part, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw gone(e);
        }
    }

    @Override
    public void delete(String file) throws LinkException {
        try {
            Files.delete(path(file));
        } catch (NoSuchFileException e) {
            throw new LinkException.NoSuchFile(file);
        } catch (IOException e) {
            throw gone(e);
        }
    }

    /** Where a file lies: below the folder, and on no way there a symbolic link that leads out of it. */
    private Path path(String file) throws LinkException {
        try {
            Path path = folder.resolve(file).normalize();
            boolean isInside = path.startsWith(folder) && !path.equals(folder);
            for (Path at = path; isInside && at != null && !at.equals(folder); at = at.getParent()) {
                isInside = !Files.isSymbolicLink(at);
            }
            if (isInside) {
                return path;
            }
        } catch (InvalidPathException noName) {
            // no file has such a name
        }
        throw new LinkException.NoSuchFile(file);
    }

    private static LinkException gone(Exception cause) {
        return new LinkException.Lost(cause);
    }

    @Override
    public FirmwareState firmware() throws LinkException {
        throw new LinkException.NotByThisWay(Sentence.of("link.itsFirmware"));
    }

    @Override
    public void beginFirmware(String sha256, long bytes) throws LinkException {
        throw new LinkException.NotByThisWay(Sentence.of("link.itsFirmware"));
    }

    @Override
    public void writeFirmware(long offset, byte[] piece) throws LinkException {
        throw new LinkException.NotByThisWay(Sentence.of("link.itsFirmware"));
    }

    @Override
    public void installFirmware() throws LinkException {
        throw new LinkException.NotByThisWay(Sentence.of("link.itsFirmware"));
    }

    @Override
    public List<LiveChannel> liveChannels() {
        return List.of();
    }

    @Override
    public double[] fetch() throws LinkException {
        throw new LinkException.NotByThisWay(Sentence.of("link.itsLiveValues"));
    }

    @Override
    public void startRun() throws LinkException {
        throw new LinkException.NotByThisWay(Sentence.of("link.aRun"));
    }

    @Override
    public void endRun() throws LinkException {
        throw new LinkException.NotByThisWay(Sentence.of("link.aRun"));
    }

    @Override
    public boolean isRunning() {
        return false;
    }

    @Override
    public List<String> availableOptions() {
        return List.of();
    }

    @Override
    public void close() {
        // a folder is not held open
    }
}
