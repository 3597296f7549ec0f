package rovek.link.packet;

import java.util.List;
import java.util.UUID;

/**
 * How far a route was walked.
 *
 * @param id of this walk, made by the instrument; another walk of the same route has another
 */
public record Walk(UUID id, UUID route, String name, List<WalkedStop> stops) {

    public Walk {
        stops = List.copyOf(stops);
    }

    /** One stop's progress and the technician's note. */
    public record WalkedStop(UUID id, Progress progress, String note) {}

    /** As a package writes them, in lower case with spaces. */
    public enum Progress {
        TO_DO("to do"),
        BEGUN("begun"),
        DONE("done"),
        SKIPPED("skipped");

        private final String word;

        Progress(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }

        static Progress of(String word) {
            for (Progress progress : values()) {
                if (progress.word.equals(word)) {
                    return progress;
                }
            }
            throw new IllegalArgumentException(word);
        }
    }
}
