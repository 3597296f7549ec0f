package rovek.server.instruments.sensor;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sensors")
class SensorController {

    private final Sensors sensors;

    SensorController(Sensors sensors) {
        this.sensors = sensors;
    }

    @GetMapping
    List<SensorView> list() {
        return sensors.list();
    }

    @PutMapping("/{id}")
    SensorView put(@PathVariable UUID id, @RequestBody SensorDraft draft) {
        return sensors.put(id, draft);
    }
}
