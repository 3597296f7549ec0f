package rovek.server.intake.live;

import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import rovek.server.base.wording.Wording;
import rovek.server.rounds.visit.VisitIntake;

@RestController
@RequestMapping("/api/live")
class LiveController {

    private final LiveWatch watch;
    private final LiveRecordings recordings;
    private final Streams streams;

    LiveController(LiveWatch watch, LiveRecordings recordings, Streams streams) {
        this.watch = watch;
        this.recordings = recordings;
        this.streams = streams;
    }

    record LimitDraft(
            String channel, @Nullable Double low, @Nullable Double high) {}

    record MarkDraft(String text) {}

    /** What is told over the stream, so that the description of this interface names it. */
    @GetMapping("/{kind}/{id}")
    LiveUpdate now(@PathVariable LiveTarget.Kind kind, @PathVariable UUID id) {
        return watch.watching(new LiveTarget(kind, id), session -> session.since(0));
    }

    @GetMapping
    List<LiveSources.Watchable> sources() {
        return watch.sources();
    }

    @GetMapping(path = "/{kind}/{id}/stream", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter stream(@PathVariable LiveTarget.Kind kind, @PathVariable UUID id, HttpServletRequest http) {
        return watch.watching(
                new LiveTarget(kind, id),
                session -> streams.of(session, http.getSession().getId(), Wording.here()));
    }

    @PutMapping("/{kind}/{id}/limits")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void limit(@PathVariable LiveTarget.Kind kind, @PathVariable UUID id, @RequestBody LimitDraft limit) {
        watch.limit(new LiveTarget(kind, id), limit.channel(), limit.low(), limit.high());
    }

    @PostMapping("/{kind}/{id}/recording")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void begin(
            @PathVariable LiveTarget.Kind kind,
            @PathVariable UUID id,
            @RequestBody LiveRecordings.RecordingDraft wanted) {
        recordings.begin(new LiveTarget(kind, id), wanted);
    }

    @PostMapping("/{kind}/{id}/marks")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void mark(@PathVariable LiveTarget.Kind kind, @PathVariable UUID id, @RequestBody MarkDraft mark) {
        recordings.mark(new LiveTarget(kind, id), mark.text());
    }

    @PostMapping("/{kind}/{id}/recording/end")
    VisitIntake.Outcome end(@PathVariable LiveTarget.Kind kind, @PathVariable UUID id) {
        return recordings.end(new LiveTarget(kind, id));
    }
}
