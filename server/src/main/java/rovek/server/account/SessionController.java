package rovek.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.List;
import java.util.Locale;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rovek.server.problem.DomainProblem;

@RestController
@RequestMapping("/api/session")
class SessionController {

    private final Accounts accounts;
    private final SignInThrottle throttle;
    private final SecurityContextRepository contexts;

    SessionController(Accounts accounts, SignInThrottle throttle, SecurityContextRepository contexts) {
        this.accounts = accounts;
        this.throttle = throttle;
        this.contexts = contexts;
    }

    record SignIn(String name, String password) {}

    record NewPassword(String former, String wanted) {}

    @GetMapping
    Account whoAmI(Principal principal) {
        if (principal == null) {
            throw new DomainProblem.NotSignedIn("Nobody is signed in.");
        }
        return accounts.byName(principal.getName())
                .filter(Account::active)
                .orElseThrow(() -> new DomainProblem.NotSignedIn("This account is closed."));
    }

    @PostMapping
    Account signIn(@RequestBody SignIn signIn, HttpServletRequest request, HttpServletResponse response) {
        String name = signIn.name() == null ? "" : signIn.name().strip().toLowerCase(Locale.ROOT);
        String password = signIn.password() == null ? "" : signIn.password();
        List<String> keys = List.of("name " + name, "address " + request.getRemoteAddr());
        throttle.requireFree(keys);
        if (!accounts.isPasswordOf(name, password)) {
            throttle.failed(keys);
            throw new DomainProblem.NotSignedIn("Name or password is wrong.");
        }
        throttle.succeeded(keys);
        Account account = accounts.byName(name).orElseThrow();
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                name, null, AuthorityUtils.createAuthorityList("ROLE_" + account.role().name())));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        return account;
    }

    @PostMapping("/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changePassword(@RequestBody NewPassword password, Principal principal, HttpServletRequest request) {
        accounts.changeOwnPassword(
                principal.getName(), password.former(), password.wanted(), request.getSession(false).getId());
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        if (request.getSession(false) != null) {
            request.getSession(false).invalidate();
        }
        SecurityContextHolder.clearContext();
    }
}
