package rovek.server.instruments.sensor;

import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.UUID;

/**
 * A sensor in the register.
 *
 * @param unit of the sensitivity
 * @param rangeLow null where it is not known; likewise {@code rangeHigh}
 * @param calibrationMonths from one calibration to the next; null where none is asked for
 * @param dueOn when the next calibration is due; null where none is asked for, or none was ever made
 * @param instrumentId the one instrument it goes with; null where it goes with any
 */
public record SensorView(
        UUID id,
        String tag,
        String technique,
        String serial,
        double sensitivity,
        String unit,
        @Nullable Double rangeLow,
        @Nullable Double rangeHigh,
        String rangeUnit,
        @Nullable LocalDate calibratedOn,
        @Nullable Integer calibrationMonths,
        @Nullable LocalDate dueOn,
        @Nullable UUID instrumentId,
        boolean retired,
        int version) {

    static SensorView of(SensorEntity sensor) {
        return new SensorView(
                sensor.id,
                sensor.tag,
                sensor.technique,
                sensor.serial,
                sensor.sensitivity,
                sensor.unit,
                sensor.rangeLow,
                sensor.rangeHigh,
                sensor.rangeUnit,
                sensor.calibratedOn,
                sensor.calibrationMonths,
                due(sensor.calibratedOn, sensor.calibrationMonths),
                sensor.instrumentId,
                sensor.retired,
                sensor.version == null ? 0 : sensor.version);
    }

    private static @Nullable LocalDate due(@Nullable LocalDate calibratedOn, @Nullable Integer months) {
        return calibratedOn == null || months == null ? null : calibratedOn.plusMonths(months);
    }

    /** The same with another calibration. */
    SensorView calibrated(@Nullable LocalDate on) {
        return new SensorView(
                id,
                tag,
                technique,
                serial,
                sensitivity,
                unit,
                rangeLow,
                rangeHigh,
                rangeUnit,
                on,
                calibrationMonths,
                due(on, calibrationMonths),
                instrumentId,
                retired,
                version);
    }
}
