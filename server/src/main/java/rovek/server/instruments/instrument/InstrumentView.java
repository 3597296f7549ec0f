package rovek.server.instruments.instrument;

import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import rovek.core.wording.Sentence;

/**
 * An instrument on the shelf, as it was seen last.
 *
 * @param serial blank where it tells none; {@code knownBy} then says what tells it apart
 * @param calibrationMonths from one calibration to the next, as written down; null where nobody did
 * @param tellsCalibration whether the instrument itself knows when it was calibrated
 * @param isByHand whether it is no instrument, but somebody who writes readings down
 */
public record InstrumentView(
        UUID id,
        String maker,
        String model,
        String serial,
        String knownBy,
        String firmware,
        List<String> options,
        @Nullable LocalDate calibratedOn,
        @Nullable LocalDate calibratedUntil,
        @Nullable Integer calibrationMonths,
        boolean tellsCalibration,
        boolean isByHand,
        String lastSeenAt) {

    InstrumentView seenAt(String at) {
        return new InstrumentView(
                id,
                maker,
                model,
                serial,
                knownBy,
                firmware,
                options,
                calibratedOn,
                calibratedUntil,
                calibrationMonths,
                tellsCalibration,
                isByHand,
                at);
    }

    /** What tells it from others of its model. */
    public Sentence numbered() {
        return serial.isEmpty()
                ? Sentence.of("instruments.unnumbered", "knownBy", knownBy)
                : Sentence.of("instruments.numbered", "serial", serial);
    }

    /** How it is named in a sentence or a list. */
    public Sentence said() {
        if (isByHand) {
            return Sentence.of("instruments.byHand");
        }
        return Sentence.of("instruments.said", "model", model, "numbered", numbered());
    }
}
