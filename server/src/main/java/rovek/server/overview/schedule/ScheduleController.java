package rovek.server.overview.schedule;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rovek.server.base.audit.AuditTrail;

@RestController
@RequestMapping("/api/schedule")
class ScheduleController {

    private final Schedule schedule;

    ScheduleController(Schedule schedule) {
        this.schedule = schedule;
    }

    @GetMapping
    Schedule.Calendar calendar() {
        return schedule.calendar(AuditTrail.actor());
    }

    @GetMapping("/people")
    List<Schedule.Person> people() {
        return schedule.people();
    }
}
