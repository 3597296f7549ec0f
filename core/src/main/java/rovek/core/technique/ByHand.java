package rovek.core.technique;

import rovek.core.reading.Capture;
import rovek.core.unit.KnownUnits;

/** How a person writes a reading down without any instrument. */
public interface ByHand {

    /** What is asked for. */
    enum Form {
        NUMBER,
        YES_OR_NO,
        WORDS
    }

    Form form();

    /**
     * What was written, as a capture.
     *
     * @param units that may be named
     * @throws IllegalArgumentException with a sentence, when it is not what is asked for
     */
    Capture read(String written, SettingValues settings, KnownUnits units);
}
