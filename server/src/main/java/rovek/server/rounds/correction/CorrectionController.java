package rovek.server.rounds.correction;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.limit.Verdict;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.judging.reading.FilledColumn;
import rovek.server.rounds.correction.Corrections.Corrected;
import rovek.server.rounds.correction.ReadingCorrections.PlacementOf;

@RestController
class CorrectionController {

    private final Corrections corrections;
    private final ReadingCorrections readings;
    private final VisitTimes times;
    private final Moves moves;
    private final SpotChecks spotChecks;

    CorrectionController(
            Corrections corrections,
            ReadingCorrections readings,
            VisitTimes times,
            Moves moves,
            SpotChecks spotChecks) {
        this.corrections = corrections;
        this.readings = readings;
        this.times = times;
        this.moves = moves;
        this.spotChecks = spotChecks;
    }

    record PlaceOn(@Nullable UUID checkId) {}

    /** @param point name of a new point, where the node is none */
    record SpotCheck(UUID nodeId, @Nullable String point) {}

    record Placements(List<PlacementOf> placements) {}

    record DiscardFor(String reason) {}

    record DiscardMany(List<UUID> readingIds, String reason) {}

    /** @param verdict null where the computed one counts again */
    record OverrideBy(
            List<UUID> readingIds,
            @Nullable Verdict verdict,
            @Nullable String reason) {}

    /** @param value blank takes what was there away */
    record FillIn(List<UUID> readingIds, FilledColumn column, String value) {}

    /** @param readingIds empty for the whole visit */
    record MoveTo(UUID targetId, List<UUID> readingIds) {}

    /** @param visitId null for a visit of their own */
    record MoveToVisit(List<UUID> readingIds, @Nullable UUID visitId) {}

    /** When one reading was taken, in ISO 8601; without one the times stand as the instrument wrote them. */
    record TrueTime(@Nullable UUID readingId, @Nullable String takenAt) {}

    /** What was corrected in a visit, the newest first. */
    @GetMapping("/api/visits/{id}/corrections")
    List<Corrections.Correction> corrections(@PathVariable UUID id) {
        return corrections.of(id);
    }

    @PostMapping("/api/readings/{id}/place")
    Corrected place(@PathVariable UUID id, @RequestBody PlaceOn on) {
        return readings.place(List.of(new PlacementOf(id, on.checkId())));
    }

    @PostMapping("/api/readings/{id}/new-check")
    Corrected newCheck(@PathVariable UUID id, @RequestBody SpotCheck at) {
        return spotChecks.make(id, at.nodeId(), at.point());
    }

    @PostMapping("/api/placements")
    Corrected placeAll(@RequestBody Placements wanted) {
        return readings.place(wanted.placements());
    }

    @PostMapping("/api/readings/{id}/discard")
    Corrected discard(@PathVariable UUID id, @RequestBody DiscardFor because) {
        return discard(List.of(id), because.reason());
    }

    @PostMapping("/api/readings/{id}/choose")
    Corrected choose(@PathVariable UUID id) {
        return readings.choose(id);
    }

    @PostMapping("/api/overrides")
    Corrected override(@RequestBody OverrideBy wanted) {
        return readings.override(wanted.readingIds(), wanted.verdict(), wanted.reason());
    }

    @PostMapping("/api/discards")
    Corrected discardMany(@RequestBody DiscardMany many) {
        return discard(many.readingIds(), many.reason());
    }

    private Corrected discard(List<UUID> ids, String reason) {
        if (reason.isBlank()) {
            throw new DomainProblem.Invalid("reason", Sentence.of("rounds.whyDiscarded"));
        }
        return readings.discard(ids, reason);
    }

    @PostMapping("/api/readings/{id}/restore")
    Corrected restore(@PathVariable UUID id) {
        return readings.discard(List.of(id), "");
    }

    @PostMapping("/api/fillings")
    Corrected fill(@RequestBody FillIn fill) {
        return readings.fill(fill.readingIds(), fill.column(), fill.value());
    }

    @PostMapping("/api/visits/{id}/times")
    Corrected times(@PathVariable UUID id, @RequestBody TrueTime time) {
        return time.readingId() == null || time.takenAt() == null
                ? times.asWritten(id)
                : times.oneWasTaken(id, time.readingId(), instant(time.takenAt()));
    }

    private static Instant instant(String text) {
        try {
            return Instant.parse(text);
        } catch (DateTimeParseException e) {
            throw new DomainProblem.Invalid("takenAt", Sentence.of("rounds.noDateAndTime", "text", text));
        }
    }

    @PostMapping("/api/visits/{id}/move-preview")
    Moves.MovePlan movePreview(@PathVariable UUID id, @RequestBody MoveTo to) {
        return moves.preview(id, to.targetId(), to.readingIds());
    }

    @PostMapping("/api/visits/{id}/move")
    Corrected move(@PathVariable UUID id, @RequestBody MoveTo to) {
        return moves.toNode(id, to.targetId(), to.readingIds());
    }

    @PostMapping("/api/visits/{id}/move-readings")
    Corrected moveReadings(@PathVariable UUID id, @RequestBody MoveToVisit to) {
        return moves.toVisit(id, to.readingIds(), Optional.ofNullable(to.visitId()));
    }

    @PostMapping("/api/corrections/{id}/undo")
    Corrected undo(@PathVariable UUID id) {
        return corrections.undo(id);
    }
}
