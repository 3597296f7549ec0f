package rovek.server.people.account;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.base.problem.DomainProblem;

/**
 * Slows guessing down, for all servers together. A try is counted before anything is hashed, so that many at once are
 * no more than one after the other; the right password takes it back. What is counted is a name at an address: nobody
 * elsewhere can keep its owner out. An address that tries many names is slowed down too. An hour of quiet forgets.
 */
@Service
class SignInThrottle {

    private static final Duration FORGOTTEN_AFTER = Duration.ofHours(1);
    private static final int LONGEST_NAME = 60;

    private final JdbcClient db;
    private final Clock clock;

    SignInThrottle(JdbcClient db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    /**
     * What tries are counted by: after so many the wait doubles from 2 s up to the longest.
     *
     * @param text what is stored
     */
    record Key(String text, int freeTries, Duration longest) {

        /** A person's name as it was typed at an address. */
        static Key ofNameAt(String name, String address) {
            // Nobody's is longer; what was typed may be of any length.
            String most = name.substring(0, Math.min(LONGEST_NAME, name.length()));
            return new Key("name %s at %s".formatted(most, address), 5, Duration.ofMinutes(15));
        }

        /** A whole works may sit behind one address. */
        static Key ofAddress(String address) {
            return new Key("address " + address, 100, Duration.ofMinutes(1));
        }

        /** Somebody who is signed in and says his password once more. */
        static Key ofSignedIn(String name) {
            return new Key("signed in " + name, 5, Duration.ofMinutes(15));
        }
    }

    /**
     * Counts a try as if it had failed.
     *
     * @throws DomainProblem.TooManyTries while one of the keys has to wait; nothing is counted then, so that trying on
     *     makes nobody wait longer
     */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void reserve(List<Key> keys) {
        OffsetDateTime now = clock.instant().atOffset(ZoneOffset.UTC);
        for (Key key : keys) {
            boolean isCounted = db.sql("""
                    INSERT INTO sign_in_throttle AS t (key, failures, last_failure_at) VALUES (:key, 1, :now)
                    ON CONFLICT (key) DO UPDATE SET last_failure_at = :now, told = false, failures = CASE WHEN t.last_failure_at <
                        :forgotten THEN 1 ELSE t.failures + 1 END
                    WHERE t.failures < :free OR t.last_failure_at < :forgotten
                        OR t.last_failure_at + make_interval(secs => least(:longest, 2.0 ^ least(20, t.failures - :free + 1))) <= :now""")
                            .param("key", key.text())
                            .param("now", now)
                            .param("forgotten", now.minus(FORGOTTEN_AFTER))
                            .param("free", key.freeTries())
                            .param("longest", key.longest().toSeconds())
                            .update()
                    == 1;
            if (!isCounted) {
                throw new DomainProblem.TooManyTries(secondsLeft(key, now));
            }
        }
    }

    private long secondsLeft(Key key, OffsetDateTime now) {
        return db.sql(
                        "SELECT failures, extract(epoch FROM :now - last_failure_at) FROM sign_in_throttle WHERE key = :key")
                .param("key", key.text())
                .param("now", now)
                .query((row, n) -> Math.max(1, waitAfter(row.getInt(1), key).toSeconds() - (long) row.getDouble(2)))
                .single();
    }

    static Duration waitAfter(int failures, Key key) {
        if (failures < key.freeTries()) {
            return Duration.ZERO;
        }
        Duration wait = Duration.ofSeconds(2L << Math.min(19, failures - key.freeTries()));
        return wait.compareTo(key.longest()) < 0 ? wait : key.longest();
    }

    /** Whether this is the first time since a wait began that somebody is told of it. */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public boolean isFirstTold(List<Key> keys) {
        return db.sql("UPDATE sign_in_throttle SET told = true WHERE key IN (:keys) AND failures > 0 AND NOT told")
                        .param("keys", keys.stream().map(Key::text).toList())
                        .update()
                > 0;
    }

    /** Takes a try back that was none. The first key is forgotten; of the others only this try. */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void succeeded(List<Key> keys) {
        db.sql("DELETE FROM sign_in_throttle WHERE key = ?")
                .param(keys.get(0).text())
                .update();
        keys.subList(1, keys.size())
                .forEach(key -> db.sql("UPDATE sign_in_throttle SET failures = greatest(0, failures - 1) WHERE key = ?")
                        .param(key.text())
                        .update());
        forgetTheQuiet();
    }

    /** Passes over what others are counting just now, and comes last: nobody waits for somebody who waits for him. */
    private void forgetTheQuiet() {
        db.sql("DELETE FROM sign_in_throttle WHERE key IN (SELECT key FROM sign_in_throttle "
                        + "WHERE last_failure_at < ? FOR UPDATE SKIP LOCKED)")
                .param(clock.instant().atOffset(ZoneOffset.UTC).minus(FORGOTTEN_AFTER))
                .update();
    }
}
