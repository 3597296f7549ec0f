package rovek.server.instrument;

import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/** An instrument on the shelf, as it was seen last. */
public record InstrumentView(
        UUID id,
        String maker,
        String model,
        String serial,
        String firmware,
        List<String> options,
        @Nullable LocalDate calibratedOn,
        @Nullable LocalDate calibratedUntil,
        String lastSeenAt) {

    InstrumentView seenAt(String at) {
        return new InstrumentView(
                id, maker, model, serial, firmware, options, calibratedOn, calibratedUntil, at);
    }
}
