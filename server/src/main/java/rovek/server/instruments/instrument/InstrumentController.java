package rovek.server.instruments.instrument;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/instruments")
class InstrumentController {

    private final Instruments instruments;

    InstrumentController(Instruments instruments) {
        this.instruments = instruments;
    }

    @GetMapping
    List<InstrumentView> list() {
        return instruments.list();
    }

    @PutMapping("/{id}/calibration")
    InstrumentView calibration(@PathVariable UUID id, @RequestBody Instruments.WrittenCalibration written) {
        return instruments.write(id, written);
    }
}
