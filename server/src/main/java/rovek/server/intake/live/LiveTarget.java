package rovek.server.intake.live;

import java.util.UUID;

/** What is watched: an instrument on the shelf, or a device that a set-up says how to read. */
public record LiveTarget(Kind kind, UUID id) {

    /** What kind of thing it is. */
    public enum Kind {
        INSTRUMENT,
        SETUP
    }
}
