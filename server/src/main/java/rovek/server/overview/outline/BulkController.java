package rovek.server.overview.outline;

import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rovek.server.plant.tree.PlantLedger;

@RestController
class BulkController {

    private final BulkEdit bulk;

    BulkController(BulkEdit bulk) {
        this.bulk = bulk;
    }

    @PostMapping("/api/bulk")
    PlantLedger.Committed change(@RequestBody BulkEdit.ManyRows wanted) {
        return bulk.change(wanted);
    }
}
