package rovek.server.limit;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/checks/{checkId}/limits")
class LimitController {

    private final Limits limits;

    LimitController(Limits limits) {
        this.limits = limits;
    }

    @GetMapping
    List<Limits.LimitLine> lines(@PathVariable UUID checkId) {
        return limits.lines(checkId);
    }

    @PutMapping("/{resultId}")
    List<Limits.LimitLine> set(
            @PathVariable UUID checkId, @PathVariable String resultId, @RequestBody Limits.NewLimit limit) {
        return limits.set(checkId, resultId, limit);
    }
}
