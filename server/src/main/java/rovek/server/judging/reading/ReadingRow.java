package rovek.server.judging.reading;

import java.util.UUID;

/** A reading with one of its results, as lists are read: without its capture, and not to be changed. */
record ReadingRow(
        UUID id,
        ReadingPlace place,
        ReadingSource source,
        String note,
        String obstacle,
        boolean replaced,
        String discardedBecause,
        String overridden,
        String filled,
        InstrumentCalibration calibration,
        String resultId,
        Double value,
        String unit) {}
