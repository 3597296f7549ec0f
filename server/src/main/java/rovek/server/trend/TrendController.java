package rovek.server.trend;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rovek.server.problem.DomainProblem;

@RestController
class TrendController {

    private final Trends trends;

    TrendController(Trends trends) {
        this.trends = trends;
    }

    /** @param from ISO 8601, blank for the beginning; likewise {@code to} */
    @GetMapping("/api/checks/{id}/trend")
    TrendView trend(
            @PathVariable UUID id, @RequestParam(defaultValue = "") String result, @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") String to) {
        return trends.of(id, result, time("from", from), time("to", to));
    }

    private static Instant time(String field, String text) {
        try {
            return text.isBlank() ? null : Instant.parse(text);
        } catch (DateTimeParseException notOne) {
            throw new DomainProblem.Invalid(field, "\"%s\" is no time.".formatted(text));
        }
    }
}
