package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.technique.Curve;
import rovek.core.wording.Sentence;
import rovek.server.base.table.TableAnswer;

/** What readings look like, and the numbers behind it as files. */
@RestController
class CurveController {

    private static final String EVER = "-Infinity";
    private static final String ALWAYS = "Infinity";

    private final ReadingDesk desk;
    private final Runs runs;
    private final Waterfalls waterfalls;
    private final CurveTables tables;

    CurveController(ReadingDesk desk, Runs runs, Waterfalls waterfalls, CurveTables tables) {
        this.desk = desk;
        this.runs = runs;
        this.waterfalls = waterfalls;
        this.tables = tables;
    }

    /** @param isRun whether it is a run besides, whose channels are told by themselves */
    record Curves(List<CurveView> curves, List<Sentence> remarks, List<ReadingDesk.Look> looks, boolean isRun) {}

    /** @param look in which way it is looked at, by the keys that {@code looks} names */
    @GetMapping("/api/readings/{id}/curves")
    Curves curves(@PathVariable UUID id, @RequestParam Map<String, String> look) {
        ReadingDesk.Drawn drawn = desk.drawn(id, look);
        return new Curves(
                CurveView.of(drawn.curves()),
                drawn.remarks(),
                drawn.looks(),
                drawn.curves().stream().anyMatch(Curve.Run.class::isInstance));
    }

    /** @param other a further reading whose curve stands beside it */
    @GetMapping("/api/readings/{id}/curves/{name}/file")
    void curveFile(
            @PathVariable UUID id,
            @PathVariable String name,
            @RequestParam String form,
            @RequestParam(defaultValue = EVER) double from,
            @RequestParam(defaultValue = ALWAYS) double to,
            @RequestParam(name = "with", required = false) @Nullable UUID other,
            @RequestParam Map<String, String> look,
            HttpServletResponse response)
            throws IOException {
        TableAnswer.send(tables.curve(id, name, look, new CurveTables.Stretch(from, to), other), form, response);
    }

    @GetMapping("/api/readings/{id}/run")
    RunView run(@PathVariable UUID id) {
        return runs.run(id);
    }

    @GetMapping("/api/readings/{id}/run/statistics")
    List<Runs.OfChannel> statistics(
            @PathVariable UUID id,
            @RequestParam(defaultValue = EVER) double from,
            @RequestParam(defaultValue = ALWAYS) double to) {
        return runs.statistics(id, from, to);
    }

    @GetMapping("/api/readings/{id}/run/file")
    void runFile(
            @PathVariable UUID id,
            @RequestParam String form,
            @RequestParam(defaultValue = EVER) double from,
            @RequestParam(defaultValue = ALWAYS) double to,
            HttpServletResponse response)
            throws IOException {
        TableAnswer.send(tables.run(id, new CurveTables.Stretch(from, to)), form, response);
    }

    @GetMapping("/api/checks/{id}/waterfall")
    Waterfalls.Waterfall waterfall(@PathVariable UUID id, @RequestParam(defaultValue = "spectrum") String curve) {
        return waterfalls.of(id, curve);
    }

    @GetMapping("/api/checks/{id}/waterfall/file")
    void waterfallFile(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "spectrum") String curve,
            @RequestParam String form,
            @RequestParam(defaultValue = EVER) double from,
            @RequestParam(defaultValue = ALWAYS) double to,
            HttpServletResponse response)
            throws IOException {
        TableAnswer.send(tables.waterfall(id, curve, new CurveTables.Stretch(from, to)), form, response);
    }
}
