package rovek.server.people.account;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.people.account.SignInThrottle.Key;

/** Who somebody is, by name and password: slowed down where it is guessed at, and noted however it ends. */
@Service
public class SignIn {

    private final Accounts accounts;
    private final SignInThrottle throttle;
    private final AuditTrail audit;
    private final TransactionTemplate transaction;

    SignIn(Accounts accounts, SignInThrottle throttle, AuditTrail audit, TransactionTemplate transaction) {
        this.accounts = accounts;
        this.throttle = throttle;
        this.audit = audit;
        this.transaction = transaction;
    }

    /** What stands in the audit trail: a name only where somebody has it, as a password is typed there now and then. */
    private record Tried(String name, String address) {}

    /**
     * @param name in small letters
     * @throws DomainProblem.NotSignedIn where name or password is wrong
     * @throws DomainProblem.TooManyTries where it has to wait
     */
    Account by(String name, String password, String address) {
        List<Key> keys = List.of(Key.ofNameAt(name, address), Key.ofAddress(address));
        try {
            throttle.reserve(keys);
        } catch (DomainProblem.TooManyTries wait) {
            if (throttle.isFirstTold(keys)) {
                note("sign-in put off", name, address);
            }
            throw wait;
        }
        if (!accounts.isPasswordOf(name, password)) {
            note("sign-in failed", name, address);
            throw new DomainProblem.NotSignedIn(Sentence.of("people.wrongNameOrPassword"));
        }
        throttle.succeeded(keys);
        note("sign in", name, address);
        return accounts.byName(name).orElseThrow();
    }

    private void note(String action, String name, String address) {
        String known = accounts.byName(name).map(Account::name).orElse("nobody of that name");
        transaction.executeWithoutResult(
                status -> audit.note(action, "person", known, null, new Tried(known, address)));
    }

    /**
     * Asks somebody who is signed in for his password once more.
     *
     * @param what he is about to do, as it is noted where the password is wrong
     * @throws DomainProblem.Invalid where it is not his
     * @throws DomainProblem.TooManyTries where it has to wait
     */
    public void again(String name, String password, String field, String what) {
        List<Key> keys = List.of(Key.ofSignedIn(name));
        throttle.reserve(keys);
        if (!accounts.isPasswordOf(name, password == null ? "" : password)) {
            transaction.executeWithoutResult(
                    status -> audit.note("wrong password to " + what, "person", name, null, null));
            throw new DomainProblem.Invalid(field, Sentence.of("people.wrongPassword"));
        }
        throttle.succeeded(keys);
    }
}
