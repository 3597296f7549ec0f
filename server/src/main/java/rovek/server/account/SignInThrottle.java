package rovek.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.problem.DomainProblem;

/**
 * Slows guessing down, by name and by address, for all servers together: after five failures the wait doubles from 2 s up to
 * 15 min. Success, or an hour of quiet, forgets.
 */
@Service
class SignInThrottle {

    private static final int FREE_TRIES = 5;
    private static final Duration LONGEST = Duration.ofMinutes(15);
    private static final Duration FORGOTTEN_AFTER = Duration.ofHours(1);

    private final JdbcClient db;
    private final Clock clock;

    SignInThrottle(JdbcClient db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    private record Failures(int count, Instant last) {}

    /** @throws DomainProblem.TooManyTries while one of the keys has to wait */
    @Transactional(readOnly = true)
    public void requireFree(List<String> keys) {
        Instant now = clock.instant();
        for (String key : keys) {
            db.sql("SELECT failures, last_failure_at FROM sign_in_throttle WHERE key = ?")
                    .param(key)
                    .query((row, n) -> new Failures(row.getInt(1), row.getTimestamp(2).toInstant()))
                    .optional()
                    .map(failures -> Duration.between(now, failures.last().plus(waitAfter(failures.count()))))
                    .filter(wait -> wait.compareTo(Duration.ZERO) > 0)
                    .ifPresent(wait -> {
                        throw new DomainProblem.TooManyTries(wait.toSeconds() + 1);
                    });
        }
    }

    static Duration waitAfter(int failures) {
        if (failures < FREE_TRIES) {
            return Duration.ZERO;
        }
        Duration wait = Duration.ofSeconds(2L << Math.min(20, failures - FREE_TRIES));
        return wait.compareTo(LONGEST) < 0 ? wait : LONGEST;
    }

    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void failed(List<String> keys) {
        var now = clock.instant().atOffset(ZoneOffset.UTC);
        for (String key : keys) {
            db.sql("""
                    INSERT INTO sign_in_throttle AS t (key, failures, last_failure_at) VALUES (:key, 1, :now)
                    ON CONFLICT (key) DO UPDATE SET last_failure_at = :now,
                        failures = CASE WHEN t.last_failure_at < :forgotten THEN 1 ELSE t.failures + 1 END""")
                    .param("key", key)
                    .param("now", now)
                    .param("forgotten", now.minus(FORGOTTEN_AFTER))
                    .update();
        }
    }

    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void succeeded(List<String> keys) {
        db.sql("DELETE FROM sign_in_throttle WHERE key IN (:keys)").param("keys", keys).update();
    }
}
