package rovek.link;

import java.util.List;

/** What fills an instrument's memory. */
public record MemoryCatalogue(long usedBytes, long freeBytes, List<InstrumentFile> files) {

    public MemoryCatalogue {
        files = List.copyOf(files);
    }
}
