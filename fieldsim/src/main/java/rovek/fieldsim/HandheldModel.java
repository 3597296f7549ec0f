package rovek.fieldsim;

import java.time.LocalDate;
import java.util.Map;

/**
 * What kind of handheld it is.
 *
 * @param options techniques and options with their revision
 */
record HandheldModel(
        String maker,
        String model,
        String serial,
        String firmware,
        String passCode,
        Map<String, String> options,
        LocalDate calibratedOn,
        LocalDate calibratedUntil,
        long memoryBytes) {

    static HandheldModel logger(LocalDate today) {
        LocalDate calibratedOn = today.minusMonths(5).withDayOfMonth(6);
        return new HandheldModel(
                "Fieldsim", "LG-8", "51820", "1.1.0", "4711", Map.of("RUN", "1", "CHANNELS8", "1"),
                calibratedOn, calibratedOn.plusMonths(12), 16_000_000);
    }

    HandheldModel withSerial(String other) {
        return new HandheldModel(maker, model, other, firmware, passCode, options, calibratedOn, calibratedUntil, memoryBytes);
    }

    static HandheldModel vibration(LocalDate today) {
        LocalDate calibratedOn = today.minusMonths(13).withDayOfMonth(14);
        return new HandheldModel(
                "Fieldsim", "VH-2", "30417", "2.4.1", "4711", Map.of("VIBRATION", "1"),
                calibratedOn, calibratedOn.plusMonths(24), 64_000_000);
    }
}
