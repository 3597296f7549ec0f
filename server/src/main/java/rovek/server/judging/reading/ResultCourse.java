package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.technique.ResultDefinition;
import rovek.core.trend.TimedValue;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;

/** Reads a result's values out of the database, thinned there where they are many: only what is drawn is sent. */
@Repository
public class ResultCourse {

    private static final Timestamp EVER = Timestamp.valueOf("0001-01-01 00:00:00");
    private static final Timestamp ALWAYS = Timestamp.valueOf("9999-12-31 00:00:00");

    /** By the hour first: that is what they are found by. */
    private static final String HOURS_TOUCHED =
            "hour BETWEEN :from::timestamptz - interval '1 hour' AND :to AND last_at >= :from AND first_at <= :to";

    private static final long MICROS_AN_HOUR = 3_600_000_000L;

    private static final int FETCHED_AT_ONCE = 2_000;

    private final JdbcClient db;

    ResultCourse(JdbcClient db) {
        this.db = db;
    }

    /**
     * How much there is.
     *
     * @param count of readings in the period; of summed-up results, of all hours that the period touches
     * @param firstAt of all, whatever the period; null where there are none
     */
    public record Extent(
            long count,
            @Nullable Instant firstAt,
            @Nullable Instant lastAt,
            @Nullable Instant from,
            @Nullable Instant to) {

        private Instant begin() {
            return from == null || from.isBefore(firstAt) ? firstAt : from;
        }

        private Instant end() {
            return to == null || to.isAfter(lastAt) ? lastAt : to;
        }
    }

    /** @param isSummedUp whether the hours of this result are summed up */
    public Extent extent(
            UUID check, ResultDefinition result, @Nullable Instant from, @Nullable Instant to, boolean isSummedUp) {
        String sql = isSummedUp ? """
                SELECT (SELECT sum(readings) FROM result_hour WHERE check_id = :check AND result_id = :result AND %s),
                    (SELECT first_at FROM result_hour WHERE check_id = :check AND result_id = :result ORDER BY hour LIMIT 1),
                    (SELECT last_at FROM result_hour WHERE check_id = :check AND result_id = :result
                        ORDER BY hour DESC LIMIT 1)""".formatted(HOURS_TOUCHED) : """
                SELECT count(*) FILTER (WHERE taken_at BETWEEN :from AND :to), min(taken_at), max(taken_at)
                FROM result WHERE check_id = :check AND result_id = :result AND counts""";
        return db.sql(sql)
                .param("check", check)
                .param("result", result.id())
                .param("from", from == null ? EVER : Timestamp.from(from))
                .param("to", to == null ? ALWAYS : Timestamp.from(to))
                .query((row, n) -> new Extent(
                        row.getLong(1), instant(row.getTimestamp(2)), instant(row.getTimestamp(3)), from, to))
                .single();
    }

    /**
     * Many readings close together.
     *
     * @param median of the values; of summed-up results, of the medians of their hours
     */
    public record Stretch(String from, String to, double least, double largest, long readings, double median) {}

    private static @Nullable Instant instant(@Nullable Timestamp time) {
        return time == null ? null : time.toInstant();
    }

    /**
     * Least, largest and middle value of each stretch of equal length that holds any; out of hours where the stretches
     * are longer than those.
     */
    public List<Stretch> stretches(UUID check, ResultDefinition result, Extent extent, int most, boolean isSummedUp) {
        long width = Math.max(1, Duration.between(extent.begin(), extent.end()).toNanos() / 1_000 / most + 1);
        boolean outOfHours = isSummedUp && width >= MICROS_AN_HOUR;
        String sql = outOfHours ? """
                SELECT min(first_at), max(last_at), min(least), max(largest), sum(readings), percentile_cont(0.5) WITHIN GROUP (ORDER
                    BY median) FROM result_hour
                WHERE check_id = :check AND result_id = :result AND %s
                GROUP BY date_bin(:width * interval '1 microsecond', hour, :from) ORDER BY 1""".formatted(HOURS_TOUCHED) : """
                SELECT min(taken_at), max(taken_at), min(value), max(value), count(*), percentile_cont(0.5) WITHIN GROUP (ORDER BY
                    value) FROM result
                WHERE check_id = :check AND result_id = :result AND counts AND taken_at BETWEEN :from AND :to
                GROUP BY date_bin(:width * interval '1 microsecond', taken_at, :from) ORDER BY 1""";
        List<Stretch> stretches = new ArrayList<>();
        db.sql(sql)
                .param("check", check)
                .param("result", result.id())
                .param("from", Timestamp.from(extent.begin()))
                .param("to", Timestamp.from(extent.end()))
                .param("width", width)
                .query(row -> {
                    stretches.add(new Stretch(
                            row.getTimestamp(1).toInstant().toString(),
                            row.getTimestamp(2).toInstant().toString(),
                            row.getDouble(3),
                            row.getDouble(4),
                            row.getLong(5),
                            row.getDouble(6)));
                });
        return stretches;
    }

    /**
     * Every value in a period, in order of time; fetched in pieces while they are taken, which a transaction alone
     * allows.
     */
    @Transactional(readOnly = true)
    public void each(
            UUID check,
            ResultDefinition result,
            @Nullable Instant from,
            @Nullable Instant to,
            Consumer<TimedValue> taker) {
        db.sql("""
                SELECT taken_at, value, unit FROM result
                WHERE check_id = :check AND result_id = :result AND counts AND taken_at BETWEEN :from AND :to ORDER BY taken_at""")
                .withFetchSize(FETCHED_AT_ONCE)
                .param("check", check)
                .param("result", result.id())
                .param("from", from == null ? EVER : Timestamp.from(from))
                .param("to", to == null ? ALWAYS : Timestamp.from(to))
                .query(row -> {
                    Amount amount = new Amount(row.getDouble(2), UnitCatalogue.get(row.getString(3)));
                    taker.accept(new TimedValue(
                            row.getTimestamp(1).toInstant(),
                            amount.in(result.unit()).value()));
                });
    }
}
