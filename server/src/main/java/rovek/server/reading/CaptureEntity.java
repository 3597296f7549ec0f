package rovek.server.reading;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.OptionalDouble;
import java.util.UUID;
import rovek.core.unit.UnitCatalogue;
import rovek.link.packet.PackedReading.Waveform;

/** A waveform's samples, compressed. */
@Entity
@Table(name = "capture")
class CaptureEntity {

    @Id
    UUID readingId;

    String unit;
    double rateHz;
    double scale;
    Double sensitivity;
    Double fullScale;
    byte[] samples;

    static CaptureEntity of(UUID readingId, Waveform waveform) {
        CaptureEntity capture = new CaptureEntity();
        capture.readingId = readingId;
        capture.unit = waveform.unit().symbol();
        capture.rateHz = waveform.rateHz();
        capture.scale = waveform.scale();
        capture.sensitivity = boxed(waveform.sensitivityMvPerG());
        capture.fullScale = boxed(waveform.fullScale());
        capture.samples = SampleCompression.compress(waveform.samples());
        return capture;
    }

    Waveform waveform() {
        return new Waveform(
                SampleCompression.expand(samples), (int) rateHz, UnitCatalogue.get(unit), scale,
                optional(sensitivity), optional(fullScale));
    }

    private static Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private static OptionalDouble optional(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
}
