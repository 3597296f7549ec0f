package rovek.server.problem;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/** Sessions are kept in the database too: where it is away, nothing further in is ever reached, and this gives the sentence. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class StorageTroubleFilter extends OncePerRequestFilter {

    private final JsonMapper json;

    StorageTroubleFilter(JsonMapper json) {
        this.json = json;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (RuntimeException | ServletException fault) {
            Optional<StorageTrouble> trouble = StorageTrouble.of(fault);
            if (trouble.isEmpty() || response.isCommitted()) {
                throw fault;
            }
            answer(response, trouble.get());
        }
    }

    private void answer(HttpServletResponse response, StorageTrouble trouble) throws IOException {
        HttpStatus status = trouble.status();
        Map<String, Object> problem = new LinkedHashMap<>();
        problem.put("title", status.getReasonPhrase());
        problem.put("status", status.value());
        problem.put("detail", trouble.sentence());
        problem.put("code", trouble.code());
        response.reset();
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(json.writeValueAsString(problem).getBytes(StandardCharsets.UTF_8));
    }
}
