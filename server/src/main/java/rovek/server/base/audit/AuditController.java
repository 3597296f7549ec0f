package rovek.server.base.audit;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/audit")
class AuditController {

    private final AuditTrail trail;

    AuditController(AuditTrail trail) {
        this.trail = trail;
    }

    @GetMapping
    List<AuditTrail.Line> lines(
            @RequestParam(required = false) String subjectType, @RequestParam(required = false) String subjectId) {
        return subjectType == null || subjectId == null ? trail.latest() : trail.of(subjectType, subjectId);
    }
}
