package rovek.core.technique;

import rovek.core.reading.Capture;

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
     * @throws IllegalArgumentException with a sentence, when it is not what is asked for
     */
    Capture read(String written, SettingValues settings);
}
