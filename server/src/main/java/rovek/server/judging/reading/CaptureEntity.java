package rovek.server.judging.reading;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.OptionalDouble;
import java.util.UUID;
import rovek.core.reading.Capture;
import rovek.core.unit.UnitCatalogue;
import rovek.link.packet.CaptureFile;
import rovek.link.packet.PackageException;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading.Waveform;

/** A waveform's samples, or the file of another capture with its description; compressed. */
@Entity
@Table(name = "capture")
class CaptureEntity {

    @Id
    UUID readingId;

    /** Blank for a waveform. */
    String description;

    String unit;
    Double rateHz;
    Double scale;
    Double sensitivity;
    Double fullScale;

    /** Samples of a waveform, else the file's bytes. */
    byte[] samples;

    static CaptureEntity of(UUID readingId, PackedCapture packed) {
        CaptureEntity capture = new CaptureEntity();
        capture.readingId = readingId;
        if (packed instanceof Waveform waveform) {
            capture.description = "";
            capture.unit = waveform.unit().symbol();
            capture.rateHz = waveform.rateHz();
            capture.scale = waveform.scale();
            capture.sensitivity = boxed(waveform.sensitivityMvPerG());
            capture.fullScale = boxed(waveform.fullScale());
            capture.samples = Compression.compress(waveform.samples());
        } else {
            CaptureFile file = CaptureFile.of(packed.toCapture());
            capture.description = file.description();
            capture.samples = Compression.compress(file.bytes());
        }
        return capture;
    }

    /** @throws IllegalArgumentException with a sentence where it cannot be what it says */
    Capture capture() {
        if (description.isBlank()) {
            return new Waveform(
                            Compression.expandSamples(samples),
                            rateHz,
                            UnitCatalogue.get(unit),
                            scale,
                            optional(sensitivity),
                            optional(fullScale))
                    .toCapture();
        }
        try {
            return new CaptureFile(description, "", Compression.expand(samples)).capture();
        } catch (PackageException e) {
            throw new IllegalStateException("A stored capture cannot be read.", e);
        }
    }

    private static Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private static OptionalDouble optional(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
}
