package rovek.link.packet;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import rovek.core.reading.PictureCapture;
import rovek.core.reading.WaveformCapture;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * One reading in a package.
 *
 * @param id the instrument's own
 * @param takenAt by the instrument's clock
 * @param stop the check it was taken for; empty for a loose reading
 * @param label what the technician called a loose reading, may be blank
 * @param replaces id of the reading this one repeats
 * @param settings it was taken with
 * @param photos taken along with it
 */
public record PackedReading(
        String id,
        Instant takenAt,
        String technique,
        Optional<UUID> stop,
        String label,
        String note,
        Optional<String> replaces,
        Map<String, String> settings,
        PackedCapture capture,
        List<PictureCapture> photos) {

    public PackedReading {
        settings = Map.copyOf(settings);
        photos = List.copyOf(photos);
    }

    /** A reading without photos. */
    public PackedReading(
            String id,
            Instant takenAt,
            String technique,
            Optional<UUID> stop,
            String label,
            String note,
            Optional<String> replaces,
            Map<String, String> settings,
            PackedCapture capture) {
        this(id, takenAt, technique, stop, label, note, replaces, settings, capture, List.of());
    }

    public PackedReading withNote(String newNote) {
        return new PackedReading(id, takenAt, technique, stop, label, newNote, replaces, settings, capture, photos);
    }

    /**
     * A waveform as stored.
     *
     * @param samples times {@code scale} are in {@code unit}
     * @param rateHz samples per second, not necessarily a whole number
     *     <p>One that could not be opened is refused with a sentence.
     */
    public record Waveform(
            float[] samples,
            double rateHz,
            UnitOfMeasure unit,
            double scale,
            OptionalDouble sensitivityMvPerG,
            OptionalDouble fullScale)
            implements PackedCapture {

        public Waveform {
            WaveformCapture.require(samples.length, rateHz, unit, sensitivityMvPerG);
            if (!Double.isFinite(scale) || scale == 0) {
                throw new Refused(Sentence.of("packet.scale", "scale", scale));
            }
            for (float sample : samples) {
                if (!Float.isFinite(sample)) {
                    throw new Refused(Sentence.of("reading.waveformNotNumbers"));
                }
            }
        }

        @Override
        public WaveformCapture toCapture() {
            double[] scaled = new double[samples.length];
            for (int i = 0; i < samples.length; i++) {
                scaled[i] = samples[i] * scale;
            }
            return new WaveformCapture(scaled, rateHz, unit, sensitivityMvPerG, fullScale);
        }
    }
}
