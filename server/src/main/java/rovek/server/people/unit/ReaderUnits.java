package rovek.server.people.unit;

import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.server.base.audit.AuditTrail;
import rovek.server.people.account.Account;
import rovek.server.people.account.Accounts;

/** In which units whoever is answered just now reads: for the files that the server writes, as screens show it. */
@Service
public class ReaderUnits {

    private final UnitChoices choices;
    private final Accounts accounts;

    ReaderUnits(UnitChoices choices, Accounts accounts) {
        this.choices = choices;
        this.accounts = accounts;
    }

    public ShownUnits now() {
        UUID reader = accounts.byName(AuditTrail.actor()).map(Account::id).orElse(UnitChoices.EVERYBODY);
        return choices.shown(reader);
    }
}
