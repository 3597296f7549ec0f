package rovek.link;

import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;

/**
 * Who an instrument says it is.
 *
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
        options = Map.copyOf(options);
    }
}
