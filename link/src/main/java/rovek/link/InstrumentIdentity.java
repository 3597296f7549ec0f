package rovek.link;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import rovek.core.entry.PlainText;
import rovek.core.wording.Sentence;

/**
 * Who an instrument says it is.
 *
 * @param serial blank where the instrument has none to tell
 * @param options licensed techniques and options with their revision
 * @param calibratedOn date of its own calibration, where it tells
 * @param calibratedUntil date it is due again, where it tells
 */
public record InstrumentIdentity(
        String maker,
        String model,
        String serial,
        String firmware,
        Map<String, String> options,
        Optional<LocalDate> calibratedOn,
        Optional<LocalDate> calibratedUntil) {

    public InstrumentIdentity {
        maker = PlainText.without(maker, LONGEST).strip();
        model = PlainText.without(model, LONGEST).strip();
        serial = knownSerial(PlainText.without(serial, LONGEST));
        firmware = PlainText.without(firmware, LONGEST).strip();
        options = Map.copyOf(options);
    }

    private static final int LONGEST = 200;

    /** Whether one of its names is longer than any instrument's is. */
    static boolean isTooLong(String... names) {
        return Arrays.stream(names).anyMatch(name -> name.length() > LONGEST);
    }

    /**
     * A serial number as somebody tells it; blank where it says that there is none: IEEE 488.2, 10.14 has "0" for that.
     */
    public static String knownSerial(String told) {
        String serial = told.strip();
        return serial.equals("0") ? "" : serial;
    }

    /** How it is named in a sentence. */
    public Sentence said() {
        return serial.isEmpty()
                ? Sentence.of("link.identityUnnumbered", "model", model)
                : Sentence.of("link.identityNumbered", "model", model, "serial", serial);
    }
}
