package rovek.server.people.account;

import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/accounts")
class AccountController {

    private final Accounts accounts;

    AccountController(Accounts accounts) {
        this.accounts = accounts;
    }

    @GetMapping
    List<Account> list() {
        return accounts.list();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Account add(@RequestBody Accounts.NewAccount account) {
        return accounts.add(account);
    }

    @PatchMapping("/{id}")
    Account change(@PathVariable UUID id, @RequestBody Accounts.AccountChange change) {
        return accounts.change(id, change);
    }
}
