package rovek.server.instruments.sensor;

import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.UUID;

/**
 * A sensor as somebody wants it in the register.
 *
 * @param tag as engraved on it
 * @param sensitivity in the technique's unit for it
 * @param version the one it was edited from; ignored for a new sensor
 */
public record SensorDraft(
        String tag,
        String technique,
        String serial,
        double sensitivity,
        @Nullable Double rangeLow,
        @Nullable Double rangeHigh,
        @Nullable LocalDate calibratedOn,
        @Nullable Integer calibrationMonths,
        @Nullable UUID instrumentId,
        boolean retired,
        int version) {}
