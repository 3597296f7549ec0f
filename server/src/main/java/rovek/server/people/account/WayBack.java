package rovek.server.people.account;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * The way back in for whoever has the server's shell, where no administrator can sign in any more: started with a name
 * and a password it makes that account an administrator's, open, with that password. It stands in the audit trail.
 */
@Component
@Order(2)
class WayBack implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(WayBack.class);

    private final Accounts accounts;
    private final String name;
    private final String password;

    WayBack(
            Accounts accounts,
            @Value("${rovek.way-back.name:}") String name,
            @Value("${rovek.way-back.password:${ROVEK_WAY_BACK_PASSWORD:}}") String password) {
        this.accounts = accounts;
        this.name = name;
        this.password = password;
    }

    @Override
    public void run(ApplicationArguments args) {
        if (!name.isBlank()) {
            accounts.restoreAdministrator(name, password);
            LOG.warn(
                    "The account {} is an administrator's again, with the password that was given at this start. "
                            + "Start without it next time.",
                    name);
        }
    }
}
