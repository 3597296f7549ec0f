package rovek.fieldsim;

import java.util.List;
import java.util.UUID;
import rovek.link.packet.Walk.Progress;

/**
 * One stop on the walk in progress.
 *
 * @param readingIds readings taken here, the newest last
 */
record StopState(UUID id, Progress progress, String note, List<String> readingIds) {

    StopState {
        readingIds = List.copyOf(readingIds);
    }

    StopState with(Progress newProgress) {
        return new StopState(id, newProgress, note, readingIds);
    }

    StopState withNote(String newNote) {
        return new StopState(id, progress, newNote, readingIds);
    }

    StopState withReading(String readingId) {
        return new StopState(
                id,
                Progress.DONE,
                note,
                java.util.stream.Stream.concat(readingIds.stream(), java.util.stream.Stream.of(readingId))
                        .toList());
    }
}
