package rovek.server.judging.reading;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.Comparator;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Keeps the hours of results with very many readings summed up: made when such a result is first looked at, brought up
 * to date at each look.
 */
@Service
public class ResultHours {

    /** With fewer readings than this the readings themselves are fast enough. */
    private static final int LEAST_READINGS = 50_000;

    private static final Timestamp NEVER = Timestamp.from(Instant.EPOCH);

    private static final String SUMMED_UP = """
            INSERT INTO result_hour
            SELECT check_id, result_id, date_trunc('hour', taken_at), min(taken_at), max(taken_at), min(value), max(value), count(*),
                percentile_cont(0.5) WITHIN GROUP (ORDER BY value)
            FROM result WHERE check_id = :check AND result_id = :result AND counts %s
            GROUP BY check_id, result_id, date_trunc('hour', taken_at)""";

    private final JdbcClient db;

    ResultHours(JdbcClient db) {
        this.db = db;
    }

    /** @return whether its hours are summed up now */
    @Transactional
    public boolean refresh(UUID check, String result) {
        return isSummedUp(check, result) ? renew(check, result) : make(check, result);
    }

    private boolean isSummedUp(UUID check, String result) {
        return one("SELECT count(*) FROM result_summary WHERE check_id = :check AND result_id = :result", check, result)
                > 0;
    }

    private boolean renew(UUID check, String result) {
        Long stale =
                one("SELECT count(*) FROM stale_hour WHERE check_id = :check AND result_id = :result", check, result);
        if (stale > 0) {
            // One after the other: two who look at once would sum the same hour up twice.
            db.sql("SELECT 1 FROM result_summary WHERE check_id = :check AND result_id = :result FOR UPDATE")
                    .param("check", check)
                    .param("result", result)
                    .query(Integer.class)
                    .single();
            Timestamp[] hours = db
                    .sql("DELETE FROM stale_hour WHERE check_id = :check AND result_id = :result RETURNING hour")
                    .param("check", check)
                    .param("result", result)
                    .query((row, n) -> row.getTimestamp(1))
                    .list()
                    .stream()
                    .distinct()
                    .toArray(Timestamp[]::new);
            db.sql("DELETE FROM result_hour WHERE check_id = :check AND result_id = :result AND hour = ANY(:hours)")
                    .param("check", check)
                    .param("result", result)
                    .param("hours", hours)
                    .update();
            db.sql(SUMMED_UP.formatted(
                            "AND taken_at >= :from AND taken_at < :to AND date_trunc('hour', taken_at) = ANY(:hours)"))
                    .param("check", check)
                    .param("result", result)
                    .param("hours", hours)
                    .param(
                            "from",
                            Arrays.stream(hours).min(Comparator.naturalOrder()).orElse(NEVER))
                    .param(
                            "to",
                            Timestamp.from(Arrays.stream(hours)
                                    .max(Comparator.naturalOrder())
                                    .orElse(NEVER)
                                    .toInstant()
                                    .plus(1, ChronoUnit.HOURS)))
                    .update();
        }
        return true;
    }

    private boolean make(UUID check, String result) {
        // Stops counting where it is enough: most results have a few hundred readings.
        Long many = one(
                "SELECT count(*) FROM (SELECT 1 FROM result WHERE check_id = :check AND result_id = :result AND counts LIMIT "
                        + LEAST_READINGS + ") r",
                check,
                result);
        if (many < LEAST_READINGS) {
            return false;
        }
        // Whoever writes results waits for a moment: nothing is written that is neither summed up nor noted as stale.
        // So does whoever else would sum up.
        db.sql("LOCK TABLE result IN SHARE ROW EXCLUSIVE MODE").update();
        if (!isSummedUp(check, result)) {
            db.sql("INSERT INTO result_summary VALUES (:check, :result)")
                    .param("check", check)
                    .param("result", result)
                    .update();
            db.sql(SUMMED_UP.formatted(""))
                    .param("check", check)
                    .param("result", result)
                    .update();
        }
        return true;
    }

    private Long one(String sql, UUID check, String result) {
        return db.sql(sql)
                .param("check", check)
                .param("result", result)
                .query(Long.class)
                .single();
    }
}
