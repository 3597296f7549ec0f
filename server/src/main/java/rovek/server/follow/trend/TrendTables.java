package rovek.server.follow.trend;

import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.stereotype.Service;
import rovek.core.technique.ResultDefinition;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.table.NumberTable;
import rovek.server.base.table.TableAnswer;
import rovek.server.base.wording.Wording;
import rovek.server.judging.reading.ResultCourse;
import rovek.server.people.unit.ReaderUnits;
import rovek.server.people.unit.ShownColumn;
import rovek.server.people.unit.ShownUnits;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;

/**
 * The readings behind a plot, every one of them, to be taken along: with their verdicts where they are told one by one.
 */
@Service
public class TrendTables {

    private static final List<String> HEADINGS =
            List.of("asset", "check", "result", "takenAt", "value", "unit", "verdict", "reason");

    private final Plant plant;
    private final Trends trends;
    private final ResultCourse rows;
    private final ReaderUnits units;

    TrendTables(Plant plant, Trends trends, ResultCourse rows, ReaderUnits units) {
        this.units = units;
        this.plant = plant;
        this.trends = trends;
        this.rows = rows;
    }

    /** One result of one check; blank for the leading one. */
    public record Wanted(UUID checkId, String resultId) {

        /** @param text a check's id, and a space and the result's id behind it */
        static Wanted parse(String text) {
            int space = text.indexOf(' ');
            try {
                return new Wanted(
                        UUID.fromString(space < 0 ? text : text.substring(0, space)),
                        space < 0 ? "" : text.substring(space + 1));
            } catch (IllegalArgumentException noId) {
                throw new DomainProblem.Invalid("with", Sentence.of("follow.namesNoCheck", "text", text));
            }
        }
    }

    private record Part(CheckView check, ResultDefinition result, TrendView trend, ShownColumn shown) {}

    /** @param from the beginning where null, likewise {@code to} */
    public void send(
            List<Wanted> wanted,
            @Nullable Instant from,
            @Nullable Instant to,
            String form,
            HttpServletResponse response)
            throws IOException {
        TableAnswer.send(of(wanted, from, to), form, response);
    }

    private NumberTable of(List<Wanted> wanted, @Nullable Instant from, @Nullable Instant to) {
        ShownUnits shown = units.now();
        List<Part> parts = wanted.stream()
                .map(one -> {
                    TrendView trend = trends.of(one.checkId(), one.resultId(), from, to);
                    CheckView check = plant.check(one.checkId());
                    ResultDefinition result =
                            check.technique().result(trend.shown().resultId());
                    return new Part(check, result, trend, shown.column(result.unit()));
                })
                .toList();
        String name = parts.get(0).trend().title();
        return new NumberTable(
                name,
                headings(),
                parts.stream()
                        .mapToLong(part -> part.trend().measured().readings())
                        .sum(),
                row -> parts.forEach(part -> rows(part, from, to, row)));
    }

    private static List<String> headings() {
        return HEADINGS.stream()
                .map(heading -> said(Sentence.of("follow.heading", "heading", heading)))
                .toList();
    }

    private static String said(Sentence sentence) {
        return Wording.said(sentence);
    }

    private void rows(Part part, @Nullable Instant from, @Nullable Instant to, Consumer<Object[]> row) {
        TrendView trend = part.trend();
        String asset = trend.assetTag().isBlank() ? part.check().asset().name() : trend.assetTag();
        String check = part.check().point().name() + ", " + part.check().node().name();
        if (trend.measured().stretches().isEmpty()) {
            trend.measured()
                    .points()
                    .forEach(point -> row.accept(new Object[] {
                        asset,
                        check,
                        said(trend.shown().result()),
                        point.at(),
                        part.shown().of(point.value()),
                        part.shown().unit(),
                        said(Sentence.of(
                                "follow.verdict", "verdict", point.verdict().name())),
                        said(point.reason())
                    }));
        } else {
            rows.each(
                    part.check().id(),
                    part.result(),
                    from,
                    to,
                    value -> row.accept(new Object[] {
                        asset,
                        check,
                        said(trend.shown().result()),
                        value.at().toString(),
                        part.shown().of(value.value()),
                        part.shown().unit(),
                        "",
                        ""
                    }));
        }
    }
}
