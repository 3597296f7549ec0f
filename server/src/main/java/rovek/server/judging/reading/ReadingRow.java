package rovek.server.judging.reading;

import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;

/** A reading with one of its results, as lists are read: without its capture, and not to be changed. */
record ReadingRow(
        UUID id,
        UUID checkId,
        UUID visitId,
        UUID originalId,
        UUID instrumentId,
        String technique,
        Instant takenAt,
        String label,
        String note,
        String obstacle,
        boolean replaced,
        String discardedBecause,
        String filled,
        Instant storedAt,
        String overridden,
        UUID plannedFor,
        boolean chosen,
        LocalDate calibratedOn,
        LocalDate calibratedUntil,
        String resultId,
        Double value,
        String unit) {}
