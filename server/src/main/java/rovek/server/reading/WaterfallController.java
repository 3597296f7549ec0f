package rovek.server.reading;

import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class WaterfallController {

    private final Waterfalls waterfalls;

    WaterfallController(Waterfalls waterfalls) {
        this.waterfalls = waterfalls;
    }

    @GetMapping("/api/checks/{id}/waterfall")
    Waterfalls.Waterfall waterfall(@PathVariable UUID id, @RequestParam(defaultValue = "Spectrum") String curve) {
        return waterfalls.of(id, curve);
    }
}
