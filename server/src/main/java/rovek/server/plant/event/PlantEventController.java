package rovek.server.plant.event;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PlantEventController {

    private final PlantEvents events;

    PlantEventController(PlantEvents events) {
        this.events = events;
    }

    @GetMapping("/api/nodes/{id}/events")
    List<PlantEvent> concerning(@PathVariable UUID id) {
        return events.concerning(id);
    }

    @PutMapping("/api/nodes/{id}/events/{eventId}")
    PlantEvent put(@PathVariable UUID id, @PathVariable UUID eventId, @RequestBody PlantEvents.EventDraft draft) {
        return events.put(id, eventId, draft);
    }

    @PostMapping("/api/events/{eventId}/removal")
    void remove(@PathVariable UUID eventId) {
        events.remove(eventId);
    }
}
