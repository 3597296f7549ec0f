package rovek.link.packet;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import rovek.core.reading.Capture;

/**
 * A reading as its package lists it, without what was recorded: that stays in the package until it is asked for.
 *
 * @param line of the readings' file, from 1
 * @param id the instrument's own
 * @param takenAt by the instrument's clock
 * @param stop the check it was taken for; empty for a loose reading
 * @param label what the technician called a loose reading, may be blank
 * @param replaces id of the reading this one repeats
 * @param settings it was taken with
 * @param captureSha256 of the capture's bytes, of the description of a mere value; in hexadecimal
 * @param bytes that its capture and its photos unpack to
 * @param recorded where these are
 */
public record ListedReading(
        int line,
        String id,
        Instant takenAt,
        String technique,
        Optional<UUID> stop,
        String label,
        String note,
        Optional<String> replaces,
        Map<String, String> settings,
        String captureSha256,
        long bytes,
        Recorded recorded) {

    /** What was recorded, and where. */
    public sealed interface Recorded permits Mere, InEntries {}

    /** Said whole by the reading itself. */
    record Mere(Capture capture, List<String> photos) implements Recorded {}

    /**
     * In an entry of its own.
     *
     * @param described the capture as its line describes it, JSON
     */
    record InEntries(String path, String described, List<String> photos) implements Recorded {}

    List<String> photos() {
        return recorded instanceof Mere mere ? mere.photos() : ((InEntries) recorded).photos();
    }

    /** The entries that it is in. */
    List<String> paths() {
        return recorded instanceof InEntries in
                ? Stream.concat(Stream.of(in.path()), in.photos().stream()).toList()
                : photos();
    }
}
