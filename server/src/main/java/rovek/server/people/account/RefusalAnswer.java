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
import rovek.core.wording.Sentence;
import rovek.server.base.problem.ProblemWriter;

/** Says in the one shape of all errors that somebody is not signed in, or may not do this. */
final class RefusalAnswer implements AuthenticationEntryPoint, AccessDeniedHandler {

    @Override
    public void commence(HttpServletRequest request, HttpServletResponse response, AuthenticationException why)
            throws IOException {
        ProblemWriter.write(
                request, response, HttpStatus.UNAUTHORIZED, "not-signed-in", Sentence.of("people.signedOut"));
    }

    @Override
    public void handle(HttpServletRequest request, HttpServletResponse response, AccessDeniedException why)
            throws IOException {
        if (why instanceof CsrfException) {
            ProblemWriter.write(request, response, HttpStatus.FORBIDDEN, "stale-page", Sentence.of("people.stalePage"));
        } else {
            ProblemWriter.write(request, response, HttpStatus.FORBIDDEN, "role", Sentence.of("people.role"));
        }
    }
}
