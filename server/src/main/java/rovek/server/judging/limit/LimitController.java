package rovek.server.judging.limit;

import jakarta.annotation.Nullable;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rovek.server.plant.tree.PlantLedger;

@RestController
@RequestMapping("/api/nodes/{nodeId}/limits")
class LimitController {

    private final Limits limits;
    private final LimitPreviews previews;

    LimitController(Limits limits, LimitPreviews previews) {
        this.limits = limits;
        this.previews = previews;
    }

    /** @param from the first moment the limits hold for, ISO 8601; null judges all readings again */
    record TakeFrom(Limits.Source source, @Nullable String from) {}

    @GetMapping
    List<Limits.LimitLine> lines(@PathVariable UUID nodeId) {
        return limits.lines(nodeId);
    }

    @PutMapping("/{technique}/{resultId}")
    PlantLedger.Committed say(
            @PathVariable UUID nodeId,
            @PathVariable String technique,
            @PathVariable String resultId,
            @RequestBody Limits.Saying saying) {
        return limits.say(nodeId, technique, resultId, saying);
    }

    @PostMapping("/{technique}/{resultId}/preview")
    LimitPreviews.LimitPreview preview(
            @PathVariable UUID nodeId,
            @PathVariable String technique,
            @PathVariable String resultId,
            @RequestBody Limits.Saying saying) {
        return previews.preview(nodeId, technique, resultId, saying);
    }

    @PostMapping("/{technique}/{resultId}/proposals")
    Limits.LimitsTaken take(
            @PathVariable UUID nodeId,
            @PathVariable String technique,
            @PathVariable String resultId,
            @RequestBody TakeFrom from) {
        return limits.take(nodeId, technique, resultId, from.source(), from.from());
    }

    @PostMapping("/{technique}/{resultId}/proposals/preview")
    LimitPreviews.LimitPreview previewOfProposals(
            @PathVariable UUID nodeId,
            @PathVariable String technique,
            @PathVariable String resultId,
            @RequestBody TakeFrom from) {
        return previews.preview(nodeId, technique, resultId, from.source(), from.from());
    }
}
