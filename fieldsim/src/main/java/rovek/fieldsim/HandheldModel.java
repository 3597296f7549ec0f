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

    static HandheldModel vibration(LocalDate today) {
        LocalDate calibratedOn = today.minusMonths(13).withDayOfMonth(14);
        return new HandheldModel(
                "Fieldsim", "VH-2", "30417", "2.4.1", "4711", Map.of("VIBRATION", "1"),
                calibratedOn, calibratedOn.plusMonths(24), 64_000_000);
    }
}
