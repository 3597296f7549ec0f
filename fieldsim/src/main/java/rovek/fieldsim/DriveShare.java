package rovek.fieldsim;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import rovek.link.Sha256;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Shows the instrument's memory as a drive: its files in folders, and {@code instrument.json} beside them. */
final class DriveShare implements AutoCloseable {

    private static final int POLL_MILLIS = 150;

    private final Handheld handheld;
    private final Path drive;
    private final HandheldMemory files;
    private final Thread thread;
    /** What lies on the drive as the instrument put it there: name to digest. */
    private final Map<String, String> shown = new java.util.HashMap<>();

    private volatile boolean isOpen = true;

    DriveShare(Handheld handheld, Path drive) {
        this.handheld = handheld;
        this.drive = drive;
        this.files = new HandheldMemory(drive, Long.MAX_VALUE);
        files.write("instrument.json", identity());
        exchange();
        thread = new Thread(this::keepUp, "drive share");
        thread.setDaemon(true);
        thread.start();
    }

    private byte[] identity() {
        JsonMapper json = JsonMapper.builder().build();
        HandheldModel model = handheld.model();
        ObjectNode said = json.createObjectNode();
        said.put("maker", model.maker())
                .put("model", model.model())
                .put("serial", model.serial())
                .put("firmware", handheld.firmware().version())
                .put("calibratedOn", model.calibratedOn().toString())
                .put("calibratedUntil", model.calibratedUntil().toString());
        ObjectNode options = said.putObject("options");
        model.options().forEach(options::put);
        return json.writeValueAsBytes(said);
    }

    private void keepUp() {
        while (isOpen) {
            try {
                Thread.sleep(POLL_MILLIS);
                exchange();
            } catch (InterruptedException e) {
                return;
            } catch (UncheckedIOException gone) {
                // the drive is not there at the moment
            }
        }
    }

    /** What was put on the drive goes in, what was removed from it goes, what is new is shown. */
    private synchronized void exchange() {
        for (String loaded : Set.of("ROUTES/ROUTE.zip", SetupSlot.FILE)) {
            files.read(loaded)
                    .filter(bytes -> !Sha256.of(bytes).equals(shown.get(loaded)))
                    .ifPresent(bytes -> take(loaded, bytes));
        }
        Map<String, String> held = handheld.files();
        for (String name : new HashSet<>(shown.keySet())) {
            if (held.containsKey(name)
                    && !Files.exists(drive.resolve(name))
                    && !name.startsWith("ROUTES/")
                    && !name.equals(SetupSlot.FILE)) {
                handheld.delete(name);
                shown.remove(name);
            }
        }
        for (String name : handheld.files().keySet()) {
            handheld.file(name).ifPresent(bytes -> show(name, bytes));
        }
        for (String name : new HashSet<>(shown.keySet())) {
            if (!handheld.files().containsKey(name)) {
                remove(name);
            }
        }
    }

    private void take(String name, byte[] bytes) {
        try {
            if (name.startsWith("ROUTES/")) {
                handheld.load(bytes);
            } else {
                handheld.loadSetup(bytes);
            }
            shown.put(name, Sha256.of(bytes));
        } catch (HandheldException refused) {
            remove(name);
        }
    }

    private void show(String name, byte[] bytes) {
        String digest = Sha256.of(bytes);
        if (digest.equals(shown.get(name))) {
            return;
        }
        files.write(name, bytes);
        shown.put(name, digest);
    }

    private void remove(String name) {
        files.delete(name);
        shown.remove(name);
    }

    /** Unplugs it: what it showed is gone from there. */
    @Override
    public void close() {
        isOpen = false;
        thread.interrupt();
        synchronized (this) {
            try (Stream<Path> all = Files.walk(drive)) {
                all.sorted(java.util.Comparator.reverseOrder())
                        .filter(path -> !path.equals(drive))
                        .forEach(path -> path.toFile().delete());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }
}
