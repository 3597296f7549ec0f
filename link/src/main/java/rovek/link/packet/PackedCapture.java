package rovek.link.packet;

import rovek.core.reading.Capture;

/** What was recorded for a reading, as a package carries it. */
public sealed interface PackedCapture permits PackedReading.Waveform, PackedCapture.Plain {

    /** @throws IllegalArgumentException with a sentence, when it cannot be what it says */
    Capture toCapture();

    /** A capture that is carried as it is: a table, a picture, text or a single value. */
    record Plain(Capture capture) implements PackedCapture {
        @Override
        public Capture toCapture() {
            return capture;
        }
    }
}
