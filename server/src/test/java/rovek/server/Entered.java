package rovek.server;

import java.util.List;
import java.util.Map;
import java.util.UUID;

/** Values that somebody enters by hand, as the browser sends them. */
public final class Entered {

    private Entered() {}

    /** @param takenAt as an ISO instant */
    public static Map<String, Object> reading(String check, String takenAt, String written) {
        return Map.of(
                "id",
                UUID.randomUUID().toString(),
                "checkId",
                check,
                "takenAt",
                takenAt,
                "written",
                written,
                "note",
                "",
                "photos",
                List.of());
    }

    /**
     * Readings of one round.
     *
     * @return the visit they are in
     */
    public static String round(Caller caller, List<Map<String, Object>> readings) {
        Map<String, Object> round =
                Map.of("walkId", UUID.randomUUID().toString(), "readings", readings, "skipped", List.of());
        return caller.post("/api/by-hand", round).ok().get("visitId").asString();
    }

    public static String round(Caller caller, String check, String takenAt, String written) {
        return round(caller, List.of(reading(check, takenAt, written)));
    }
}
