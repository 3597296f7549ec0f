package rovek.server.people.account;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.entry.Entry;
import rovek.server.base.time.HomeZone;
import rovek.server.base.wording.DayFormat;

@RestController
@RequestMapping("/api/times")
class TimesController {

    private final HomeZone home;

    TimesController(HomeZone home) {
        this.home = home;
    }

    /**
     * What there is to choose from.
     *
     * @param homeZone of the company: of everything that belongs to no site that says its own
     */
    record TimesView(String homeZone, List<String> zones, List<String> dateFormats) {}

    @GetMapping
    TimesView view() {
        return new TimesView(home.id().getId(), new Entry.Zone().options(), DayFormat.PATTERNS);
    }
}
