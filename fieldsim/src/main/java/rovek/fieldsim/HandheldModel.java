package rovek.fieldsim;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * What kind of handheld it is.
 *
 * @param options techniques and options with their revision, the technique it is for first
 * @param hasNumberedMemories whether it keeps loose readings under numbers, one each
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
        long memoryBytes,
        boolean hasNumberedMemories) {

    private static final Set<String> NO_TECHNIQUES = Set.of("CHANNELS8", "LIVE");

    static HandheldModel vibration(LocalDate today) {
        return of(
                "VH-2",
                "30417",
                "2.4.1",
                List.of("VIBRATION"),
                today.minusMonths(13).withDayOfMonth(14),
                24,
                64_000_000,
                false);
    }

    static HandheldModel logger(LocalDate today) {
        return of(
                "LG-8",
                "51820",
                "1.1.0",
                List.of("RUN", "SCREEN", "CODES", "CHANNELS8", "LIVE"),
                today.minusMonths(5).withDayOfMonth(6),
                12,
                16_000_000,
                true);
    }

    static HandheldModel loop(LocalDate today) {
        return of(
                "LC-4",
                "60233",
                "3.0.2",
                List.of("LOOP", "SHEET", "GAUGE", "LIVE"),
                today.minusMonths(2).withDayOfMonth(20),
                12,
                8_000_000,
                true);
    }

    static HandheldModel cells(LocalDate today) {
        return of(
                "CT-48",
                "72915",
                "1.6.0",
                List.of("BATTERY"),
                today.minusMonths(11).withDayOfMonth(3),
                12,
                4_000_000,
                true);
    }

    static HandheldModel leak(LocalDate today) {
        return of(
                "AL-1",
                "80146",
                "0.9.4",
                List.of("LEAK", "SCREEN"),
                today.minusMonths(8).withDayOfMonth(27),
                24,
                32_000_000,
                true);
    }

    private static HandheldModel of(
            String model,
            String serial,
            String firmware,
            List<String> options,
            LocalDate calibratedOn,
            int months,
            long memoryBytes,
            boolean numbered) {
        Map<String, String> licensed = new LinkedHashMap<>();
        options.forEach(option -> licensed.put(option, "1"));
        return new HandheldModel(
                "Fieldsim",
                model,
                serial,
                firmware,
                "4711",
                licensed,
                calibratedOn,
                calibratedOn.plusMonths(months),
                memoryBytes,
                numbered);
    }

    /** What could be bought for it and was not. */
    List<String> availableOptions() {
        return switch (model) {
            case "VH-2" -> List.of("LIVE", "BALANCING");
            case "LG-8" -> List.of("CHANNELS16");
            case "LC-4" -> List.of("PRESSURE");
            default -> List.of();
        };
    }

    HandheldModel named(String otherMaker, String otherSerial) {
        return new HandheldModel(
                otherMaker,
                model,
                otherSerial,
                firmware,
                passCode,
                options,
                calibratedOn,
                calibratedUntil,
                memoryBytes,
                hasNumberedMemories);
    }

    /** As a route or a reading names them, the one it is for first. */
    List<String> techniques() {
        return options.keySet().stream()
                .filter(option -> !NO_TECHNIQUES.contains(option))
                .map(option -> option.toLowerCase(Locale.ROOT))
                .toList();
    }
}
