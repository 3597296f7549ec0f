package rovek.server.people.account;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.entry.Entry;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.problem.DomainProblem.Fault;
import rovek.server.base.records.Turns;
import rovek.server.base.wording.DayFormat;

/** The people who may sign in, and with what role. */
@Service
public class Accounts {

    /** NIST SP 800-63B: at least eight characters; we ask for ten, and for nothing about their kind. */
    private static final int SHORTEST_PASSWORD = 10;

    private static final int LONGEST_PASSWORD = 200;

    /** How dates can be written besides the way of the language. */
    private final AccountRepository accounts;

    private final Passwords passwords;
    private final TransactionTemplate transaction;
    private final AuditTrail audit;
    private final SessionRows sessions;
    private final Turns turns;

    Accounts(
            AccountRepository accounts,
            Passwords passwords,
            TransactionTemplate transaction,
            AuditTrail audit,
            SessionRows sessions,
            Turns turns) {
        this.accounts = accounts;
        this.passwords = passwords;
        this.transaction = transaction;
        this.audit = audit;
        this.sessions = sessions;
        this.turns = turns;
    }

    /** What it takes to let somebody in. */
    public record NewAccount(
            String name, String displayName, @Nullable Role role, String password) {}

    /** What can be changed; null leaves as it is. */
    public record AccountChange(
            @Nullable String displayName,
            @Nullable Role role,
            @Nullable Boolean active,
            @Nullable String password,
            int version) {}

    public Account add(NewAccount wanted) {
        // Before the transaction: whether a password is easy, and its hash, take a while, and others wait for the
        // connection.
        Optional<Fault> fault = passwordFault(wanted.password(), wanted.name(), wanted.displayName());
        Optional<String> hash = fault.isPresent() ? Optional.empty() : Optional.of(passwords.hash(wanted.password()));
        return transaction.execute(status -> add(wanted, fault, hash));
    }

    private Account add(NewAccount wanted, Optional<Fault> passwordFault, Optional<String> hash) {
        List<Fault> faults = new ArrayList<>();
        String name = wanted.name() == null ? "" : wanted.name().strip().toLowerCase(Locale.ROOT);
        if (!name.matches("[a-z0-9._-]{2,60}")) {
            faults.add(new Fault("name", Sentence.of("people.signInName")));
        } else if (accounts.findByName(name).isPresent()) {
            faults.add(new Fault("name", Sentence.of("people.nameTaken", "name", name)));
        }
        if (wanted.displayName() == null || wanted.displayName().isBlank()) {
            faults.add(new Fault("displayName", Sentence.of("people.noDisplayName")));
        }
        passwordFault.ifPresent(faults::add);
        if (wanted.role() == null) {
            faults.add(new Fault("role", Sentence.of("people.noRole")));
        }
        if (!faults.isEmpty()) {
            throw new DomainProblem.Invalid(faults);
        }
        AccountEntity account = new AccountEntity();
        account.id = UUID.randomUUID();
        account.name = name;
        account.displayName = wanted.displayName().strip();
        account.role = wanted.role();
        account.passwordHash = hash.orElseThrow();
        account.active = true;
        Account saved = accounts.save(account).view();
        audit.note("add account", "account", saved.id(), null, saved);
        return saved;
    }

    public Account change(UUID id, AccountChange change) {
        if (change.password() != null) {
            Account account = byId(id);
            requireGood(change.password(), account.name(), account.displayName());
        }
        Optional<String> hash = Optional.ofNullable(change.password()).map(passwords::hash);
        return transaction.execute(status -> change(id, change, hash));
    }

    /** Makes an account an administrator's, open and with a password; one that is not there yet is added. */
    void restoreAdministrator(String name, String password) {
        Optional<Account> known = byName(name);
        if (known.isEmpty()) {
            add(new NewAccount(name, name, Role.ADMINISTRATOR, password));
            return;
        }
        change(
                known.get().id(),
                new AccountChange(
                        null, Role.ADMINISTRATOR, true, password, known.get().version()));
    }

    private Account change(UUID id, AccountChange change, Optional<String> hash) {
        // Two who make each other less would each see the other still an administrator.
        turns.take(Turns.Turn.CHANGE_ACCOUNTS);
        AccountEntity account =
                accounts.findById(id).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.account")));
        if (account.version != change.version()) {
            throw new DomainProblem.Stale(Sentence.of("thing.account"));
        }
        Account before = account.view();
        if (change.displayName() != null && !change.displayName().isBlank()) {
            account.displayName = change.displayName().strip();
        }
        if (change.role() != null) {
            account.role = change.role();
        }
        if (change.active() != null) {
            account.active = change.active();
        }
        hash.ifPresent(made -> account.passwordHash = made);
        boolean someoneCanManage = accounts.findAllByOrderByName().stream()
                .anyMatch(other -> other.active && other.role == Role.ADMINISTRATOR);
        if (!someoneCanManage) {
            throw new DomainProblem.Conflict("last-administrator", Sentence.of("people.lastAdministrator"));
        }
        // Whoever is signed in with the former role or password is asked to sign in again.
        sessions.endAllOf(account.name);
        audit.note(
                change.password() == null ? "change account" : "change account and password",
                "account",
                id,
                before,
                account.view());
        return account.view();
    }

    /** Somebody who has just said his present one changes his own password; every other session of his ends. */
    void changeOwnPassword(String name, String wanted, String sessionId) {
        Optional<String> present = activeHash(name);
        requireGood(wanted, name, displayName(name));
        String hash = passwords.hash(wanted);
        transaction.executeWithoutResult(status -> {
            AccountEntity account = accounts.findByName(name)
                    .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.account")));
            if (!account.passwordHash.equals(present.orElseThrow())) {
                throw new DomainProblem.Stale(Sentence.of("thing.password"));
            }
            account.passwordHash = hash;
            sessions.endOthersOf(name, sessionId);
            audit.note("change own password", "account", account.id, null, null);
        });
    }

    /**
     * The language a person reads from now on.
     *
     * @param language a BCP 47 tag such as "de"; blank for the one the browser prefers
     */
    @Transactional
    public Account chooseLanguage(String name, String language) {
        if (language == null || !language.matches("|[a-z]{2,3}(-[A-Z]{2})?")) {
            throw new DomainProblem.Invalid("language", Sentence.of("people.noLanguage"));
        }
        AccountEntity account =
                accounts.findByName(name).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.account")));
        Account before = account.view();
        account.language = language;
        audit.note("choose language", "account", account.id, before, account.view());
        return account.view();
    }

    /**
     * Keeps how somebody reads times, for every browser.
     *
     * @param timeZone by its name in the IANA database; blank for the plant's
     * @param dateFormat one of {@link DayFormat#PATTERNS}; blank for the way of the language
     */
    @Transactional
    public Account chooseTimes(String name, String timeZone, String dateFormat) {
        if (new Entry.Zone().fault(Sentence.NONE, "", timeZone).isPresent()) {
            throw new DomainProblem.Invalid("timeZone", Sentence.of("people.noTimeZone"));
        }
        if (!dateFormat.isEmpty() && !DayFormat.PATTERNS.contains(dateFormat)) {
            throw new DomainProblem.Invalid("dateFormat", Sentence.of("people.noDateFormat"));
        }
        AccountEntity account =
                accounts.findByName(name).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.account")));
        Account before = account.view();
        account.timeZone = timeZone;
        account.dateFormat = dateFormat;
        audit.note("choose time zone and date format", "account", account.id, before, account.view());
        return account.view();
    }

    private Account byId(UUID id) {
        return accounts.findById(id)
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.account")))
                .view();
    }

    private static void requireGood(String password, String... names) {
        passwordFault(password, names).ifPresent(fault -> {
            throw new DomainProblem.Invalid(List.of(fault));
        });
    }

    /** @param names of whoever is to have it */
    private static Optional<Fault> passwordFault(String password, String... names) {
        if (password == null || password.length() < SHORTEST_PASSWORD || password.length() > LONGEST_PASSWORD) {
            return Optional.of(new Fault(
                    "password",
                    Sentence.of("people.passwordLength", "least", SHORTEST_PASSWORD, "most", LONGEST_PASSWORD)));
        }
        if (EasyPasswords.isEasy(password, names)) {
            return Optional.of(new Fault("password", Sentence.of("people.passwordEasy")));
        }
        return Optional.empty();
    }

    @Transactional(readOnly = true)
    public List<Account> list() {
        return accounts.findAllByOrderByName().stream().map(AccountEntity::view).toList();
    }

    @Transactional(readOnly = true)
    public Optional<Account> byName(String name) {
        return accounts.findByName(name).map(AccountEntity::view);
    }

    /** The name that stands on papers; the sign-in name where nobody has that account any more. */
    @Transactional(readOnly = true)
    public String displayName(String name) {
        return byName(name).map(Account::displayName).orElse(name);
    }

    /** {@link #displayName} of everybody, asked for once for a whole list. */
    @Transactional(readOnly = true)
    public UnaryOperator<String> displayNames() {
        Map<String, String> names = new HashMap<>();
        accounts.findAllByOrderByName().forEach(account -> names.put(account.name, account.displayName));
        return name -> names.getOrDefault(name, name);
    }

    /** Whether this is that person's password; asked before a transaction begins. */
    public boolean isPasswordOf(String name, String password) {
        return passwords.fits(password, activeHash(name));
    }

    private Optional<String> activeHash(String name) {
        return accounts.findByName(name).filter(found -> found.active).map(found -> found.passwordHash);
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return accounts.count() == 0;
    }
}
