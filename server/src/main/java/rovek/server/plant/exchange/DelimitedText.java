package rovek.server.plant.exchange;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

/** Values parted by commas, semicolons or tabs (RFC 4180 otherwise): which of them is found out. */
public final class DelimitedText {

    private static final char[] MARKS = {',', ';', '\t'};
    private static final int LOOKED_AT = 50;

    private DelimitedText() {}

    /**
     * The cells of each line, empty lines too.
     *
     * @throws DomainProblem.Invalid where it is no such text
     */
    public static List<List<String>> lines(String text, char delimiter) {
        TableBounds.require(text, delimiter);
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(delimiter)
                .setIgnoreEmptyLines(false)
                .get();
        List<List<String>> lines = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            parser.forEach(line -> lines.add(List.of(line.values())));
        } catch (UncheckedIOException | IllegalStateException | IOException broken) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.openQuote"));
        }
        return lines;
    }

    /** The mark that stands oftenest in a heading. */
    public static char ofHeading(String heading) {
        char best = MARKS[0];
        for (char candidate : MARKS) {
            best = count(heading, candidate) > count(heading, best) ? candidate : best;
        }
        return best;
    }

    /**
     * The mark that stands equally often, and at all, in most lines: a decimal comma does not stand in the heading as
     * well.
     */
    public static char ofTable(String text) {
        List<String> lines =
                text.lines().filter(line -> !line.isBlank()).limit(LOOKED_AT).toList();
        char best = MARKS[0];
        int most = 0;
        for (char candidate : new char[] {'\t', ';', ','}) {
            Map<Long, Integer> alike = new HashMap<>();
            lines.stream()
                    .map(line -> count(line, candidate))
                    .filter(count -> count > 0)
                    .forEach(count -> alike.merge(count, 1, Integer::sum));
            int agreeing = alike.values().stream().max(Integer::compare).orElse(0);
            if (agreeing > most) {
                most = agreeing;
                best = candidate;
            }
        }
        return best;
    }

    private static long count(String text, char wanted) {
        return text.chars().filter(c -> c == wanted).count();
    }
}
