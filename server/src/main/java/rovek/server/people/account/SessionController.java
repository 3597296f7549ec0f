package rovek.server.people.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.Locale;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfAuthenticationStrategy;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

@RestController
@RequestMapping("/api/session")
class SessionController {

    private final Accounts accounts;
    private final SignIn signIn;
    private final SecurityContextRepository contexts;
    private final CsrfAuthenticationStrategy newToken;

    SessionController(
            Accounts accounts, SignIn signIn, SecurityContextRepository contexts, CsrfTokenRepository tokens) {
        this.accounts = accounts;
        this.signIn = signIn;
        this.contexts = contexts;
        this.newToken = new CsrfAuthenticationStrategy(tokens);
    }

    record NameAndPassword(String name, String password) {}

    record NewPassword(String former, String wanted) {}

    @GetMapping
    Account whoAmI(Principal principal) {
        if (principal == null) {
            throw new DomainProblem.NotSignedIn(Sentence.of("people.nobodySignedIn"));
        }
        return accounts.byName(principal.getName())
                .filter(Account::active)
                .orElseThrow(() -> new DomainProblem.NotSignedIn(Sentence.of("people.accountClosed")));
    }

    @PostMapping
    Account signIn(@RequestBody NameAndPassword said, HttpServletRequest request, HttpServletResponse response) {
        String name = said.name().strip().toLowerCase(Locale.ROOT);
        Account account = signIn.by(name, said.password(), request.getRemoteAddr());
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                name,
                null,
                AuthorityUtils.createAuthorityList("ROLE_" + account.role().name())));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        // A token from before may be known to whoever had the page then.
        newToken.onAuthentication(context.getAuthentication(), request, response);
        return account;
    }

    @PostMapping("/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changePassword(@RequestBody NewPassword password, Principal principal, HttpServletRequest request) {
        signIn.again(principal.getName(), password.former(), "former", "change it");
        accounts.changeOwnPassword(
                principal.getName(),
                password.wanted(),
                request.getSession(false).getId());
    }

    record Language(String language) {}

    @PutMapping("/language")
    Account chooseLanguage(@RequestBody Language wanted, Principal principal) {
        return accounts.chooseLanguage(principal.getName(), wanted.language());
    }

    record TimesWanted(String timeZone, String dateFormat) {}

    @PutMapping("/times")
    Account chooseTimes(@RequestBody TimesWanted wanted, Principal principal) {
        return accounts.chooseTimes(principal.getName(), wanted.timeZone(), wanted.dateFormat());
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
