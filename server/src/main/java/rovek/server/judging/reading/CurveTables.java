package rovek.server.judging.reading;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.technique.Curve;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.table.NumberTable;
import rovek.server.base.wording.Names;
import rovek.server.base.wording.Wording;
import rovek.server.people.unit.ReaderUnits;
import rovek.server.people.unit.ShownColumn;
import rovek.server.people.unit.ShownUnits;

/** The numbers behind what is drawn, every one of them, to be taken along. */
@Service
public class CurveTables {

    /** Of a place on the axis, in steps: a place that is named is among those that are taken. */
    private static final double ROUNDING = 1e-6;

    private final ReadingDesk desk;
    private final Readings readings;
    private final Runs runs;
    private final Waterfalls waterfalls;
    private final ReaderUnits units;

    CurveTables(ReadingDesk desk, Readings readings, Runs runs, Waterfalls waterfalls, ReaderUnits units) {
        this.units = units;
        this.desk = desk;
        this.readings = readings;
        this.runs = runs;
        this.waterfalls = waterfalls;
    }

    /** A stretch of the horizontal axis. */
    public record Stretch(double from, double to) {}

    /**
     * A curve, and beside it the same of another reading.
     *
     * @param other null for none
     */
    @Transactional(readOnly = true)
    public NumberTable curve(
            UUID readingId, String name, Map<String, String> look, Stretch stretch, @Nullable UUID other) {
        List<String> headings = new ArrayList<>();
        List<double[]> columns = new ArrayList<>();
        ShownUnits shown = units.now();
        add(readingId, name, look, stretch, shown, headings, columns);
        if (other != null) {
            add(other, name, look, stretch, shown, headings, columns);
        }
        return NumberTable.ofColumns("%s %s".formatted(name, day(readingId)), headings, columns);
    }

    private void add(
            UUID readingId,
            String name,
            Map<String, String> look,
            Stretch stretch,
            ShownUnits units,
            List<String> headings,
            List<double[]> columns) {
        Curve curve = desk.drawn(readingId, look).curves().stream()
                .filter(one -> one.id().equals(name) && !(one instanceof Curve.Run))
                .findFirst()
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.curve")));
        boolean isLines = curve instanceof Curve.Lines;
        double step = curve instanceof Curve.Lines lines ? lines.stepHz() : ((Curve.Series) curve).stepSeconds();
        double start = curve instanceof Curve.Series series ? series.startSeconds() : 0;
        double[] values = curve instanceof Curve.Lines lines ? lines.values() : ((Curve.Series) curve).values();
        ShownColumn shown =
                units.column(curve instanceof Curve.Lines lines ? lines.unit() : ((Curve.Series) curve).unit());
        int first = (int) Math.min(values.length, Math.max(0, Math.ceil((stretch.from() - start) / step - ROUNDING)));
        int behind = (int) Math.max(
                first, Math.min(values.length, Math.floor((stretch.to() - start) / step + ROUNDING) + 1));
        double[] axis = new double[behind - first];
        Arrays.setAll(axis, i -> start + (first + i) * step);
        headings.add(said(Sentence.of(isLines ? "judging.columnFrequency" : "judging.columnTime")));
        headings.add("%s, %s (%s)%s"
                .formatted(
                        said(Names.curve(name)),
                        isLines ? shown.unit() + " RMS" : shown.unit(),
                        day(readingId),
                        curve.how().isBlank() ? "" : ", " + said(curve.how())));
        columns.add(axis);
        columns.add(shown.of(Arrays.copyOfRange(values, first, behind)));
    }

    private static String said(Sentence sentence) {
        return Wording.said(sentence);
    }

    private String day(UUID readingId) {
        return readings.get(readingId).takenAt().toString().substring(0, 10);
    }

    /** All channels of a run. */
    @Transactional(readOnly = true)
    public NumberTable run(UUID readingId, Stretch stretch) {
        ShownUnits shown = units.now();
        List<Curve.Run> channels = runs.recorded(readingId).channels();
        double[] seconds = channels.get(0).seconds();
        int[] within = NumberTable.within(seconds, stretch.from(), stretch.to());
        List<String> headings = new ArrayList<>(List.of(said(Sentence.of("judging.columnTime"))));
        List<double[]> columns = new ArrayList<>(List.of(Arrays.copyOfRange(seconds, within[0], within[1])));
        for (Curve.Run channel : channels) {
            double[] values = Arrays.copyOfRange(channel.values(), within[0], within[1]);
            // An instrument may write a unit that is not known: it is left as it is.
            Optional<ShownColumn> column = UnitCatalogue.find(channel.unit()).map(shown::column);
            String unit = column.map(ShownColumn::unit).orElse(channel.unit());
            headings.add(unit.isBlank() ? channel.id() : "%s, %s".formatted(channel.id(), unit));
            columns.add(column.map(known -> known.of(values)).orElse(values));
        }
        return NumberTable.ofColumns(said(Sentence.of("judging.tableRun", "day", day(readingId))), headings, columns);
    }

    /** The spectra of a check over its visits, a column each. */
    @Transactional(readOnly = true)
    public NumberTable waterfall(UUID checkId, String name, Stretch stretch) {
        Waterfalls.Waterfall waterfall = waterfalls.of(checkId, name);
        int points = waterfall.rows().get(0).values().length;
        double width = waterfall.endHz() / points;
        double[] axis = new double[points];
        Arrays.setAll(axis, i -> (i + 0.5) * width);
        int[] within = NumberTable.within(axis, stretch.from(), stretch.to());
        List<String> headings = new ArrayList<>(List.of(said(Sentence.of("judging.columnFrequency"))));
        List<double[]> columns = new ArrayList<>(List.of(Arrays.copyOfRange(axis, within[0], within[1])));
        ShownColumn shown = units.now().column(UnitCatalogue.get(waterfall.unit()));
        waterfall.rows().forEach(row -> {
            headings.add("%s, %s RMS".formatted(row.at().substring(0, 10), shown.unit()));
            columns.add(shown.of(IntStream.range(within[0], within[1])
                    .mapToDouble(i -> row.values()[i])
                    .toArray()));
        });
        return NumberTable.ofColumns(
                said(Sentence.of("judging.tableWaterfall", "curve", Names.curve(name))), headings, columns);
    }
}
