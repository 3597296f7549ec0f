package rovek.fieldsim;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rovek.core.reading.PictureCapture;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.SetupPackage;

/** What an instrument's sensors give when they are held to a place of the plant. */
interface Sensing {

    /**
     * One thing to be measured.
     *
     * @param count how often this place was measured before, so that a repeat differs
     * @param setup the set-up the instrument holds
     */
    record Task(
            String technique,
            SimulatedPlant.Place place,
            Instant at,
            int count,
            Map<String, String> settings,
            Optional<SetupPackage> setup) {}

    /** A capture with the photos taken along. */
    record Sensed(PackedCapture capture, List<PictureCapture> photos) {}

    /** Room that the capture will take. */
    long bytes(Task task);

    /** @throws HandheldException where this cannot be measured */
    Sensed sense(Task task);
}
