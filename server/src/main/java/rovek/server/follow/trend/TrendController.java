package rovek.server.follow.trend;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.wording.Sentence;
import rovek.server.base.job.JobView;
import rovek.server.base.problem.DomainProblem;
import rovek.server.judging.reading.Recalculation;

@RestController
class TrendController {

    private final Trends trends;
    private final TrendTables tables;
    private final Comparables comparables;
    private final Recalculation calculation;

    TrendController(Trends trends, TrendTables tables, Comparables comparables, Recalculation calculation) {
        this.trends = trends;
        this.tables = tables;
        this.comparables = comparables;
        this.calculation = calculation;
    }

    /** @param from ISO 8601, blank for the beginning; likewise {@code to} */
    @GetMapping("/api/checks/{id}/trend")
    TrendView trend(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String result,
            @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") String to) {
        return trends.of(id, result, time("from", from), time("to", to));
    }

    /**
     * The readings behind the plot as a file.
     *
     * @param form {@code csv} or {@code xlsx}
     * @param beside further checks, each with a result behind a space
     */
    @GetMapping("/api/checks/{id}/trend/file")
    void file(
            @PathVariable UUID id,
            @RequestParam String form,
            @RequestParam(defaultValue = "") String result,
            @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") String to,
            @RequestParam(name = "with", required = false) List<String> beside,
            HttpServletResponse response)
            throws IOException {
        List<TrendTables.Wanted> wanted = new ArrayList<>(List.of(new TrendTables.Wanted(id, result)));
        Optional.ofNullable(beside).orElse(List.of()).stream()
                .map(TrendTables.Wanted::parse)
                .forEach(wanted::add);
        tables.send(wanted, time("from", from), time("to", to), form, response);
    }

    /** What readings of the check can be laid beside. */
    @GetMapping("/api/checks/{id}/comparable")
    ComparableView comparable(@PathVariable UUID id) {
        return comparables.of(id);
    }

    /** Makes the results of earlier readings once more, as the check is set now. */
    @PostMapping("/api/checks/{id}/recalculate")
    @ResponseStatus(HttpStatus.ACCEPTED)
    JobView calculate(@PathVariable UUID id) {
        return calculation.start(id);
    }

    @GetMapping("/api/readings/{id}/results")
    List<ComparableView.ResultLine> results(@PathVariable UUID id) {
        return comparables.results(id);
    }

    private static Instant time(String field, String text) {
        try {
            return text.isBlank() ? null : Instant.parse(text);
        } catch (DateTimeParseException notOne) {
            throw new DomainProblem.Invalid(field, Sentence.of("base.noTime", "text", text));
        }
    }
}
