package rovek.server.people.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * A session ends a while after its beginning, however busily it is used: a stolen one does not hold for ever. Comes
 * before it is asked who is signed in.
 */
@Component
@Order(-200)
class SessionEnds extends OncePerRequestFilter {

    private final Clock clock;
    private final Duration longest;

    SessionEnds(Clock clock, @Value("${rovek.session.longest:PT24H}") Duration longest) {
        this.clock = clock;
        this.longest = longest;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        HttpSession session = request.getSession(false);
        if (session != null && clock.millis() - session.getCreationTime() > longest.toMillis()) {
            session.invalidate();
        }
        chain.doFilter(request, response);
    }
}
