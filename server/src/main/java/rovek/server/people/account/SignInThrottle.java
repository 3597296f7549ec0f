package rovek.server.people.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
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
    private static final int MOST_FORGOTTEN = 1_000;
    private static final int MOST_TRIES_TO_HOLD = 20;

    private final SignInTriesRepository tries;
    private final Clock clock;

    SignInThrottle(SignInTriesRepository tries, Clock clock) {
        this.tries = tries;
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
        Instant now = clock.instant();
        for (Key key : keys) {
            SignInTriesEntity before = held(key, now);
            if (before.lastFailureAt.isBefore(now.minus(FORGOTTEN_AFTER))) {
                before.failures = 0;
            }
            Duration wait = waitAfter(before.failures, key);
            Instant next = before.lastFailureAt.plus(wait);
            // Where nobody has to wait it does not matter whose clock is ahead.
            if (!wait.isZero() && next.isAfter(now)) {
                throw new DomainProblem.TooManyTries(Math.max(
                        1, (long) Math.ceil(Duration.between(now, next).toMillis() / 1_000.0)));
            }
            before.failures++;
            before.lastFailureAt = now;
            before.told = false;
        }
    }

    private SignInTriesEntity held(Key key, Instant now) {
        for (int tried = 0; tried < MOST_TRIES_TO_HOLD; tried++) {
            tries.addUnlessThere(key.text(), now);
            // Somebody whose password was right may have forgotten it in between.
            Optional<SignInTriesEntity> held = tries.held(key.text());
            if (held.isPresent()) {
                return held.get();
            }
        }
        throw new DomainProblem.TooManyTries(1);
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
        return tries.tell(keys.stream().map(Key::text).toList()) > 0;
    }

    /** Takes a try back that was none. The first key is forgotten; of the others only this try. */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void succeeded(List<Key> keys) {
        tries.forget(keys.get(0).text());
        keys.subList(1, keys.size()).forEach(key -> tries.takeBack(key.text()));
        forgetTheQuiet();
    }

    /** Passes over what others are counting just now, and comes last: nobody waits for somebody who waits for him. */
    private void forgetTheQuiet() {
        tries.deleteAll(tries.quiet(clock.instant().minus(FORGOTTEN_AFTER), Limit.of(MOST_FORGOTTEN)));
    }
}
