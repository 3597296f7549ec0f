package rovek.server.judging.reading;

import jakarta.persistence.QueryHint;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.hibernate.jpa.HibernateHints;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.jpa.repository.QueryHints;
import org.springframework.data.repository.Repository;

/** Reads rows, not entities, where lists are long and nothing is changed. */
interface ReadingRepository extends Repository<ReadingEntity, UUID> {

    /** Readings of one instant stand in the order in which they were stored and the instrument counted them. */
    String IN_ORDER = " ORDER BY r.takenAt, r.storedAt, length(r.ownId), r.ownId, r.id";

    String ROW = """
            SELECT new rovek.server.judging.reading.ReadingRow(r.id,
                new rovek.server.judging.reading.ReadingPlace(r.checkId, r.visitId, r.plannedFor, r.chosen),
                new rovek.server.judging.reading.ReadingSource(
                    r.originalId, r.instrumentId, r.technique, r.takenAt, r.label, r.storedAt),
                r.note, r.obstacle, r.replaced, r.discardedBecause, r.overridden, r.filled,
                new rovek.server.judging.reading.InstrumentCalibration(r.calibratedOn, r.calibratedUntil),
                v.resultId, v.value, v.unit)
            FROM ReadingEntity r LEFT JOIN ResultEntity v ON v.readingId = r.id AND v.takenAt = r.takenAt
            """;

    /** Neither repeated nor discarded, nor later than it was read back. */
    String COUNTS = " NOT r.replaced AND r.discardedBecause IS NULL AND r.takenAt <= r.storedAt + 1 day ";

    /** A value of one result. */
    record Value(UUID checkId, UUID readingId, Instant takenAt, double value, String unit) {}

    /** A result of the reading before. */
    record Before(UUID readingId, String resultId, double value) {}

    /** How many readings are set alike. */
    record Used(String settings, long readings) {}

    /** A reading that may be made again. */
    record Settled(UUID id, Instant takenAt, String settings) {}

    /** One reading that another repeats. */
    record Repeated(UUID id, UUID by) {}

    /** How many readings of a visit count, and how many of them are loose. */
    record Counts(UUID visitId, long readings, long loose) {}

    /** How long it takes in a visit from one reading to the next, in the middle of all, in seconds. */
    record Pace(UUID visitId, double seconds) {}

    @Query(ROW + "WHERE r.visitId = :visit" + IN_ORDER + ", v.place")
    List<ReadingRow> ofVisit(UUID visit);

    @Query(ROW + "WHERE r.id IN :ids" + IN_ORDER + ", v.place")
    List<ReadingRow> of(Collection<UUID> ids);

    @Query(ROW + "WHERE r.checkId = :check AND r.takenAt BETWEEN :from AND :to AND" + COUNTS + IN_ORDER + ", v.place")
    List<ReadingRow> history(UUID check, Instant from, Instant to);

    @QueryHints(@QueryHint(name = HibernateHints.HINT_FETCH_SIZE, value = "2000"))
    @Query("""
            SELECT r.checkId, r.id, r.takenAt, v.value, v.unit FROM ReadingEntity r
            JOIN ResultEntity v ON v.readingId = r.id AND v.takenAt = r.takenAt
            WHERE r.checkId IN :checks AND v.resultId = :result AND r.obstacle = '' AND""" + COUNTS + IN_ORDER)
    Stream<Value> values(Collection<UUID> checks, String result);

    @Query("""
            SELECT x.id, v.resultId, v.value FROM ReadingEntity x
            JOIN LATERAL (SELECT r.id AS id, r.takenAt AS takenAt FROM ReadingEntity r WHERE r.checkId = x.checkId
                AND r.takenAt < x.takenAt AND r.visitId <> x.visitId AND""" + COUNTS + """
                ORDER BY r.takenAt DESC LIMIT 1) p
            JOIN ResultEntity v ON v.readingId = p.id AND v.takenAt = p.takenAt
            WHERE x.visitId = :visit""")
    List<Before> before(UUID visit);

    @Query("""
            SELECT s.settings, count(*) FROM (SELECT r.settings AS settings FROM ReadingEntity r
                WHERE r.checkId = :check AND NOT r.replaced ORDER BY r.takenAt DESC LIMIT :most) s
            GROUP BY s.settings""")
    List<Used> settingsUsed(UUID check, int most);

    long countByCheckIdAndReplacedFalse(UUID check);

    @Query("""
            SELECT r.id, r.takenAt, r.settings FROM ReadingEntity r WHERE r.checkId = :check AND NOT r.replaced
                AND (r.takenAt < :at OR r.takenAt = :at AND r.id < :id)
            ORDER BY r.takenAt DESC, r.id DESC""")
    List<Settled> settledBefore(UUID check, Instant at, UUID id, Limit most);

    @Query("SELECT r.id FROM ReadingEntity r WHERE r.visitId = :visit ORDER BY r.takenAt, r.id")
    List<UUID> idsOfVisit(UUID visit);

    @Query("SELECT r.id FROM ReadingEntity r WHERE r.visitId = :visit AND r.version > 0")
    List<UUID> changedOfVisit(UUID visit);

    @Query("""
            SELECT r.id, r.checkId, r.visitId, r.takenAt, r.replaced, r.discardedBecause FROM ReadingEntity r
            WHERE r.id IN :ids AND (r.version > 0 OR r.replaced)""")
    List<Readings.Whereabouts> changedAmong(Collection<UUID> ids);

    @Query("SELECT r.technique, r.settings FROM ReadingEntity r WHERE r.id IN :ids ORDER BY r.takenAt, r.id")
    List<With> takenWith(Collection<UUID> ids);

    /** What a reading was taken with, as it is stored. */
    record With(String technique, String settings) {}

    @Query("""
            SELECT r.ownId, r.captureSha256 FROM ReadingEntity r
            WHERE r.instrumentId = :instrument AND r.ownId IN :ownIds""")
    List<Known> known(UUID instrument, Collection<String> ownIds);

    /** What an instrument's reading is told by. */
    record Known(String ownId, String captureSha256) {}

    /**
     * Readings of an original just stored that repeat others or are repeated. Only on the same check: one that was
     * placed elsewhere since is somebody's decision.
     */
    @Query("""
            SELECT r.id, later.id FROM ReadingEntity later
            JOIN ReadingEntity r ON r.instrumentId = later.instrumentId AND r.ownId = later.repeats AND r.id <> later.id
            WHERE later.instrumentId = :instrument AND later.repeats <> '' AND NOT r.replaced
                AND r.checkId IS NOT DISTINCT FROM later.checkId
                AND (later.originalId = :original AND later.storedAt = :storedAt
                    OR r.originalId = :original AND r.storedAt = :storedAt)""")
    List<Repeated> repeated(UUID instrument, UUID original, Instant storedAt);

    @Modifying(flushAutomatically = true)
    @Query("""
            UPDATE VERSIONED ReadingEntity r SET r.replaced = true WHERE r.id = :id AND NOT r.replaced
                AND r.checkId IS NOT DISTINCT FROM (SELECT later.checkId FROM ReadingEntity later WHERE later.id = :by)""")
    int retire(UUID id, UUID by);

    @Query("""
            SELECT r.visitId, count(*), sum(CASE WHEN r.checkId IS NULL AND r.discardedBecause IS NULL THEN 1 ELSE 0 END)
            FROM ReadingEntity r WHERE r.visitId IN :visits AND NOT r.replaced GROUP BY r.visitId""")
    List<Counts> counts(Collection<UUID> visits);

    @Query("""
            SELECT r.visitId, count(*), count(*) FROM ReadingEntity r
            WHERE r.checkId IS NULL AND r.discardedBecause IS NULL AND NOT r.replaced GROUP BY r.visitId""")
    List<Counts> loose();

    @Query("""
            SELECT g.visitId, percentile_cont(0.5) WITHIN GROUP (ORDER BY g.gap) FROM (
                SELECT r.visitId AS visitId, CAST((r.takenAt - lag(r.takenAt) OVER (PARTITION BY r.visitId ORDER BY r.takenAt))
                    BY SECOND AS Double) AS gap
                FROM ReadingEntity r WHERE NOT r.replaced AND r.visitId IN :visits) g
            WHERE g.gap < :longest GROUP BY g.visitId""")
    List<Pace> paces(Collection<UUID> visits, long longest);
}
