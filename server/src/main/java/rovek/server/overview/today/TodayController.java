package rovek.server.overview.today;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class TodayController {

    private final Today today;

    TodayController(Today today) {
        this.today = today;
    }

    @GetMapping("/api/today")
    Today.View view() {
        return today.view();
    }
}
