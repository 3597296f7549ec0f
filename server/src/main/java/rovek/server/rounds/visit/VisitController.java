package rovek.server.rounds.visit;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/visits")
class VisitController {

    private final Visits visits;
    private final VisitHistory history;

    VisitController(Visits visits, VisitHistory history) {
        this.visits = visits;
        this.history = history;
    }

    /** @param from how many newer ones are passed over */
    @GetMapping
    List<VisitHistory.VisitLine> list(@RequestParam(defaultValue = "0") int from) {
        return history.list(from);
    }

    @GetMapping("/{id}")
    VisitSheet sheet(@PathVariable UUID id) {
        return visits.sheet(id);
    }
}
