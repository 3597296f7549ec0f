package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import java.time.LocalDate;

/**
 * The calibration an instrument had when it was read back; a later one does not reach back to what it had measured
 * before.
 *
 * @param on null where the instrument did not tell; likewise {@code until}
 */
public record InstrumentCalibration(
        @Nullable LocalDate on, @Nullable LocalDate until) {}
