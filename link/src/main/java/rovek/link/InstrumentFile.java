package rovek.link;

/**
 * A file in an instrument's memory.
 *
 * @param name with its folder, e.g. {@code RESULTS/W000001.zip}
 * @param bytes size
 */
public record InstrumentFile(String name, String type, long bytes) {}
