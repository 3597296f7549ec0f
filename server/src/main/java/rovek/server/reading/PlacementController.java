package rovek.server.reading;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/placements")
class PlacementController {

    private final ReadingDesk desk;

    PlacementController(ReadingDesk desk) {
        this.desk = desk;
    }

    /** Where a reading goes; without a check it is loose again. */
    record PlacementOf(UUID readingId, @Nullable UUID checkId) {}

    record Placements(List<PlacementOf> placements) {}

    /** Places several readings, all of them or none; the same check may be given back and forth, which swaps two. */
    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void place(@RequestBody Placements wanted) {
        desk.placeAll(wanted.placements().stream().map(one -> new ReadingDesk.PlaceWanted(one.readingId(), one.checkId())).toList());
    }
}
