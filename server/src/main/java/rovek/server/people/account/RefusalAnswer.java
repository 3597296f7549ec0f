package rovek.server.people.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.access.AccessDeniedHandler;
import org.springframework.security.web.csrf.CsrfException;
import rovek.server.base.problem.ProblemWriter;

/** Says in the one shape of all errors that somebody is not signed in, or may not do this. */
final class RefusalAnswer implements AuthenticationEntryPoint, AccessDeniedHandler {

    @Override
    public void commence(HttpServletRequest request, HttpServletResponse response, AuthenticationException why)
            throws IOException {
        ProblemWriter.write(
                response,
                HttpStatus.UNAUTHORIZED,
                "not-signed-in",
                "You are not signed in, or were signed out. Sign in and try again; nothing was changed.");
    }

    @Override
    public void handle(HttpServletRequest request, HttpServletResponse response, AccessDeniedException why)
            throws IOException {
        if (why instanceof CsrfException) {
            ProblemWriter.write(
                    response,
                    HttpStatus.FORBIDDEN,
                    "stale-page",
                    "This page is too old. Reload it and try again; nothing was changed.");
        } else {
            ProblemWriter.write(
                    response,
                    HttpStatus.FORBIDDEN,
                    "role",
                    "Your role does not allow this. Nothing was changed; ask an administrator.");
        }
    }
}
