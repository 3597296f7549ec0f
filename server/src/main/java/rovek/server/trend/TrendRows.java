package rovek.server.trend;

import jakarta.annotation.Nullable;
import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rovek.core.technique.ResultDefinition;
import rovek.server.trend.TrendView.Stretch;

/** Reads a result's values out of the database, thinned there where they are many: only what is drawn is sent. */
@Repository
class TrendRows {

    private static final Timestamp EVER = Timestamp.valueOf("0001-01-01 00:00:00");
    private static final Timestamp ALWAYS = Timestamp.valueOf("9999-12-31 00:00:00");

    private final JdbcClient db;

    TrendRows(JdbcClient db) {
        this.db = db;
    }

    /**
     * How much there is.
     *
     * @param count of readings in the period
     * @param firstAt of all, whatever the period; null where there are none
     */
    record Extent(long count, @Nullable Instant firstAt, @Nullable Instant lastAt, @Nullable Instant from, @Nullable Instant to) {}

    Extent extent(UUID check, ResultDefinition result, @Nullable Instant from, @Nullable Instant to) {
        return db.sql("""
                SELECT (SELECT count(*) FROM result WHERE check_id = :check AND result_id = :result AND counts AND taken_at BETWEEN :from AND :to),
                       (SELECT min(taken_at) FROM result WHERE check_id = :check AND result_id = :result AND counts),
                       (SELECT max(taken_at) FROM result WHERE check_id = :check AND result_id = :result AND counts)""")
                .param("check", check)
                .param("result", result.id())
                .param("from", from == null ? EVER : Timestamp.from(from))
                .param("to", to == null ? ALWAYS : Timestamp.from(to))
                .query((row, n) -> new Extent(row.getLong(1), instant(row.getTimestamp(2)), instant(row.getTimestamp(3)), from, to))
                .single();
    }

    private static @Nullable Instant instant(@Nullable Timestamp time) {
        return time == null ? null : time.toInstant();
    }

    /** Least and largest value of each stretch of equal length that holds any. */
    List<Stretch> stretches(UUID check, ResultDefinition result, Extent extent, int most) {
        Instant from = extent.from() == null || extent.from().isBefore(extent.firstAt()) ? extent.firstAt() : extent.from();
        Instant to = extent.to() == null || extent.to().isAfter(extent.lastAt()) ? extent.lastAt() : extent.to();
        long width = Math.max(1, Duration.between(from, to).toNanos() / 1_000 / most + 1);
        List<Stretch> stretches = new ArrayList<>();
        db.sql("""
                SELECT min(taken_at), max(taken_at), min(value), max(value), count(*) FROM result
                WHERE check_id = ? AND result_id = ? AND counts AND taken_at BETWEEN ? AND ?
                GROUP BY date_bin(? * interval '1 microsecond', taken_at, ?) ORDER BY 1""")
                .params(check, result.id(), Timestamp.from(from), Timestamp.from(to), width, Timestamp.from(from))
                .query(row -> {
                    stretches.add(new Stretch(
                            row.getTimestamp(1).toInstant().toString(), row.getTimestamp(2).toInstant().toString(), row.getDouble(3), row.getDouble(4), row.getLong(5)));
                });
        return stretches;
    }
}
