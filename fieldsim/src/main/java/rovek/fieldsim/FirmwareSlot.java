package rovek.fieldsim;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Optional;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import rovek.link.packet.FirmwarePackage;
import rovek.link.packet.PackageException;

/**
 * The firmware an instrument runs, and the image that is being loaded to replace it. The old one stays until the new
 * one is verified whole.
 */
final class FirmwareSlot {

    private static final String VERSION = "state/firmware.txt";
    private static final String ANNOUNCED = "state/firmware-announced.txt";
    private static final String IMAGE = "state/firmware-image.bin";
    private static final int LEAST_CHARGE = 30;

    private final HandheldModel model;
    private final HandheldMemory memory;
    private final Clock realTime;
    private Optional<Installing> installing = Optional.empty();

    FirmwareSlot(HandheldModel model, HandheldMemory memory, Clock realTime) {
        this.model = model;
        this.memory = memory;
        this.realTime = realTime;
    }

    private record Installing(String version, Instant until) {}

    /** What runs now. */
    synchronized String version() {
        settle();
        return memory.read(VERSION).map(FirmwareSlot::text).orElse(model.firmware());
    }

    synchronized boolean isInstalling() {
        settle();
        return installing.isPresent();
    }

    private void settle() {
        installing.filter(one -> !realTime.instant().isBefore(one.until())).ifPresent(done -> {
            memory.write(VERSION, done.version().getBytes(StandardCharsets.UTF_8));
            memory.delete(IMAGE);
            memory.delete(ANNOUNCED);
            installing = Optional.empty();
        });
    }

    synchronized String announced() {
        return memory.read(ANNOUNCED).map(FirmwareSlot::text).orElse("");
    }

    synchronized long arrived() {
        return memory.read(IMAGE).map(bytes -> (long) bytes.length).orElse(0L);
    }

    synchronized void begin(String sha256, long bytes, long freeBytes) {
        if (!announced().equals(sha256)) {
            if (bytes > freeBytes) {
                throw new HandheldException(Sentence.of("handheld.memoryFull"));
            }
            memory.delete(IMAGE);
            memory.write(ANNOUNCED, sha256.getBytes(StandardCharsets.UTF_8));
        }
    }

    synchronized void write(long offset, byte[] piece) {
        byte[] held = memory.read(IMAGE).orElse(new byte[0]);
        if (announced().isEmpty() || offset != held.length) {
            throw new HandheldException(Sentence.of("handheld.imageGoesOn", "at", held.length));
        }
        byte[] longer = Arrays.copyOf(held, held.length + piece.length);
        System.arraycopy(piece, 0, longer, held.length, piece.length);
        memory.write(IMAGE, longer);
    }

    synchronized void install(int battery) {
        if (battery < LEAST_CHARGE) {
            throw new BatteryTooLow();
        }
        byte[] image = memory.read(IMAGE).orElse(new byte[0]);
        if (!Sha256.of(image).equals(announced())) {
            memory.delete(IMAGE);
            throw new HandheldException(Sentence.of("handheld.imageDamaged"));
        }
        try {
            FirmwarePackage firmware = FirmwarePackage.unpack(image);
            if (!firmware.model().equals(model.model())) {
                throw new HandheldException(Sentence.of("handheld.firmwareOf", "model", firmware.model()));
            }
            installing = Optional.of(new Installing(
                    firmware.version(), realTime.instant().plus(Duration.ofSeconds(firmware.seconds()))));
        } catch (PackageException e) {
            throw new HandheldException(e.sentence());
        }
    }

    private static String text(byte[] bytes) {
        return new String(bytes, StandardCharsets.UTF_8);
    }

    /** The charge would not last through it. */
    static final class BatteryTooLow extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }
}
