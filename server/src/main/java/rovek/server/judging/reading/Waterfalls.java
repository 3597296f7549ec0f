package rovek.server.judging.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.technique.Curve;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Names;

/** The same spectrum of a check over its visits, one behind the other. */
@Service
public class Waterfalls {

    private static final int MOST_READINGS = 24;
    private static final int MOST_POINTS = 6_400;

    private final Readings readings;
    private final ReadingDesk desk;

    Waterfalls(Readings readings, ReadingDesk desk) {
        this.readings = readings;
        this.desk = desk;
    }

    /**
     * @param endHz where the spectra end; all are shown up to the lowest
     * @param usualTo up to where they are looked at first
     * @param rows the oldest first; readings that show no such spectrum are left out
     */
    public record Waterfall(Sentence name, String unit, double endHz, double usualTo, List<WaterfallRow> rows) {}

    /** @param values the largest of each of equally wide stretches from 0 Hz up to the end */
    public record WaterfallRow(UUID readingId, String at, float[] values) {}

    /** @param name id of the curve, e.g. "spectrum" */
    @Transactional(readOnly = true)
    public Waterfall of(UUID checkId, String name) {
        List<ReadingView> newest =
                readings.newest(List.of(checkId), MOST_READINGS).getOrDefault(checkId, List.of());
        List<ReadingView> shown = new ArrayList<>();
        List<Curve.Lines> spectra = new ArrayList<>();
        for (ReadingView reading : newest) {
            desk.drawn(reading.id()).curves().stream()
                    .filter(curve -> curve.id().equals(name) && curve instanceof Curve.Lines)
                    .findFirst()
                    .ifPresent(curve -> {
                        shown.add(reading);
                        spectra.add((Curve.Lines) curve);
                    });
        }
        if (spectra.isEmpty()) {
            throw new DomainProblem.NotFound(Sentence.of("thing.spectrum"));
        }
        double end = spectra.stream()
                .mapToDouble(lines -> lines.stepHz() * (lines.values().length - 1))
                .min()
                .orElseThrow();
        int points = spectra.stream()
                .mapToInt(lines -> (int) (end / lines.stepHz()))
                .min()
                .orElseThrow();
        List<WaterfallRow> rows = new ArrayList<>();
        for (int i = 0; i < spectra.size(); i++) {
            rows.add(new WaterfallRow(
                    shown.get(i).id(),
                    shown.get(i).takenAt().toString(),
                    thinned(spectra.get(i), end, Math.min(MOST_POINTS, Math.max(1, points)))));
        }
        return new Waterfall(
                Names.curve(name),
                spectra.get(0).unit().symbol(),
                end,
                spectra.get(spectra.size() - 1).usualHz(),
                rows);
    }

    private static float[] thinned(Curve.Lines lines, double endHz, int points) {
        float[] values = new float[points];
        for (int line = 0; line < lines.values().length; line++) {
            int stretch = (int) Math.min(points - 1, line * lines.stepHz() / endHz * points);
            values[stretch] = line * lines.stepHz() <= endHz
                    ? Math.max(values[stretch], (float) lines.values()[line])
                    : values[stretch];
        }
        return values;
    }
}
