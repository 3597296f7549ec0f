package rovek.server.instruments.setup;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import rovek.core.wording.Sentence;

/**
 * A set-up.
 *
 * @param form what kind it is, see {@link SetupFormView}
 * @param revision rises with every change of what it says
 * @param rows the repeated part, e.g. the channels
 * @param says what will happen, in a few words
 * @param isLoadable whether an instrument is loaded with it; else Rovek itself goes by it
 * @param loaded the instruments that hold it
 */
public record SetupView(
        UUID id,
        String name,
        String form,
        int revision,
        Map<String, String> values,
        List<Map<String, String>> rows,
        Sentence says,
        boolean isLoadable,
        List<SetupHeld> loaded,
        int version) {

    /** An instrument that holds a set-up, and of which revision. */
    public record SetupHeld(UUID instrumentId, int revision, String at, String by) {}

    /** An earlier state of a set-up. */
    public record SetupRevision(
            int revision, String at, String by, Map<String, String> values, List<Map<String, String>> rows) {}
}
