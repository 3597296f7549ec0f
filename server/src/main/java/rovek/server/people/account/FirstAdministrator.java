package rovek.server.people.account;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Lets the first person into an empty installation: the account is given at the first start, by configuration. */
@Component
@Order(1)
class FirstAdministrator implements ApplicationRunner {

    private final Accounts accounts;
    private final String name;
    private final String password;

    FirstAdministrator(
            Accounts accounts,
            @Value("${rovek.first-administrator.name:}") String name,
            @Value("${rovek.first-administrator.password:}") String password) {
        this.accounts = accounts;
        this.name = name;
        this.password = password;
    }

    @Override
    public void run(ApplicationArguments args) {
        if (!name.isBlank() && accounts.isEmpty()) {
            accounts.add(new Accounts.NewAccount(name, name, Role.ADMINISTRATOR, password));
        }
    }
}
