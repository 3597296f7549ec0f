package rovek.server.base.job;

import java.util.UUID;
import rovek.core.wording.Sentence;

/**
 * Work that takes longer than a moment.
 *
 * @param state RUNNING, DONE, FAILED or STOPPED
 * @param done how much of {@code total} is done, in whatever the work counts
 * @param sentence what is going on, or how it ended
 */
public record JobView(
        UUID id, String kind, Sentence title, State state, long done, long total, Sentence sentence, UUID subjectId) {

    /** How far it is. */
    public enum State {
        RUNNING,
        DONE,
        FAILED,
        STOPPED
    }
}
