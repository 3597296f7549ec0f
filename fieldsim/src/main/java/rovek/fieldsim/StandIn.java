package rovek.fieldsim;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What one stand-in is and how it is plugged in.
 *
 * @param maker as it names itself; blank for the usual one
 * @param serial blank for the usual one of its kind
 * @param memory where it keeps its memory; what lies there is what it knows
 * @param instrumentPort 0 for any that is free; likewise the panel's
 * @param line where the other end of its serial line appears, if it has one
 * @param drive a folder it shows its memory in as well
 */
public record StandIn(
        Fieldsim.Kind kind,
        String maker,
        String serial,
        Path memory,
        int instrumentPort,
        int panelPort,
        Optional<Path> line,
        Optional<Path> drive) {

    /** One of the usual maker. */
    public StandIn(
            Fieldsim.Kind kind,
            String serial,
            Path memory,
            int instrumentPort,
            int panelPort,
            Optional<Path> line,
            Optional<Path> drive) {
        this(kind, "", serial, memory, instrumentPort, panelPort, line, drive);
    }

    /**
     * From words as on a command line, {@code kind=loop;memory=/some/folder;instrument-port=5025}.
     *
     * @throws IllegalArgumentException where the memory is missing or a word is not known
     */
    static StandIn parse(String words) {
        Map<String, String> given = new HashMap<>();
        for (String word : words.split(";")) {
            String[] parts = word.split("=", 2);
            given.put(parts[0].strip(), parts.length > 1 ? parts[1].strip() : "");
        }
        if (!given.containsKey("memory")) {
            throw new IllegalArgumentException("A stand-in needs a folder for its memory.");
        }
        return new StandIn(
                Fieldsim.Kind.valueOf(given.getOrDefault("kind", "vibration").toUpperCase(Locale.ROOT)),
                given.getOrDefault("maker", ""),
                given.getOrDefault("serial", ""),
                Path.of(given.get("memory")),
                Integer.parseInt(given.getOrDefault("instrument-port", "0")),
                Integer.parseInt(given.getOrDefault("panel-port", "0")),
                Optional.ofNullable(given.get("line")).map(Path::of),
                Optional.ofNullable(given.get("drive")).map(Path::of));
    }
}
