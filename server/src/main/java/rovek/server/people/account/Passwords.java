package rovek.server.people.account;

import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Makes and compares the hashes of passwords. That is dear on purpose, in time and in memory: it is never done while a
 * transaction holds a connection that others wait for, and not for more people at once than there are cores.
 */
@Component
class Passwords {

    private final PasswordEncoder encoder;
    private final Semaphore cores = new Semaphore(Runtime.getRuntime().availableProcessors(), true);
    private final String nobodys;

    Passwords(PasswordEncoder encoder) {
        this.encoder = encoder;
        this.nobodys = encoder.encode(UUID.randomUUID().toString());
    }

    String hash(String password) {
        return apart(() -> encoder.encode(password));
    }

    /**
     * As much work where there is no hash, for a name that nobody has: how long it takes must not tell which names
     * there are.
     */
    boolean fits(String password, Optional<String> hash) {
        return apart(() -> encoder.matches(password, hash.orElse(nobodys))) && hash.isPresent();
    }

    private <T> T apart(Supplier<T> work) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("A password is hashed before a transaction begins, not within.");
        }
        cores.acquireUninterruptibly();
        try {
            return work.get();
        } finally {
            cores.release();
        }
    }
}
