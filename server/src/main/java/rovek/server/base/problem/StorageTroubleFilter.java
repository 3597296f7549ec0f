package rovek.server.base.problem;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Sessions are kept in the database too: where it is away, nothing further in is ever reached, and this gives the
 * sentence.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class StorageTroubleFilter extends OncePerRequestFilter {

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (RuntimeException | ServletException fault) {
            Optional<StorageTrouble> trouble = StorageTrouble.of(fault);
            if (trouble.isEmpty() || response.isCommitted()) {
                throw fault;
            }
            answer(request, response, trouble.get());
        }
    }

    private static void answer(HttpServletRequest request, HttpServletResponse response, StorageTrouble trouble)
            throws IOException {
        response.reset();
        ProblemWriter.write(request, response, trouble.status(), trouble.code(), trouble.sentence());
    }
}
