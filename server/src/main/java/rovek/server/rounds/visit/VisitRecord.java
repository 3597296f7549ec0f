package rovek.server.rounds.visit;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import rovek.server.judging.verdict.ReadingVerdict;

/**
 * A visit as it is reported: who found what at which stop, without anything that is still to be decided.
 *
 * @param judged reading to its verdict
 */
public record VisitRecord(
        VisitSheet.VisitHead head, Instant beganAt, List<VisitRow> rows, Map<UUID, ReadingVerdict> judged) {}
