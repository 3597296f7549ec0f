package rovek.link;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import rovek.core.live.LiveChannel;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * An instrument that shows itself as a drive: the same files lie in folders of the same names, and {@code instrument.json} says
 * who it is. There is nobody to talk to, so it has no clock, no battery and no firmware that could be asked for.
 */
final class FolderInstrument implements Instrument {

    static final String IDENTITY = "instrument.json";

    private static final Map<String, String> TYPES = Map.of(
            "ROUTES", "ROUTE", "SETUPS", "SETUP", "RESULTS", "READINGS", "MEMORY", "MEMORY", "RUNS", "RUN", "SCREENS", "SCREEN", "LISTS", "LIST", "SHEETS", "SHEET");

    private final Path folder;
    private final JsonMapper json = JsonMapper.builder().build();

    private FolderInstrument(Path folder) {
        this.folder = folder.toAbsolutePath().normalize();
    }

    static FolderInstrument open(Path folder) throws LinkException {
        if (!Files.isRegularFile(folder.resolve(IDENTITY))) {
            throw new LinkException.NotReachable("the folder " + folder, null);
        }
        return new FolderInstrument(folder);
    }

    @Override
    public InstrumentIdentity identity() throws LinkException {
        try {
            JsonNode said = json.readTree(Files.readAllBytes(folder.resolve(IDENTITY)));
            Map<String, String> options = new LinkedHashMap<>();
            said.path("options").properties().forEach(option -> options.put(option.getKey().toLowerCase(Locale.ROOT), option.getValue().asString("")));
            if (said.path("model").asString("").isBlank()) {
                throw new LinkException.Garbled("an " + IDENTITY + " without a model");
            }
            String[] names = {said.path("maker").asString(""), said.path("model").asString(""), said.path("serial").asString(""), said.path("firmware").asString("")};
            if (InstrumentIdentity.isTooLong(names)) {
                throw new LinkException.Garbled("an " + IDENTITY + " with a name of more than 200 characters");
            }
            return new InstrumentIdentity(
                    names[0], names[1], names[2], names[3],
                    options, date(said, "calibratedOn"), date(said, "calibratedUntil"));
        } catch (IOException e) {
            throw gone(e);
        } catch (JacksonException e) {
            throw new LinkException.Garbled("an " + IDENTITY + " that cannot be read");
        }
    }

    private static Optional<LocalDate> date(JsonNode said, String field) throws LinkException {
        String text = said.path(field).asString("");
        try {
            return text.isBlank() ? Optional.empty() : Optional.of(LocalDate.parse(text));
        } catch (java.time.DateTimeException e) {
            throw new LinkException.Garbled("a date written " + text);
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
        throw new LinkException.NotByThisWay("Its clock");
    }

    @Override
    public MemoryCatalogue catalogue() throws LinkException {
        List<InstrumentFile> files = new ArrayList<>();
        long used = 0;
        try (Stream<Path> all = Files.walk(folder, 2)) {
            for (Path file : all.filter(Files::isRegularFile).sorted().toList()) {
                String name = folder.relativize(file).toString().replace('\\', '/');
                String type = TYPES.get(name.contains("/") ? name.substring(0, name.indexOf('/')) : "");
                if (type != null && name.endsWith(".zip")) {
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
        return Sha256.of(read(file, 0, Integer.MAX_VALUE));
    }

    @Override
    public byte[] slice(String file, long offset, int count) throws LinkException {
        return read(file, offset, count);
    }

    private byte[] read(String file, long offset, int count) throws LinkException {
        try (RandomAccessFile open = new RandomAccessFile(path(file).toFile(), "r")) {
            int length = (int) Math.max(0, Math.min(count, open.length() - offset));
            byte[] bytes = new byte[length];
            open.seek(Math.min(offset, open.length()));
            open.readFully(bytes);
            return bytes;
        } catch (java.io.FileNotFoundException e) {
            throw Files.isRegularFile(folder.resolve(IDENTITY)) ? new LinkException.NoSuchFile(file) : gone(e);
        } catch (IOException e) {
            throw gone(e);
        }
    }

    @Override
    public void write(String file, byte[] bytes) throws LinkException {
        Path target = path(file);
        Path part = target.resolveSibling(target.getFileName() + ".part");
        try {
            Files.createDirectories(target.getParent());
            if (Files.getFileStore(folder).getUsableSpace() < bytes.length) {
                throw new LinkException.MemoryFull();
            }
            Files.write(part, bytes);
            // A drive may be pulled out at any time: what was confirmed must be on it.
            try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE)) {
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

    private Path path(String file) throws LinkException {
        Path path = folder.resolve(file).normalize();
        if (!path.startsWith(folder) || path.equals(folder)) {
            throw new LinkException.NoSuchFile(file);
        }
        return path;
    }

    private static LinkException gone(Exception cause) {
        return new LinkException.Lost(cause);
    }

    @Override
    public FirmwareState firmware() throws LinkException {
        throw new LinkException.NotByThisWay("Its firmware");
    }

    @Override
    public void beginFirmware(String sha256, long bytes) throws LinkException {
        throw new LinkException.NotByThisWay("Its firmware");
    }

    @Override
    public void writeFirmware(long offset, byte[] piece) throws LinkException {
        throw new LinkException.NotByThisWay("Its firmware");
    }

    @Override
    public void installFirmware() throws LinkException {
        throw new LinkException.NotByThisWay("Its firmware");
    }

    @Override
    public List<LiveChannel> liveChannels() {
        return List.of();
    }

    @Override
    public double[] fetch() throws LinkException {
        throw new LinkException.NotByThisWay("Its live values");
    }

    @Override
    public void startRun() throws LinkException {
        throw new LinkException.NotByThisWay("A run");
    }

    @Override
    public void endRun() throws LinkException {
        throw new LinkException.NotByThisWay("A run");
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
